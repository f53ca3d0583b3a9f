import { useRef } from 'react';
import { Key, type KeyProps } from './Key';

/** A key that opens a file: the same file can be opened twice. */
export function FileKey({
  accept,
  fileLabel,
  onFile,
  ...key
}: Omit<KeyProps, 'onPress'> & { accept: string; fileLabel: string; onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Key {...key} onPress={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={fileLabel}
        style={{ display: 'none' }}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}

/** More than this is no file of ours, bytes. */
export const MOST_BYTES = 50_000_000;

/**
 * Text of a file as it was written: UTF-8, UTF-16 by its mark, or what older programs write (Latin-1), never letters that
 * are not in it. Undefined where it is too large.
 */
export async function readTextFile(file: Blob): Promise<string | undefined> {
  if (file.size > MOST_BYTES) return undefined;
  const bytes = new Uint8Array(await file.arrayBuffer());
  const mark = (bytes[0] ?? 0) * 256 + (bytes[1] ?? 0);
  if (mark === 0xfffe) return new TextDecoder('utf-16le').decode(bytes);
  if (mark === 0xfeff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

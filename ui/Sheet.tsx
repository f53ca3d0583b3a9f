import X from 'lucide-react-native/icons/x';
import { useEffect, useRef, type ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { Key } from './Key';
import { Type } from './Type';
import { t } from '../words';

/** After the focus was moved into the sheet. */
const FOCUS_MS = 50;

/** A plate that comes up over the room for one choice or one entry. Closing keeps what was typed. */
export function Sheet({
  open,
  title,
  onClose,
  children,
}: {
  open: boolean;
  title: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const content = useRef<ScrollView>(null);
  // the next tab is at what the sheet is for, not at the key that closes it
  useEffect(() => {
    if (!open) return undefined;
    const timer = setTimeout(() => (content.current as unknown as HTMLElement | null)?.focus?.(), FOCUS_MS);
    return () => clearTimeout(timer);
  }, [open]);
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={onClose} aria-label={title}>
      <View className="flex-1 justify-end wide:items-center wide:justify-center">
        <Pressable
          aria-label={t('ui.close')}
          role="button"
          tabIndex={-1}
          onPress={onClose}
          className="absolute inset-0 bg-ink/50 dark:bg-sunk/80"
        />
        <View className="max-h-[88%] w-full rounded-t-plate border-edge border-ink bg-field wide:w-[560px] wide:rounded-b-plate">
          <View className="flex-row items-center justify-between border-b-hair border-line px-4 py-2">
            <Type kind="title" level={2} className="shrink">
              {title}
            </Type>
            <Key label={t('ui.close')} icon={X} bare onPress={onClose} kind="quiet" />
          </View>
          <ScrollView
            ref={content}
            {...({ tabIndex: -1 } as object)}
            aria-label={title}
            role="group"
            contentContainerClassName="gap-3 p-4 pb-8"
          >
            {children}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}

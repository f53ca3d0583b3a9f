import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { Key } from './Key';
import { Type } from './Type';
import { t } from '../words';

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
          <ScrollView contentContainerClassName="gap-3 p-4 pb-8">{children}</ScrollView>
        </View>
      </View>
    </Modal>
  );
}

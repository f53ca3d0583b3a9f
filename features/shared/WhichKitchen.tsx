import { clsx } from 'clsx';
import { usePathname } from 'expo-router';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useKitchen } from './kitchen';
import { useMounted } from './useNow';
import { useOtherKitchen } from './useOtherKitchen';

/**
 * Stands over every room of the choir's supper: none of it is the cook's own. A line of its own on a phone, in the line of
 * the rooms on a wide screen. It is in the exported page; a class of the page says whether it shows.
 */
export function WhichKitchen({ wide = false }: { wide?: boolean }) {
  const { which } = useKitchen();
  const path = usePathname();
  const mounted = useMounted();
  const shown = path !== '/' && (!mounted || which() === 'choir');
  const openOther = useOtherKitchen();
  if (!shown) return null;
  return (
    <View
      role={wide ? 'group' : 'complementary'}
      aria-label={t('shared.whichKitchen')}
      testID={wide ? 'choir-wide' : 'choir'}
      className={clsx(
        'of-choir flex-row items-center gap-2 print:hidden',
        wide ? 'wide-only mr-2' : 'phone-only justify-between border-b-hair border-line bg-plate px-3',
      )}
    >
      <Type kind="small" className="shrink py-1">
        {t('shared.theChoirsSupperMadeUp')}
      </Type>
      <Key
        label={t('shared.myKitchen')}
        kind="quiet"
        size="line"
        className="underline flat:min-h-[28px]"
        onPress={() => void openOther('own')}
      />
    </View>
  );
}

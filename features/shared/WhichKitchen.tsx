import { usePathname } from 'expo-router';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useKitchen } from './kitchen';
import { useMounted } from './useNow';
import { useOtherKitchen } from './useOtherKitchen';

/**
 * Stands over every room of the choir's supper: none of it is the cook's own. It is in the exported page; a class of the page
 * says whether it shows.
 */
export function WhichKitchen() {
  const { which } = useKitchen();
  const path = usePathname();
  const mounted = useMounted();
  const shown = path !== '/' && (!mounted || which() === 'choir');
  const openOther = useOtherKitchen();
  if (!shown) return null;
  return (
    <View
      role="complementary"
      aria-label={t('shared.whichKitchen')}
      testID="choir"
      className="of-choir flex-row items-center justify-between gap-2 border-b-hair border-line bg-plate px-3 wide:px-6 print:hidden"
    >
      <Type kind="small" className="shrink py-1">
        {t('shared.theChoirsSupperMadeUp')}
      </Type>
      <Key
        label={t('shared.myKitchen')}
        kind="quiet"
        size="line"
        className="underline"
        onPress={() => void openOther('own')}
      />
    </View>
  );
}

import { View } from 'react-native';
import { REST_PLACES, type RestPlace } from '../../core/set/places';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { t } from '../../words';

/** Where the dish goes now: each place a key, each tap an event. */
export function WhereSheet({
  open,
  now,
  hot,
  glass,
  onPlace,
  onClose,
}: {
  open: boolean;
  now: RestPlace;
  /** still hot enough to crack cold glass and to warm its neighbours */
  hot: boolean;
  glass: boolean;
  onPlace: (where: RestPlace) => void;
  onClose: () => void;
}) {
  return (
    <Sheet open={open} title={t('setRoom.whereItStands')} onClose={onClose}>
      <View className="gap-2">
        {REST_PLACES.map((where) => (
          <Key
            key={where}
            size="amount"
            left
            once
            label={t(`stand.${where}`)}
            sub={t(`stand.${where}.sub`)}
            selected={where === now}
            onPress={() => {
              if (where !== now) onPlace(where);
              onClose();
            }}
          />
        ))}
      </View>
      {hot && glass ? <Notice text={t('setRoom.hotGlassCracks')} /> : null}
      {hot ? <Type tone="quiet">{t('setRoom.aHotDishWarms')}</Type> : null}
    </Sheet>
  );
}

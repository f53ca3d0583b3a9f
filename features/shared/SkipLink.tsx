import { t } from '../../words';

/** The first stop of the tab key: over the way between the rooms, into the room. */
export function SkipLink() {
  return (
    <a href="#room" className="skip">
      {t('shared.toTheRoom')}
    </a>
  );
}

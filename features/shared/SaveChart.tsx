import type { Chart } from '../../core/formats/chartSvg';
import { Key } from '../../ui/Key';
import { STRIP_WORDS } from '../../ui/SetStrip';
import type { CurvePoint } from '../../ui/SetCurve';
import type { Formatter } from '../../words/format';
import { t } from '../../words';
import { fileName, saveFile } from './saveFile';

/** The chart above, as a picture for a page or a printer. */
export function SaveChart({ name, chart }: { name: string; chart: () => Chart }) {
  return (
    <Key
      label={t('shared.saveAsSvg')}
      kind="quiet"
      className="self-start print:hidden"
      onPress={() =>
        void import('../../core/formats/chartSvg').then(({ chartSvg }) =>
          saveFile(`ovalis-${fileName(name)}.svg`, chartSvg(chart()), 'image/svg+xml'),
        )
      }
    />
  );
}

/** Middle and set over the hours after pouring. */
export const setChart = (
  title: string,
  says: string,
  points: readonly CurvePoint[],
  hours: number,
  fmt: Formatter,
): Chart => ({
  title,
  says,
  x: { name: t('shared.hoursSincePouring'), domain: [0, hours] },
  left: { name: t('shared.middle'), domain: [0, 100], tick: fmt.temp },
  right: {
    name: t('shared.set'),
    domain: [0, 5],
    tick: (v) => (v < 5 ? t(`word.${STRIP_WORDS[Math.floor(v)]!}`) : ''),
  },
  series: [
    { name: t('shared.middle'), on: 'left', points: points.map((p) => ({ x: p.hours, y: p.coreC })) },
    { name: t('shared.set'), on: 'right', points: points.map((p) => ({ x: p.hours, y: p.place })) },
  ],
});

import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { boxOf, liningOf, printScale, type LiningPiece } from '../../core/vessels/lining';
import { useCollection } from '../../storage/hooks';
import { Key } from '../../ui/Key';
import { LiningDrawing } from '../../ui/LiningDrawing';
import { Empty } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';

const cm = (mm: number) => `${(Math.round(mm) / 10).toFixed(1)} cm`;
const says = (p: LiningPiece): string => {
  switch (p.piece) {
    case 'disc':
      return `Disc, ${cm(p.diameterMm)} across`;
    case 'strip':
      return `${p.count > 1 ? `${p.count} strips` : 'Strip'}, ${cm(p.lengthMm)} long, ${cm(p.heightMm)} high`;
    case 'arc':
      return `Wall of a tin that tapers: compass at ${cm(p.innerMm)} and ${cm(p.outerMm)}, ${Math.round(p.angleDeg)}° round`;
    case 'sheet':
      return `Sheet, ${cm(p.lengthMm)} × ${cm(p.widthMm)}, folded up ${cm(p.foldMm)} all round`;
  }
};

/** Paper for the tin of a plan, drawn to scale and printable. */
export function LiningRoom() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const mounted = useMounted();
  const router = useRouter();
  const plans = useCollection('plans');
  const plan = mounted ? plans.data?.find((p) => p.id === id) : undefined;
  const [overhangMm, setOverhang] = useState(20);
  const form = plan?.dish.form;
  const back = <Key label="Back" onPress={() => router.replace(`/plan?id=${id ?? ''}` as '/plan')} />;
  if (!plan || !form)
    return (
      <Room name="Lining" title="Paper for the tin" actions={mounted ? back : null}>
        {mounted && plans.isSuccess ? (
          <Empty word="no tin here" text="Choose a dish whose shape is known in the plan, then come back." />
        ) : null}
      </Room>
    );
  const pieces = liningOf(form, plan.dish.heightMm, overhangMm);
  return (
    <Room name="Lining" title="Paper for the tin" sub={plan.name} actions={back}>
      <View className="gap-4 p-4 wide:px-8">
        <View className="max-w-[620px] gap-3 print:hidden">
          <Stepper
            name="Stands over the rim"
            value={overhangMm}
            unit="mm"
            step={5}
            min={0}
            max={80}
            onChange={setOverhang}
          />
          <Key kind="yolk" size="amount" label="Print it" onPress={() => window.print()} />
        </View>
        {pieces.map((p) => {
          const scale = printScale(p);
          return (
            <View key={p.piece} className="gap-2" testID={`lining-${p.piece}`}>
              <Type kind="title" level={2}>
                {says(p)}
              </Type>
              <Type tone="quiet">
                {scale === 1
                  ? 'Printed at its full size: cut it out and use it.'
                  : `Printed at ${scale === 2 ? 'half' : `a ${scale}th of`} its size: for the shape, cut by the figures.`}
                {p.piece === 'sheet'
                  ? ' Slit each corner along its slanting line to the fold.'
                  : p.piece === 'disc'
                    ? ''
                    : ' 2 cm of it lap over.'}
              </Type>
              <LiningDrawing drawn={p} box={boxOf(p)} scale={scale} label={says(p)} />
            </View>
          );
        })}
        <Type kind="small" tone="quiet">
          Print without scaling to the page, and lay a ruler on the 5 cm before you cut.
        </Type>
      </View>
    </Room>
  );
}

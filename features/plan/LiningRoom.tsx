import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { boxOf, liningOf, printScale, type LiningPiece } from '../../core/vessels/lining';
import { useCollection } from '../shared/stored';
import { Key } from '../../ui/Key';
import { LiningDrawing } from '../../ui/LiningDrawing';
import { Empty } from '../../ui/Notice';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { Room } from '../shared/Room';
import { useMounted } from '../shared/useNow';
import { learn, t } from '../../words';
import type { Formatter } from '../../words/format';
import { liningRoom } from '../../words/en/liningRoom';

learn(liningRoom);

const says = (p: LiningPiece, { across: cm }: Formatter): string => {
  switch (p.piece) {
    case 'disc':
      return t('planRoom.discAcross', { diameterMm: cm(p.diameterMm) });
    case 'strip':
      return t('planRoom.longHigh', {
        strip: p.count > 1 ? t('planRoom.strips', { countOf: p.count }) : t('planRoom.strip'),
        lengthMm: cm(p.lengthMm),
        heightMm: cm(p.heightMm),
      });
    case 'arc':
      return t('planRoom.wallOfATinThat', {
        innerMm: cm(p.innerMm),
        outerMm: cm(p.outerMm),
        angleDeg: Math.round(p.angleDeg),
      });
    case 'sheet':
      return t('planRoom.sheetFoldedUpAllRound', {
        lengthMm: cm(p.lengthMm),
        widthMm: cm(p.widthMm),
        foldMm: cm(p.foldMm),
      });
  }
};

/** Paper for the tin of a plan, drawn to scale and printable. */
export function LiningRoom() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const mounted = useMounted();
  const router = useRouter();
  const plans = useCollection('plans');
  const plan = mounted ? plans.data?.find((p) => p.id === id) : undefined;
  const fmt = useFormat();
  const [overhangMm, setOverhang] = useState(20);
  const form = plan?.dish.form;
  const back = <Key label={t('planRoom.back')} onPress={() => router.replace(`/plan?id=${id ?? ''}` as '/plan')} />;
  if (!plan || !form)
    return (
      <Room name={t('room.Lining')} title={t('planRoom.paperForTheTin')} actions={mounted ? back : null}>
        {mounted && plans.isSuccess ? (
          <Empty word={t('planRoom.noTinHere')} text={t('planRoom.chooseADishWhoseShape')} />
        ) : null}
      </Room>
    );
  const pieces = liningOf(form, plan.dish.heightMm, overhangMm);
  return (
    <Room name={t('room.Lining')} title={t('planRoom.paperForTheTin')} sub={plan.name} actions={back}>
      <View className="gap-4 p-4 wide:px-8">
        <View className="max-w-[620px] gap-3 print:hidden">
          <Stepper
            name={t('planRoom.standsOverTheRim')}
            value={overhangMm}
            unit="mm"
            step={5}
            min={0}
            max={80}
            onChange={setOverhang}
          />
          <Key kind="yolk" size="amount" label={t('planRoom.printIt')} onPress={() => window.print()} />
        </View>
        {pieces.map((p) => {
          const scale = printScale(p);
          return (
            <View key={p.piece} className="gap-2" testID={`lining-${p.piece}`}>
              <Type kind="title" level={2}>
                {says(p, fmt)}
              </Type>
              <Type tone="quiet">
                {scale === 1
                  ? t('planRoom.printedAtItsFullSize')
                  : t('planRoom.printedAtItsSizeFor', {
                      of: scale === 2 ? t('planRoom.half') : t('planRoom.aThOf', { scale }),
                    })}
                {p.piece === 'sheet'
                  ? t('planRoom.slitEachCornerAlongIts')
                  : p.piece === 'disc'
                    ? ''
                    : t('planRoom.2CmOfItLap')}
              </Type>
              <LiningDrawing drawn={p} box={boxOf(p)} scale={scale} label={says(p, fmt)} />
            </View>
          );
        })}
        <Type kind="small" tone="quiet">
          {t('planRoom.printWithoutScalingToThe')}
        </Type>
      </View>
    </Room>
  );
}

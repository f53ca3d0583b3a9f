import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { DishSchema, PanSchema } from '../../core/pantry/kitchen';
import { VesselSchema, volumeMl, type Vessel } from '../../core/vessels/vessel';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { fieldError, numberOf, typedNumber } from '../shared/typed';
import { newId } from '../shared/ids';
import { t } from '../../words';

const MeasuresSchema = z.object({
  name: VesselSchema.shape.name,
  use: VesselSchema.shape.use,
  shape: z.enum(['round', 'square']),
  a: typedNumber(20, 600),
  b: typedNumber(20, 600),
  height: typedNumber(10, 400),
  wall: DishSchema.shape.wall,
  material: PanSchema.shape.material,
});
type Typed = z.input<typeof MeasuresSchema>;

const shapeOf = (shape: 'round' | 'square', a: number, b: number): Vessel['form'] =>
  shape === 'round' ? { shape, topMm: a, baseMm: b } : { shape, lengthMm: a, widthMm: b };

/** A pan or a dish of the cook's own, by a ruler. */
export function VesselForm({ use, onDone }: { use: Vessel['use']; onDone: (v: Vessel) => void }) {
  const fmt = useFormat();
  const { control, handleSubmit, formState } = useForm<Typed, unknown, z.output<typeof MeasuresSchema>>({
    resolver: zodResolver(MeasuresSchema),
    defaultValues: {
      name: '',
      use,
      shape: 'round',
      a: '200',
      b: '200',
      height: use === 'pan' ? '110' : '50',
      wall: 'metal',
      material: 'steel',
    },
  });
  const [shape, a, b, height] = useWatch({ control, name: ['shape', 'a', 'b', 'height'] });
  const [na, nb, nh] = [numberOf(a), numberOf(b), numberOf(height)];
  const ml = na > 0 && nb > 0 && nh > 0 ? volumeMl(shapeOf(shape, na, nb), nh, nh) : undefined;
  const field = (name: 'name' | 'a' | 'b' | 'height', label: string, unit?: string) => (
    <Controller
      control={control}
      name={name}
      render={({ field: f }) => (
        <Field
          label={label}
          {...(unit ? { unit, inputMode: 'decimal' as const } : { maxLength: 40 })}
          value={f.value}
          onChangeText={f.onChange}
          onBlur={f.onBlur}
          error={fieldError(formState.errors[name]?.message)}
        />
      )}
    />
  );
  const choice = <K extends 'shape' | 'wall' | 'material'>(
    name: K,
    label: string,
    options: readonly { value: Typed[K]; label: string }[],
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field: f }) => (
        <Choices label={label} value={f.value as Typed[K] & string} options={options as never} onChoose={f.onChange} />
      )}
    />
  );
  return (
    <>
      {field('name', t('planRoom.whatYouCallIt'))}
      {choice('shape', t('planRoom.fromAbove'), [
        { value: 'round', label: t('planRoom.round') },
        { value: 'square', label: t('planRoom.withCorners') },
      ])}
      {field('a', shape === 'round' ? t('planRoom.acrossTheRim') : t('planRoom.lengthInside'), 'mm')}
      {field('b', shape === 'round' ? t('planRoom.acrossTheBase') : t('planRoom.widthInside'), 'mm')}
      {field('height', t('planRoom.heightInside'), 'mm')}
      {use === 'pan'
        ? choice(
            'material',
            t('planRoom.madeOf'),
            PanSchema.shape.material.options.map((v) => ({ value: v, label: t(`made.${v}`) })),
          )
        : choice(
            'wall',
            t('planRoom.madeOf'),
            DishSchema.shape.wall.options.map((v) => ({ value: v, label: t(`made.${v}`) })),
          )}
      {ml ? <Type kind="strong">{t('planRoom.holdsToTheBrim', { value: fmt.ml(ml) })}</Type> : null}
      <Key
        kind="yolk"
        size="amount"
        label={t('planRoom.keepIt')}
        onPress={() =>
          void handleSubmit((typed) =>
            onDone(
              VesselSchema.parse({
                id: newId('vessel'),
                name: typed.name,
                use,
                form: shapeOf(typed.shape, numberOf(typed.a), numberOf(typed.b)),
                heightMm: numberOf(typed.height),
                ...(use === 'pan' ? { material: typed.material } : { wall: typed.wall }),
              }),
            ),
          )()
        }
      />
    </>
  );
}

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
import { newId } from '../shared/ids';

const mm = (what: string, from: number, to: number) =>
  z.coerce
    .number(`${what} should be a number of mm`)
    .min(from, `${what} should be ${from} mm or more`)
    .max(to, `${what} should be ${to} mm or less`);

const MeasuresSchema = z.object({
  name: VesselSchema.shape.name,
  use: VesselSchema.shape.use,
  shape: z.enum(['round', 'square']),
  a: mm('It', 20, 600),
  b: mm('It', 20, 600),
  height: mm('The height', 10, 400),
  wall: DishSchema.shape.wall,
  material: PanSchema.shape.material,
});
type Typed = {
  name: string;
  use: Vessel['use'];
  shape: 'round' | 'square';
  a: string;
  b: string;
  height: string;
  wall: z.infer<typeof DishSchema>['wall'];
  material: z.infer<typeof PanSchema>['material'];
};

const shapeOf = (shape: 'round' | 'square', a: number, b: number): Vessel['form'] =>
  shape === 'round' ? { shape, topMm: a, baseMm: b } : { shape, lengthMm: a, widthMm: b };

/** A pan or a dish of the cook's own, by a ruler. */
export function VesselForm({ use, onDone }: { use: Vessel['use']; onDone: (v: Vessel) => void }) {
  const fmt = useFormat();
  const { control, handleSubmit, formState } = useForm<Typed>({
    resolver: zodResolver(MeasuresSchema as never),
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
  const [na, nb, nh] = [Number(a), Number(b), Number(height)];
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
          error={formState.errors[name]?.message}
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
      {field('name', 'What you call it')}
      {choice('shape', 'From above', [
        { value: 'round', label: 'round' },
        { value: 'square', label: 'with corners' },
      ])}
      {field('a', shape === 'round' ? 'Across the rim' : 'Length inside', 'mm')}
      {field('b', shape === 'round' ? 'Across the base' : 'Width inside', 'mm')}
      {field('height', 'Height inside', 'mm')}
      {use === 'pan'
        ? choice(
            'material',
            'Made of',
            PanSchema.shape.material.options.map((v) => ({ value: v, label: v })),
          )
        : choice(
            'wall',
            'Made of',
            DishSchema.shape.wall.options.map((v) => ({ value: v, label: v })),
          )}
      {ml ? <Type kind="strong">{`Holds ${fmt.ml(ml)} to the brim.`}</Type> : null}
      <Key
        kind="yolk"
        size="amount"
        label="Keep it"
        onPress={() =>
          void handleSubmit((t) =>
            onDone(
              VesselSchema.parse({
                id: newId('vessel'),
                name: t.name,
                use,
                form: shapeOf(t.shape, Number(t.a), Number(t.b)),
                heightMm: Number(t.height),
                ...(use === 'pan' ? { material: t.material } : { wall: t.wall }),
              }),
            ),
          )()
        }
      />
    </>
  );
}

import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { typed } from './typed';

/**
 * A form of one figure: `figure` is what is typed once it is right, undefined until then. What was typed stays, and what
 * is wrong with it is said by `FormField` at its place.
 * @param wanted its limits, with the sentence for what is beyond them
 */
export function useFigure(wanted: z.ZodType<number>) {
  const schema = z.object({ figure: typed(wanted) });
  const { control, handleSubmit, reset } = useForm({
    resolver: zodResolver(schema),
    mode: 'onChange',
    defaultValues: { figure: '' },
  });
  const read = schema.safeParse({ figure: useWatch({ control, name: 'figure' }) });
  return {
    control,
    figure: read.success ? read.data.figure : undefined,
    clear: () => reset(),
    /** takes the figure and empties the field */
    take: (use: (figure: number) => void) => () =>
      void handleSubmit(({ figure }) => {
        use(figure);
        reset();
      })(),
  };
}

import { fireEvent, render, screen } from '@testing-library/react-native';
import { useEffect } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { UsUnits } from '../../ui/units';
import { FormField } from './FormField';

function Form({ asLabelled = false, onGrams }: { asLabelled?: boolean; onGrams?: (grams: string) => void }) {
  const { control } = useForm({ defaultValues: { grams: '100' } });
  const grams = useWatch({ control, name: 'grams' });
  useEffect(() => onGrams?.(grams), [grams, onGrams]);
  return <FormField control={control} name="grams" label="How much" unit="g" asLabelled={asLabelled} />;
}
/** What the form holds. */
const held = jest.fn<void, [string]>();
const now = () => held.mock.lastCall?.[0];
const inUs = (form: React.ReactElement) => render(<UsUnits value>{form}</UsUnits>);

describe('grams that are typed', () => {
  it('are grams for a metric cook', () => {
    render(<Form onGrams={held} />);
    fireEvent.changeText(screen.getByLabelText('How much, g'), '250');
    expect(now()).toBe('250');
  });
  it('are ounces for a cook of the US, and grams in the form; what is half typed stays', () => {
    inUs(<Form onGrams={held} />);
    const field = screen.getByLabelText('How much, oz');
    expect(field.props.value).toBe('3.53');
    fireEvent.changeText(field, '8');
    expect(Number(now())).toBeCloseTo(226.8, 1);
    fireEvent.changeText(field, '8.');
    expect(screen.getByLabelText('How much, oz').props.value).toBe('8.');
    fireEvent.changeText(field, 'a handful');
    expect(screen.getByLabelText('How much, oz').props.value).toBe('a handful');
    expect(now()).toBe('a handful');
  });
  it('stay grams where they are copied off a label', () => {
    inUs(<Form asLabelled />);
    expect(screen.getByLabelText('How much, g').props.value).toBe('100');
  });
});

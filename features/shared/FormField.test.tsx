import { fireEvent, render, screen } from '@testing-library/react-native';
import { useForm } from 'react-hook-form';
import { UsUnits } from '../../ui/units';
import { FormField } from './FormField';

let value = '';
function Form({ asLabelled = false }: { asLabelled?: boolean }) {
  const { control, watch } = useForm({ defaultValues: { grams: '100' } });
  value = String(watch('grams'));
  return <FormField control={control} name="grams" label="How much" unit="g" asLabelled={asLabelled} />;
}
const inUs = (form: React.ReactElement) => render(<UsUnits value>{form}</UsUnits>);

describe('grams that are typed', () => {
  it('are grams for a metric cook', () => {
    render(<Form />);
    fireEvent.changeText(screen.getByLabelText('How much, g'), '250');
    expect(value).toBe('250');
  });
  it('are ounces for a cook of the US, and grams in the form; what is half typed stays', () => {
    inUs(<Form />);
    const field = screen.getByLabelText('How much, oz');
    expect(field.props.value).toBe('3.53');
    fireEvent.changeText(field, '8');
    expect(Number(value)).toBeCloseTo(226.8, 1);
    fireEvent.changeText(field, '8.');
    expect(screen.getByLabelText('How much, oz').props.value).toBe('8.');
    fireEvent.changeText(field, 'a handful');
    expect(screen.getByLabelText('How much, oz').props.value).toBe('a handful');
    expect(value).toBe('a handful');
  });
  it('stay grams where they are copied off a label', () => {
    inUs(<Form asLabelled />);
    expect(screen.getByLabelText('How much, g').props.value).toBe('100');
  });
});

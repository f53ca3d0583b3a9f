import { fireEvent, render, screen } from '@testing-library/react-native';
import { axis } from './axis';
import { Choices } from './Choices';
import { HobOvals } from './HobOvals';
import { Key } from './Key';
import { UsUnits } from './units';
import { SetStrip } from './SetStrip';
import { Stepper } from './Stepper';

describe('Stepper', () => {
  const show = (value: number, step = 5) => {
    const onChange = jest.fn();
    render(<Stepper name="sugar" unit="g" value={value} step={step} min={0} max={100} onChange={onChange} />);
    return onChange;
  };
  it('goes to the next round step, up and down', () => {
    const onChange = show(72);
    fireEvent.press(screen.getByLabelText('more sugar'));
    fireEvent.press(screen.getByLabelText('less sugar'));
    // how much more it is, from what was set last
    expect(onChange.mock.calls).toEqual([
      [75, 3],
      [70, -5],
    ]);
  });
  it('stops at its ends', () => {
    const onChange = show(100);
    fireEvent.press(screen.getByLabelText('more sugar'));
    expect(onChange).toHaveBeenLastCalledWith(100, 0);
  });
  it('takes a typed number with comma or point', () => {
    const onChange = show(72);
    fireEvent.changeText(screen.getByLabelText('sugar, g'), '12,5');
    expect(onChange).toHaveBeenLastCalledWith(12.5);
  });
  it('keeps what was typed wrong, says what would be right, and changes nothing', () => {
    const onChange = show(72);
    fireEvent.changeText(screen.getByLabelText('sugar, g'), '1200');
    fireEvent(screen.getByLabelText('sugar, g'), 'blur');
    expect(screen.getByLabelText('sugar, g').props.value).toBe('1200');
    expect(screen.getByRole('alert')).toHaveTextContent('sugar: a number from 0 to 100 g would do.');
    expect(onChange).not.toHaveBeenCalled();
  });
});

describe('Choices', () => {
  it('is a radio group with one chosen', () => {
    const onChoose = jest.fn();
    render(
      <Choices
        label="Cover"
        value="on"
        options={[
          { value: 'on', label: 'lies on it' },
          { value: 'off', label: 'open' },
        ]}
        onChoose={onChoose}
      />,
    );
    fireEvent.press(screen.getByLabelText('open'));
    expect(onChoose).toHaveBeenCalledWith('off');
    expect(screen.getByLabelText('lies on it').props.accessibilityState.checked).toBe(true);
  });
});

describe('Stepper in ounces', () => {
  const show = (value: number, step: number) => {
    const onChange = jest.fn();
    render(
      <UsUnits value>
        <Stepper name="starch" unit="g" value={value} step={step} max={2000} onChange={onChange} />
      </UsUnits>,
    );
    return onChange;
  };
  it('shows and steps in ounces, and gives grams', () => {
    const onChange = show(28.35, 1);
    const field = screen.getByLabelText('starch, oz');
    expect(field.props['value']).toBe('1');
    fireEvent.press(screen.getByLabelText('more starch'));
    expect(onChange.mock.calls[0]![0]).toBeCloseTo(1.05 * 28.35, 1);
    fireEvent.changeText(field, '2');
    expect(onChange.mock.lastCall![0]).toBeCloseTo(56.7, 1);
  });
  it('goes there and back by its keys', () => {
    let grams = 500;
    const drawn = () => (
      <UsUnits value>
        <Stepper name="milk" unit="g" value={grams} step={25} onChange={(g) => (grams = g)} />
      </UsUnits>
    );
    const { rerender } = render(drawn());
    const draw = () => rerender(drawn());
    for (const key of ['more milk', 'less milk', 'more milk']) {
      fireEvent.press(screen.getByLabelText(key));
      draw();
    }
    expect(grams / 28.349523).toBeCloseTo(18, 1);
  });
});

describe('HobOvals', () => {
  it('is a slider of nine marks for the keys, and says where to turn it', () => {
    const onSet = jest.fn();
    render(<HobOvals now={6} target={4} onSet={onSet} />);
    const slider = screen.getByLabelText('hob setting');
    expect(slider.props['aria-valuetext']).toBe('hob 6 of 9, to be turned to 4');
    const press = (key: string) => slider.props['onKeyDown']({ key, preventDefault: () => undefined });
    for (const key of ['ArrowLeft', 'ArrowUp', 'Home', 'End', 'x']) press(key);
    expect(onSet.mock.calls).toEqual([[5], [7], [1], [9]]);
    fireEvent.press(screen.getByTestId('hob-3', { includeHiddenElements: true }));
    expect(onSet).toHaveBeenLastCalledWith(3);
  });
});

describe('Key', () => {
  it('an act is done once by a thumb that bounces; amounts are tapped as fast as they come', () => {
    const [act, more] = [jest.fn(), jest.fn()];
    render(
      <>
        <Key label="Poured" size="act" onPress={act} />
        <Key label="+" size="amount" onPress={more} />
      </>,
    );
    for (const name of ['Poured', '+'])
      for (const detail of [1, 2, 3]) fireEvent.press(screen.getByLabelText(name), { nativeEvent: { detail } });
    // a keyboard counts no clicks
    fireEvent.press(screen.getByLabelText('Poured'), { nativeEvent: { detail: 0 } });
    expect(act).toHaveBeenCalledTimes(2);
    expect(more).toHaveBeenCalledTimes(3);
  });
  it('does nothing while disabled', () => {
    const onPress = jest.fn();
    render(<Key label="Undo" disabled onPress={onPress} />);
    fireEvent.press(screen.getByLabelText('Undo'));
    expect(onPress).not.toHaveBeenCalled();
  });
  it('is read with its second line', () => {
    render(<Key label="+3 g starch" sub="sets to mounds" />);
    expect(screen.getByLabelText('+3 g starch. sets to mounds')).toBeTruthy();
  });
});

describe('SetStrip', () => {
  it('moves its place by the thumb: a fifth of its width is one word', () => {
    const onDrag = jest.fn();
    const onDragEnd = jest.fn();
    render(<SetStrip label="strip" place={2} onDrag={onDrag} onDragEnd={onDragEnd} />);
    const strip = screen.getByLabelText('strip');
    const touch = (pageX: number) => ({ nativeEvent: { pageX } });
    fireEvent(strip, 'layout', { nativeEvent: { layout: { width: 500 } } });
    fireEvent(strip, 'responderGrant', touch(100));
    fireEvent(strip, 'responderMove', touch(200));
    expect(onDrag).toHaveBeenLastCalledWith(3);
    fireEvent(strip, 'responderMove', touch(5000));
    expect(onDrag).toHaveBeenLastCalledWith(4.95);
    fireEvent(strip, 'responderRelease', touch(5000));
    expect(onDragEnd).toHaveBeenCalledTimes(1);
  });
});

describe('axis', () => {
  it('is linear and clamped', () => {
    const a = axis([0, 10], [0, 100]);
    expect([a.at(5), a.at(-1), a.at(99)]).toEqual([50, 0, 100]);
  });
});

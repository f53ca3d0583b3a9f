import { act, renderHook } from '@testing-library/react-native';
import { local } from '../../storage/local';
import { useRinging, useStandingMoments, type StandingMoment } from './StandingCalls';
import { heardSound, within } from './testingKitchen';

const sound = heardSound();
const wrapper = within({ sound, clock: () => Date.now() });
const ways = { sound: true, vibrates: true, flashes: true, speaks: false, notifies: 'no' as const };
const said = () => sound.call.mock.calls.map(([, line]) => line);
const after = (ms: number) => act(() => jest.advanceTimersByTime(ms));
const inMin = (min: number, id = 'set'): StandingMoment => ({ id, atMs: Date.now() + 60_000 * min, says: `${id} now` });

/** The Set room says so and is left. */
function setRoomSays(moments: StandingMoment[]) {
  const { unmount } = renderHook(() => useStandingMoments('cook-1', moments), { wrapper });
  unmount();
}
const anyRoom = () => renderHook(() => useRinging(ways), { wrapper });

beforeEach(() => {
  jest.useFakeTimers({ now: Date.UTC(2026, 11, 11, 12) });
  sound.call.mockClear();
  local().removeItem('ovalis-standing choir');
});
afterEach(() => jest.useRealTimers());

describe('a dish that stands', () => {
  it('calls once at its moment, in whatever room', () => {
    anyRoom();
    setRoomSays([inMin(30), inMin(50, 'cold')]);
    after(29 * 60_000);
    expect(said()).toEqual([]);
    after(61_000);
    expect(said()).toEqual(['set now']);
    after(60 * 60_000);
    expect(said()).toEqual(['set now', 'cold now']);
  });
  it('is not forgotten by a reload, and does not call again after one', () => {
    setRoomSays([inMin(10)]);
    const first = anyRoom();
    first.unmount();
    anyRoom();
    after(11 * 60_000);
    expect(said()).toEqual(['set now']);
    anyRoom();
    after(60_000);
    expect(said()).toEqual(['set now']);
  });
  it('calls by what was said last, and not at all once it was turned out', () => {
    anyRoom();
    setRoomSays([inMin(10)]);
    setRoomSays([inMin(20)]);
    after(11 * 60_000);
    expect(said()).toEqual([]);
    setRoomSays([]);
    after(60 * 60_000);
    expect(said()).toEqual([]);
  });
  it('that was due long ago is shown, not called', () => {
    setRoomSays([inMin(-10)]);
    anyRoom();
    after(60_000);
    expect(said()).toEqual([]);
  });
  it('lives with a note that was torn', () => {
    local().setItem('ovalis-standing choir', '[{"of":');
    anyRoom();
    setRoomSays([inMin(1)]);
    after(61_000);
    expect(said()).toEqual(['set now']);
  });
});

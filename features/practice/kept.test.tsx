import { act, renderHook } from '@testing-library/react-native';
import { runOf } from '../../core/practice/asPlanned';
import { testPlan } from '../../core/testing';
import { local } from '../../storage/local';
import { keepOpen, keepTried, useKept } from './kept';

const KEY = 'ovalis-practice';
const AT = '2026-12-11T12:00:00Z';

describe('what is kept of practising', () => {
  beforeEach(() => local().removeItem(KEY));
  it('counts tries, and keeps when it was first managed', () => {
    const { result } = renderHook(() => useKept());
    act(() => keepTried('slurry', false, AT));
    act(() => keepTried('slurry', true, AT));
    act(() => keepTried('slurry', true, '2026-12-12T12:00:00Z'));
    expect(result.current).toMatchObject({ tries: { slurry: 3 }, met: { slurry: AT } });
  });
  it('finds the pot that was left standing, and forgets one that was left', () => {
    const { result } = renderHook(() => useKept());
    const run = runOf(testPlan(), [{ do: 'hob', atS: 3, setting: 4 }]);
    act(() => keepOpen(run, 12));
    expect(result.current.open).toEqual({ run, tS: 12 });
    act(() => keepOpen(undefined));
    expect(result.current.open).toBeUndefined();
  });
  it('begins anew where the note is torn, and says nothing false', () => {
    local().setItem(KEY, '{"version":1,"tries":{"slurry":');
    const { result } = renderHook(() => useKept());
    expect(result.current).toEqual({ version: 1, tries: {}, met: {} });
    act(() => keepTried('moment', true, AT));
    expect(result.current.met).toEqual({ moment: AT });
  });
});

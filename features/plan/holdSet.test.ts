import { scale, withGrams } from '../../core/plan/amounts';
import type { Plan } from '../../core/plan/plan';
import { testPlan } from '../../core/testing';
import { holdSet } from './holdSet';

const gramsOf = (plan: Plan, id: string) => plan.things.find((i) => i.ingredientId === id)!.grams;

/** A kitchen with one plan and a solver that answers when the test says so. */
function slowKitchen() {
  let stored = testPlan();
  const asked: { plan: Plan; answer: (grams: number | undefined) => void }[] = [];
  const busy: boolean[] = [];
  const hold = holdSet(
    (plan) => new Promise((answer) => asked.push({ plan, answer })),
    (_id, change) => (stored = change(stored)),
    (b) => busy.push(b),
  );
  /** as the room does: the change is stored at once, the held set follows */
  const change = (edit: (p: Plan) => Plan) => {
    stored = edit(stored);
    return hold.follow(stored, 'cornstarch', 50);
  };
  /** another room, or another tab */
  const rename = (name: string) => (stored = { ...stored, name });
  return { stored: () => stored, asked, busy, hold, change, rename };
}

describe('the set is held while the solver works', () => {
  it('a scale that was tapped before the answer came stays, and is asked for', async () => {
    const k = slowKitchen();
    const milk = gramsOf(k.stored(), 'milk_whole');
    const first = k.change((p) => withGrams(p, 'sugar', 90));
    expect(k.hold.busy()).toBe(true);
    const second = k.change((p) => scale(p, 2));
    k.asked[0]!.answer(31);
    await first;
    expect(gramsOf(k.stored(), 'milk_whole')).toBe(2 * milk);
    expect(gramsOf(k.stored(), 'cornstarch')).not.toBe(31);
    expect(gramsOf(k.asked[1]!.plan, 'milk_whole')).toBe(2 * milk);
    k.asked[1]!.answer(62.2);
    await second;
    expect([gramsOf(k.stored(), 'cornstarch'), gramsOf(k.stored(), 'sugar')]).toEqual([62, 180]);
    expect(gramsOf(k.stored(), 'milk_whole')).toBe(2 * milk);
    expect(k.busy).toEqual([true, true, false]);
  });
  it('the answer is laid over what is there by then: a name given meanwhile stays', async () => {
    const k = slowKitchen();
    const waiting = k.change((p) => withGrams(p, 'sugar', 90));
    k.rename('Basses first');
    k.asked[0]!.answer(33);
    await waiting;
    expect(k.stored().name).toBe('Basses first');
    expect([gramsOf(k.stored(), 'cornstarch'), gramsOf(k.stored(), 'sugar')]).toEqual([33, 90]);
  });
  it('where no amount keeps it, nothing is changed and the waiting ends', async () => {
    const k = slowKitchen();
    const before = gramsOf(k.stored(), 'cornstarch');
    const waiting = k.change((p) => withGrams(p, 'sugar', 400));
    k.asked[0]!.answer(undefined);
    await waiting;
    expect(gramsOf(k.stored(), 'cornstarch')).toBe(before);
    expect(k.busy).toEqual([true, false]);
  });
});

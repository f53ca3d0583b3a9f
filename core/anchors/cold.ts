import { forecast } from '../model/forecast';
import { coolInDish, type CoolingPlan } from '../set/cooling';
import { hoursBelow } from '../set/safety';
import { frozenOf } from '../set/frozen';
import { rowsOf, type Anchor } from './anchor';
import { dishOf } from './dishes';

const anchor = rowsOf('Cold and frozen');
const CUP: CoolingPlan['dish'] = { kind: 'cup', count: 1, capacityMl: 165, heightMm: 60, wall: 'ceramic' };
const cup = (stays: CoolingPlan['stays']) => coolInDish({ dish: CUP, depthM: 0.0545, startC: 85, stays, hours: 12 });
/** Sticks of a cream that was cooked down, with 17 % of sugar; into the freezer at room temperature. */
const STICK: CoolingPlan['dish'] = { kind: 'mould', count: 1, capacityMl: 95, heightMm: 95, wall: 'plastic' };
const STICK_SUGAR = 0.2;
const STICK_WATER = 0.7;
const stick = () =>
  coolInDish({
    dish: STICK,
    depthM: 0.086,
    startC: 21,
    stays: [{ where: 'freezer', minutes: 900, airC: -18, covered: true }],
    hours: 15,
    sugarFraction: STICK_SUGAR,
    waterShare: STICK_WATER,
  }).find((p) => p.ice > 0.95)!.hours;
const pulls = () => frozenOf(7, -16, 21, STICK_SUGAR, STICK_WATER);

/** A set pudding as everybody makes it: poured into cups, covered, a while in the room, then into the fridge. */
const ordinary = () => forecast({ ...dishOf({ items: { sugar: 80, cornstarch: 48 } }), dish: { ...CUP, count: 7 } });

const layer = (cooling: 'freezer'): number => {
  const plan = dishOf({
    items: { sugar: 80, cornstarch: 85 },
    style: 'cut',
    word: 'slices',
    depthMm: 25,
    choices: { cooling },
  });
  return (
    60 *
    forecast({
      ...plan,
      dish: { ...plan.dish, kind: 'tray', count: 1, capacityMl: plan.dish.capacityMl * 6, wall: 'metal' },
      rest: { ...plan.rest, roomMin: 5 },
    }).touchH
  );
};

export const COLD_ANCHORS: readonly Anchor[] = [
  anchor('covered cup of 150 ml on the table of a kitchen at 16 degC: below 21 degC', 'h', [1.5, 2.5], () =>
    hoursBelow(cup([{ where: 'room', minutes: 900, airC: 16, covered: true }]), 21),
  ),
  anchor('the same in a fridge at 3 degC: 5 degC', 'h', [4, 6], () =>
    hoursBelow(
      cup([
        { where: 'room', minutes: 20, airC: 20, covered: true },
        { where: 'fridge', minutes: 900, airC: 3, covered: true },
      ]),
      5,
    ),
  ),
  anchor('a layer of 2.5 cm in the freezer: set to the touch', 'min', [35, 60], () => layer('freezer')),
  anchor('sticks of a milk cream at -18 degC: frozen through', 'h', [6, 8], stick),
  anchor('a stick pulls in the room', 'min', [1, 3], () => pulls().pullsRoomS / 60),
  anchor('and under warm water', 's', [1, 15], () => pulls().pullsWaterS),
  anchor(
    'a covered cup cooled the ordinary way: cautions about cooling',
    'cautions',
    [0, 0],
    () => ordinary().cautions.filter((c) => c.id === 'cooling').length,
  ),
];

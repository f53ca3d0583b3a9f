import { foamIndex } from '../pot/foam';
import { netW } from '../pot/hob';
import { massG, PUDDING_G_PER_ML } from '../matter/mixture';
import { mainLiquid, wholeMixture } from '../plan/bowls';
import type { Plan } from '../plan/plan';
import { dishAreaM2, type Form } from '../pantry/kitchen';
import { depthOfMm } from './vessel';

/** J to turn a gram of water to steam. */
const LATENT = 2257;
/** Share of the net heat that can leave as bubbles at the boil (C). */
const TO_BUBBLES = 0.7;

export type PanFit = {
  /** ml that go in, ml to the rim, mm from the milk to the rim */
  holdsMl: number;
  goesInMl: number;
  headroomMm: number;
  /** foam against the head-room at the fire it is brought up on, and at the one it cooks on; above 1 it comes over */
  foamUp: number;
  foamOn: number;
  says: 'fits' | 'watch it' | 'too small';
};

/** Whether the pan takes it, foam included. */
export function panFit(plan: Plan): PanFit {
  const goesInMl = massG(wholeMixture(plan)) / PUDDING_G_PER_ML;
  const areaM2 = (Math.PI * (plan.pan.diameterMm / 1000) ** 2) / 4;
  const holdsMl = areaM2 * plan.pan.heightMm * 1000;
  const headroomMm = plan.pan.heightMm - goesInMl / (areaM2 * 1000);
  const foam = (setting: number) =>
    headroomMm <= 0
      ? Infinity
      : foamIndex({
          base: mainLiquid(plan)?.base ?? 'water',
          vapourKgPerS: (TO_BUBBLES * netW(plan.hob, setting)) / LATENT / 1000,
          areaM2,
          headroomM: headroomMm / 1000,
          viscosityPaS: 0.02,
          stirred: plan.method.stirEveryS <= 15,
          skin: false,
          lid: plan.choices.stirring === 'lid on, now and then',
        });
  const foamUp = foam(plan.method.heatSetting);
  const foamOn = foam(plan.method.simmerSetting);
  return {
    holdsMl,
    goesInMl,
    headroomMm,
    foamUp,
    foamOn,
    says: headroomMm < 15 || foamOn > 1 ? 'too small' : foamUp > 1 || foamOn > 0.5 ? 'watch it' : 'fits',
  };
}

export type DishFit = {
  depthMm: number;
  fillRel: number;
  /** dishes that would be filled to nine tenths */
  dishesNeeded: number;
  portions: number;
  overMl: number;
};

/** Whether the dishes take what comes out of the pot. @param endMassG from the forecast */
export function dishFit(plan: Plan, endMassG: number): DishFit {
  const ml = endMassG / PUDDING_G_PER_ML;
  const { dish } = plan;
  const each = ml / dish.count;
  const depthMm = dish.form
    ? depthOfMm(dish.form, dish.heightMm, each)
    : Math.min(dish.heightMm, (each * 1e-3) / dishAreaM2(dish));
  return {
    depthMm,
    fillRel: each / dish.capacityMl,
    dishesNeeded: Math.max(1, Math.ceil(ml / (dish.capacityMl * 0.9))),
    portions: Math.floor(endMassG / plan.portionG + 0.05),
    overMl: Math.max(0, ml - dish.count * dish.capacityMl),
  };
}

export type CutGrid =
  | { cut: 'squares'; rows: number; columns: number; pieceMm: readonly [number, number]; pieces: number }
  | { cut: 'wedges'; pieces: number; angleDeg: number; rimMm: number };

/**
 * How to cut one dish into at least `portions` pieces: wedges of a round one, pieces as square as can be of the other.
 * @throws RangeError unless portions is 1 or more
 */
export function cutGrid(form: Form, portions: number): CutGrid {
  if (!(portions >= 1)) throw new RangeError(`${portions} portions; it should be 1 or more`);
  const n = Math.ceil(portions);
  if (form.shape === 'round') return { cut: 'wedges', pieces: n, angleDeg: 360 / n, rimMm: (Math.PI * form.topMm) / n };
  const cost = (rows: number) => {
    const columns = Math.ceil(n / rows);
    const a = form.lengthMm / columns;
    const b = form.widthMm / rows;
    // as square as can be; a spare piece costs as much as a tenth of squareness
    return { rows, columns, cost: Math.abs(Math.log(a / b)) + (0.1 * (rows * columns - n)) / n, a, b };
  };
  const best = Array.from({ length: n }, (_, i) => cost(i + 1)).reduce((x, y) => (y.cost < x.cost ? y : x));
  return {
    cut: 'squares',
    rows: best.rows,
    columns: best.columns,
    pieceMm: [best.a, best.b],
    pieces: best.rows * best.columns,
  };
}

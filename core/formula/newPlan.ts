import { PANS, HOBS, DISHES } from '../pantry/kitchen';
import type { Pantry } from '../pantry/pantry';
import { suggestSettings } from '../pot/hob';
import { GEL } from '../set/firmness';
import { refreshCarveOuts } from './amounts';
import type { Plan } from './plan';

export type Start = { id: string; name: string; milkId: string; people: number; portionG: number; serveAt: string };

/** A sensible first plan for a milk and a number of people: to be solved for its word afterwards. */
export function newPlan(s: Start, pantry: Pantry): Plan {
  const totalG = s.people * s.portionG * 1.07;
  const pan = { ...(totalG > 2200 ? PANS[2]! : totalG < 500 ? PANS[0]! : PANS[1]!) };
  const { name: _ring, ...hob } = (totalG > 1400 ? HOBS[2] : HOBS[1])!;
  const { name: _dish, ...dish } = DISHES[1]!;
  const plan: Plan = {
    format: 'ovalis-plan',
    version: 2,
    id: s.id,
    name: s.name,
    family: 'starch-set milk pudding',
    people: s.people,
    portionG: s.portionG,
    items: [
      { ingredientId: s.milkId, grams: Math.round(totalG * 0.85), stage: 'pot' },
      { ingredientId: 'cornstarch', grams: Math.round(totalG * 0.055), stage: 'slurry' },
      { ingredientId: 'sugar', grams: Math.round(totalG * 0.08), stage: 'pot' },
      { ingredientId: 'salt', grams: Math.max(1, Math.round(totalG * 0.001)), stage: 'pot' },
      { ingredientId: 'vanilla', grams: Math.max(2, Math.round(totalG * 0.004)), stage: 'off the heat' },
    ],
    carveOuts: [],
    starchMeasure: 'level spoons',
    pan,
    hob,
    method: { ...suggestSettings(hob, pan.diameterMm, totalG), slurryAtC: 60, cookOnMin: 2, stirEveryS: 3 },
    choices: {},
    dish: { ...dish, count: s.people },
    rest: { roomMin: 15, fridgeC: 4, covered: true, hours: 5 },
    serve: { style: 'spooned', word: 'mounds', tempC: 8, at: s.serveAt },
    room: { tempC: 21, altitudeM: 0 },
    own: [],
    firmness: { factor: 1, sdLn: GEL.sdLn },
  };
  return refreshCarveOuts(plan, pantry);
}

import { type Stay } from '../../set/cooling';
import { say } from '../../say';
import { RESCUE, min, COOL, poured, readyAfter, type Way } from '../way';

export const notSetInTime: Way = ({ plan, pot, head, s, told, fault }) => {
  const run = poured(s);
  const standingH = told.standingH ?? 1;
  const startC = Math.min(run.pot.bulkC, 90);
  const stay = (where: Stay['where'], airC: number): Stay[] => [
    ...(standingH > 0
      ? [{ where: 'fridge' as const, minutes: standingH * 60, airC: plan.rest.fridgeC, covered: true }]
      : []),
    { where, minutes: RESCUE.readyMost * 60, airC, covered: true },
  ];
  const ways = [
    {
      name: 'fridge',
      what: say('rescue.stayInTheFridge'),
      h: readyAfter(s, run, stay('fridge', plan.rest.fridgeC), startC),
    },
    {
      name: 'freezer',
      what: say('rescue.intoTheFreezerFlatWith'),
      h: readyAfter(s, run, stay('freezer', -18), startC),
    },
    {
      name: 'ice bath',
      what: say('rescue.dishIntoIceAndWater'),
      h: readyAfter(s, run, stay('ice bath', 0), startC),
    },
    {
      name: 'half as deep',
      what: say('rescue.intoTwiceAsManyDishes'),
      h: readyAfter(s, { ...run, depthM: run.depthM / 2 }, stay('fridge', plan.rest.fridgeC), startC),
    },
  ].map((w) => ({ ...w, min: (w.h - standingH) * 60 }));
  const some = ways.filter((w) => Number.isFinite(w.min)).sort((a, b) => a.min - b.min);
  const best = some[0];
  const stayIn = ways[0]!.min;
  return {
    fault,
    going: best
      ? say('rescue.itIsStillTooWarm', {
          hours: Number.isFinite(stayIn)
            ? say('rescue.more', { stayIn: min(Math.max(1, stayIn)) })
            : say('rescue.moreThanHours', { readyMost: RESCUE.readyMost }),
        })
      : say('rescue.byTheModelItDoes', { word: plan.serve.word, readyMost: RESCUE.readyMost }),
    saved: best ? 'all' : 'part',
    steps: best
      ? [
          { what: best.what, seconds: Math.max(60, Math.round(best.min * 60)) },
          { what: say('rescue.pressItItSpringsBack') },
        ]
      : [{ what: say('rescue.serveItAsACream') }],
    before: head(pot),
    after: head(pot),
    then: best ? say('rescue.readyIn', { best: min(Math.max(1, best.min)) }) : say('rescue.aCream'),
    minutes: best ? Math.max(1, best.min) : 0,
    orElse:
      some.length > 1
        ? say('rescue.orWays', {
            ways: some.slice(1).map((w) => say(`rescue.way.${w.name}`, { minutes: min(Math.max(1, w.min)) })),
          })
        : say('rescue.serveItAsACream2'),
    caution: say('rescue.aWarmDishInThe', { caution: COOL }),
  };
};

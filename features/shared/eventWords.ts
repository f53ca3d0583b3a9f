import type { CookEvent, Measure, Observation } from '../../core/cook/events';
import type { Step } from '../../core/cook/steps';
import type { Formatter } from '../../words/format';

/** What happened to a pot, as a cook reads it in the Pot and in the Book. */
export const SEEN: Record<Observation, string> = {
  steams: 'It steams',
  'rim bubbles': 'Bubbles at the rim',
  'edges thicken': 'Edges thicken',
  'first bubble': 'First bubble',
  'coats the spoon': 'Coats the spoon',
  'no free milk': 'No milk behind the stroke',
  'drags the whisk': 'Drags at the whisk',
  'goes quiet': 'The hiss goes quiet',
  plops: 'Slow plops',
  'no bubble yet': 'No bubble yet',
  'still thin': 'Still thin',
  'tastes raw': 'Tastes raw',
  'tastes cooked': 'Tastes cooked',
  'grain hard': 'Grain still hard',
  'grain soft': 'Grain soft through',
  'at the mark': 'Down at the mark',
  'bowl warm': 'Bowl feels warm',
  lumps: 'Lumps',
  'too thick': 'Too thick',
  'too thin': 'Too thin',
  'smells toasted': 'Smells toasted',
  climbs: 'It climbs',
};

export const MEASURED: Record<Measure, (value: number, fmt: Formatter) => string> = {
  probe: (c, fmt) => `${fmt.temp(c)} in the pot`,
  trail: (s) => `the trail closed in ${Math.round(s * 10) / 10} s`,
  scale: (g, fmt) => `${fmt.grams(g)} with the pan`,
  plate: (deg) => (deg >= 90 ? 'a cold blob stays upright' : `a cold blob runs at ${Math.round(deg)}° of tilt`),
};

/** What a step is called: the cook's own word, or what it is for. */
export const stepName = (step: Pick<Step, 'role' | 'name' | 'fix'> | undefined): string | undefined =>
  step && `${step.name ?? step.role}${step.fix ? ' again' : ''}`;

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/** An event as a line of the log; undefined for what is not worth one. */
export function eventSays(
  e: CookEvent,
  fmt: Formatter,
  name: (ingredientId: string) => string,
  steps: readonly Pick<Step, 'id' | 'role' | 'name' | 'fix'>[],
): string | undefined {
  switch (e.kind) {
    case 'observed':
      return SEEN[e.what];
    case 'measured':
      // what a device reads by itself is not a line of the story
      return e.by === 'probe' ? undefined : `${MEASURED[e.what](e.value, fmt)}${e.by ? `, by the ${e.by}` : ''}`;
    case 'stepDone':
      return `${capital(stepName(steps.find((s) => s.id === e.step)) ?? e.step)} done`;
    case 'steppedBack':
      return 'Back a step';
    case 'paused':
      return 'Paused';
    case 'resumed':
      return 'Went on';
    case 'hobSet':
      return e.setting === 0 ? 'Hob off' : `Hob to ${e.setting}`;
    case 'lidSet':
      return `Lid ${e.lid}`;
    case 'spoon':
      return e.resting ? 'Spoon rests' : 'Stirring again';
    case 'stirred':
      return 'Stirred';
    case 'ladled':
      return 'A ladle into the bowl';
    case 'added': {
      const what = e.portions.map((p) => `${fmt.grams(p.grams)} ${name(p.ingredientId)}`).join(' and ');
      return what ? `${what} in${e.why === 'taste' ? ', to taste' : ''}` : 'More fire';
    }
    case 'counted':
      return e.out ? `${name(e.item)} out` : `${name(e.item)} in`;
    case 'longer':
      return `${fmt.hours(e.minutes / 60)} longer`;
    case 'rescued':
      return `Rescue, ${e.fault}: ${e.says}`;
    case 'device':
      return `${e.device} ${e.lost ? 'lost' : 'back'}`;
    case 'side':
      return e.done ? 'Side pot done' : 'Side pot on';
    case 'clock':
      return 'The clock was changed';
    case 'noted':
      return e.text;
    case 'weighed':
      return undefined;
    case 'poured':
      return 'Poured';
    case 'intoFridge':
      return 'Into the fridge';
    case 'turnedOut':
      return 'Turned out';
    case 'started':
    case 'undone':
    case 'moved':
      return undefined;
  }
}

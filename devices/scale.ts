import { EMPTY_SCALE, SCALE, stepScale, tareScale, type Pouring, type ScaleReading } from '../core/prep/scale';

/** What Prep asks of any scale, of this kitchen or a real one. */
export type Scale = {
  name: string;
  /** tells each reading until the returned function is called */
  listen(tell: (reading: ScaleReading) => void): () => void;
  tare(): void;
};

/** The stand-in that ships with the app: a hand pours onto it while its key is held. */
export type StandInScale = Scale & { pour(what: Pouring | undefined): void };

const EVERY_MS = 100;

export function standInScale(random: () => number = Math.random): StandInScale {
  let state = EMPTY_SCALE;
  let flow = 0;
  return {
    name: 'stand-in scale',
    listen(tell) {
      let before = Date.now();
      const timer = setInterval(() => {
        const now = Date.now();
        const next = stepScale(state, Math.max(0, now - before) / 1000, flow, random);
        before = now;
        state = next.state;
        tell(next.reading);
      }, EVERY_MS);
      return () => clearInterval(timer);
    },
    tare() {
      state = tareScale(state);
    },
    pour(what) {
      flow = what === undefined ? 0 : SCALE.pours[what];
    },
  };
}

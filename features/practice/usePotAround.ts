import { useEffect, useEffectEvent, useRef } from 'react';
import type { Frame } from '../../core/practice/frame';
import { potSound, type PotSound } from '../../devices/potSound';
import { practiceTeller } from '../../devices/practiceTeller';
import { useKitchen } from '../shared/kitchen';
import type { PracticePot } from './usePracticePot';

const READINGS_MS = 1000;
const SLOW_PLOPS = 2.2;
const FAST_PLOPS = 5;
const THICK_PAS = 0.3;

/** The pot's sound while it is wanted. */
export function useSound(f: Frame | undefined, on: boolean, running: boolean) {
  const sound = useRef<PotSound | undefined>(undefined);
  useEffect(() => {
    if (!on) return undefined;
    sound.current = potSound();
    return () => {
      sound.current?.end();
      sound.current = undefined;
    };
  }, [on]);
  useEffect(() => {
    const thick = f !== undefined && f.viscosityPaS > THICK_PAS;
    const heard = f && running && !f.left;
    sound.current?.hear({
      hiss: heard ? Math.min(1, f.rim * 0.35 + f.boil * (thick ? 0.35 : 0.8)) : 0,
      plopsPerS: heard ? f.boil * (thick ? SLOW_PLOPS : FAST_PLOPS) : 0,
      deep: thick ? 1 : 0.2,
    });
  }, [f, running]);
}

/** Tells another tab's Pot room what the devices on this pot read. */
export function useSecondScreen(p: PracticePot, on: boolean) {
  const { ask, clock } = useKitchen();
  const tell = useEffectEvent((teller: ReturnType<typeof practiceTeller>) => {
    void ask('practiceReadings', [p.key, p.run, Math.floor(p.nowS()), clock()])
      .then((readings) => teller.tell(readings))
      .catch(() => undefined);
  });
  useEffect(() => {
    if (!on) return undefined;
    const teller = practiceTeller();
    const timer = setInterval(() => tell(teller), READINGS_MS);
    return () => {
      clearInterval(timer);
      teller.end();
    };
  }, [on]);
}

import { useEffect, useRef, useState } from 'react';
import type { Harm, Margin } from '../../core/cook/margins';
import { type Ways } from '../../devices/signals';
import { callOf } from './words';
import { useKitchen } from '../shared/kitchen';

const AGAIN_MS = 2000;
/** A call that only asks to look is told so often. */
const ASK_AGAIN_MS = 10_000;
const SPOKEN_EVERY = 3;
/** s that an alarm stays quiet after the cook has hushed it. */
const HUSH_MS = 30_000;

/**
 * One alarm at a time, told again every two seconds until it is over or hushed. A hush is of one harm: another one still
 * calls.
 * @param name of the pot, where there are two
 */
export function useAlarm(alarm: Margin | undefined, ways: Ways, name?: string) {
  const { clock, sound } = useKitchen();
  const [hushed, setHushed] = useState<{ harm: Harm; untilMs: number } | undefined>();
  const harm = alarm?.harm;
  const asks = alarm?.asks ?? false;
  const says = alarm && callOf(alarm);
  const line = says && `${name ? `${name}. ` : ''}${says.call}. ${says.act}.`;
  const quiet = harm !== undefined && hushed?.harm === harm;
  useEffect(() => {
    if (!hushed) return undefined;
    const timer = setTimeout(() => setHushed(undefined), Math.max(0, hushed.untilMs - clock()));
    return () => clearTimeout(timer);
  }, [hushed, clock]);
  const ref = useRef(ways);
  useEffect(() => {
    ref.current = ways;
  });
  useEffect(() => {
    if (!line || quiet) return undefined;
    let n = 0;
    const tell = () =>
      sound.call({ ...ref.current, speaks: ref.current.speaks && n++ % SPOKEN_EVERY === 0 }, line, !asks, name);
    tell();
    const timer = setInterval(tell, asks ? ASK_AGAIN_MS : AGAIN_MS);
    return () => clearInterval(timer);
  }, [line, asks, quiet, sound, name]);
  return {
    quiet,
    hush: () => harm && setHushed({ harm, untilMs: clock() + HUSH_MS }),
  };
}

/** Says a line when it changes, and again on demand. */
export function useSpoken(line: string | undefined, on: boolean) {
  const { sound } = useKitchen();
  const said = useRef('');
  useEffect(() => {
    if (!on || !line || said.current === line) return;
    said.current = line;
    sound.say(line);
  }, [line, on, sound]);
  return () => line && sound.say(line);
}

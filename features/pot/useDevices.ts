import { useCallback, useEffect, useRef, useState } from 'react';
import type { Cook, DeviceKind } from '../../core/cook/events';
import type { RingRead } from '../../core/cook/ring';
import type { Step } from '../../core/cook/steps';
import type { DeviceReading, Sight } from '../../core/kitchen/simulated';
import { correctedC } from '../../core/kitchen/corrected';
import type { DEVICE_SOURCES, Measured } from '../../core/settings';
import { bluetoothKitchen, bluetoothOf } from '../../devices/bluetooth';
import { ownKitchen, watchSilence, type Kitchen } from '../../devices/kitchen';
import { practiceKitchen } from '../../devices/practiceKitchen';
import type { NewEvent } from '../shared/useCook';
import { t } from '../../words';
import { useKitchen } from '../shared/kitchen';

/** A reading is noted when it is this old, or has moved by this much. */
const NOTE_MS = 20_000;
const MOVED_K = 4;
const LOOK_MS = 2000;
const SKEW_MS = 5000;

export type Devices = {
  probeC: number | undefined;
  grams: number | undefined;
  hob: RingRead | undefined;
  lost: readonly DeviceKind[];
  /** what the stand-in pot shows */
  sees: readonly Sight[];
  /** asks the cook to pick a thermometer or a scale; call from a tap. @returns what went wrong, if anything */
  pick: (kind: 'probe' | 'scale') => Promise<string | undefined>;
};

/** Is there a server that keeps stand-in kitchens, or only this browser. */
const served = () =>
  fetch('/healthz')
    .then((r) => r.ok)
    .catch(() => false);

/**
 * Hears the devices and notes what they read into the cook, seldom enough for its list. A lost device is noted and said;
 * the cook goes on without it.
 */
export function useDevices(
  source: (typeof DEVICE_SOURCES)[number],
  cook: Cook | undefined,
  steps: readonly Step[],
  add: (...events: NewEvent[]) => void,
  /** of the cook's own thermometer, by ice and boiling water */
  measured: readonly Measured[] = [],
): Devices {
  const { ask, clock, servedKitchen } = useKitchen();
  const [readings, setReadings] = useState<{
    probeC?: number;
    grams?: number;
    hob?: RingRead;
    sees?: readonly Sight[];
  }>({});
  const [lost, setLost] = useState<readonly DeviceKind[]>([]);
  const [picked, setPicked] = useState<readonly Kitchen[]>([]);
  const [own, setOwn] = useState<Kitchen | undefined>();
  // the newest of each, for callbacks that outlive a render
  const latest = useRef({ steps, add, cook, measured });
  useEffect(() => {
    latest.current = { steps, add, cook, measured };
  });
  const live = cook !== undefined;

  useEffect(() => {
    if (!live || (source !== 'stand-in' && source !== 'practice')) return undefined;
    let on = true;
    if (source === 'practice') {
      void Promise.resolve().then(() => on && setOwn(practiceKitchen()));
      return () => {
        on = false;
        setOwn(undefined);
      };
    }
    void served().then((yes) => {
      if (!on) return;
      setOwn(
        yes
          ? servedKitchen('/kitchens')
          : ownKitchen((c, nowMs, faults) => ask('devices', [c, [...latest.current.steps], nowMs, [...faults]])),
      );
    });
    return () => {
      on = false;
      setOwn(undefined);
    };
  }, [source, live, ask, servedKitchen]);

  useEffect(() => {
    if (cook) own?.follow?.(cook);
  }, [own, cook]);

  useEffect(() => {
    const kitchens = source === 'bluetooth' ? picked : own ? [own] : [];
    if (!kitchens.length) return undefined;
    const noted = { atMs: 0, tempC: NaN };
    const silence = watchSilence((device, isLost) => {
      setLost((old) => (isLost ? [...old, device] : old.filter((d) => d !== device)));
      latest.current.add({ kind: 'device', device, lost: isLost });
    });
    // the stand-in's thermometer is nobody's own
    const correct = (c: number) =>
      source === 'bluetooth' ? correctedC(latest.current.measured, c, latest.current.cook?.plan.room.altitudeM) : c;
    const hear = (r: DeviceReading) => {
      silence.hear(r, clock());
      // our clock and the kitchen's have parted: it is told ours again
      const { cook: now } = latest.current;
      if (now && Math.abs(clock() - r.atMs) > SKEW_MS) own?.follow?.(now);
      if ('tempC' in r) {
        setReadings((old) => ({ ...old, probeC: r.tempC }));
        if (clock() - noted.atMs < NOTE_MS && !(Math.abs(r.tempC - noted.tempC) > MOVED_K)) return;
        noted.atMs = clock();
        noted.tempC = r.tempC;
        latest.current.add({ kind: 'measured', what: 'probe', value: correct(r.tempC), by: 'probe' });
      }
      if ('sees' in r) setReadings((old) => ({ ...old, sees: r.sees }));
      if ('grams' in r) setReadings((old) => ({ ...old, grams: r.grams }));
      if ('setting' in r)
        setReadings((old) =>
          old.hob?.setting === r.setting ? old : { ...old, hob: { setting: r.setting, sinceMs: clock() } },
        );
    };
    const stops = kitchens.map((k) => k.listen(hear));
    const timer = setInterval(() => silence.look(clock()), LOOK_MS);
    return () => {
      stops.forEach((stop) => stop());
      clearInterval(timer);
      setReadings({});
      setLost([]);
    };
  }, [source, own, picked, clock]);

  const pick = useCallback(async (kind: 'probe' | 'scale') => {
    const bluetooth = bluetoothOf(navigator);
    if (!bluetooth) return t('potRoom.thisBrowserHasNoBluetooth');
    try {
      const kitchen = await bluetoothKitchen(bluetooth, kind);
      setPicked((old) => [...old, kitchen]);
      return undefined;
    } catch {
      return t('potRoom.noDeviceWasPickedIt');
    }
  }, []);
  return { probeC: readings.probeC, grams: readings.grams, hob: readings.hob, sees: readings.sees ?? [], lost, pick };
}

import { massG } from '../matter/mixture';
import { HEAT } from '../pot/heat';
import { skinAfter } from '../pot/foam';
import { readPot, severityOf, type Controls } from '../pot/pot';
import type { DeviceReading, Sight } from '../kitchen/simulated';
import { netW } from '../pot/hob';
import { EGG } from '../pot/egg';
import { SCORCH } from '../pot/scorch';
import { TWIN } from '../twin/twin';
import type { StandsOn } from './act';
import { lumpsFrom, type Happening, type Replay, type Scene } from './replay';
import { dishAt, type DishNow } from './outcome';

/** What is drawn and heard of the practice pot: the model's state in plain figures, and nothing else. */

export type Frame = {
  tS: number;
  bulkC: number;
  filmC: number;
  panC: number;
  boilsC: number;
  setting: number;
  /** s between two wipes of a spot; null is a still spoon */
  everyS: number | null;
  tool: NonNullable<Controls['tool']>;
  lid: Controls['lid'];
  on: StandsOn;
  /** 0 none, 1 a full boil: steam that breaks through at the floor */
  boil: number;
  /** 0 to 1: bubbles at the rim before it boils */
  rim: number;
  /** 1 is at the rim of the pan */
  foam: number;
  spiltRel: number;
  /** of what the grains take, 0 to 1 */
  swelling: number;
  gelatinised: number;
  viscosityPaS: number;
  /** in tastes: 1 goes through everything */
  scorch: number;
  curd: number;
  /** how much of it is in lumps, 0 to 1; 0 where they do not show */
  lumps: number;
  skin: number;
  rawPer100G: number;
  bite: number;
  massG: number;
  /** of the pan's height */
  levelRel: number;
  stillS: number;
  happened: Partial<Record<Happening, number>>;
  left: boolean;
  dish?: DishNow;
};

/** W/m2 of vapour at the floor at a full boil (C). */
const FULL_BOIL_W = 20_000;
const between = (x: number, from: number, to: number) => Math.min(1, Math.max(0, (x - from) / (to - from)));

export function frameOf(replay: Replay, tS: number): Frame {
  const scene = replay.at(tS);
  const { pot, controls } = scene;
  const r = readPot(pot);
  const dish = Number.isNaN(scene.leftS) ? undefined : dishAt(replay, tS);
  const areaM2 = Math.PI * (replay.setup.pan.diameterMm / 2000) ** 2;
  const below = pot.boilsC - pot.bulkC;
  return {
    tS: Math.max(tS, scene.tS),
    bulkC: pot.bulkC,
    filmC: r.filmC,
    panC: pot.panC,
    boilsC: pot.boilsC,
    setting: scene.on === 'off the ring' ? 0 : controls.setting,
    everyS: Number.isFinite(controls.stirEveryS) ? controls.stirEveryS : null,
    tool: controls.tool ?? 'spoon',
    lid: controls.lid,
    on: scene.on,
    boil: between(pot.wallVapourW, HEAT.bubbleW, FULL_BOIL_W) * between(below, HEAT.bubbleBelowK, 0),
    rim: between(below, TWIN.rimBelowK + 8, TWIN.rimBelowK - 6),
    foam: scene.foam,
    spiltRel: scene.spiltRel,
    swelling: r.swelling,
    gelatinised: r.gelatinised,
    viscosityPaS: pot.viscosityPaS,
    scorch: pot.scorch,
    curd: severityOf(pot),
    lumps: pot.lumps >= lumpsFrom(replay.run.seed) ? pot.lumps : 0,
    skin: skinAfter(pot.skinS),
    rawPer100G: r.rawPer100G,
    bite: r.bite,
    massG: r.massG,
    levelRel: r.massG / 1.04e6 / areaM2 / (replay.setup.pan.heightMm / 1000),
    stillS: scene.stillS,
    happened: scene.happened,
    left: !Number.isNaN(scene.leftS),
    ...(dish ? { dish } : {}),
  };
}

/** A point of the run for its chart. */
export type TracePoint = { tS: number; bulkC: number; filmC: number; still: boolean };

/** The run so far, from its kept scenes: no more points than a chart shows. */
export function traceOf(replay: Replay, tS: number, most = 160): TracePoint[] {
  const now = replay.at(tS);
  const scenes = [...replay.seen.filter((k) => k.tS < now.tS), now];
  const every = Math.ceil(scenes.length / most);
  return scenes
    .filter((_, i) => i % every === 0 || i === scenes.length - 1)
    .map(({ tS: at, pot, controls }) => ({
      tS: at,
      bulkC: pot.bulkC,
      filmC: (pot.panC + pot.bulkC) / 2,
      still: !Number.isFinite(controls.stirEveryS),
    }));
}

/** What would be seen, heard and tasted in it: what the devices of the stand-in kitchen tell, from this pot. */
export function readingsOf(replay: Replay, tS: number, atMs: number): DeviceReading[] {
  const scene: Scene = replay.at(tS);
  const { pot } = scene;
  const { setup } = replay;
  const sees: Sight[] = [];
  if (pot.bulkC >= TWIN.steamC) sees.push('steams');
  if (pot.bulkC >= pot.boilsC - TWIN.rimBelowK) sees.push('rim bubbles');
  if (!Number.isNaN(pot.thickenAtS)) sees.push('edges thicken');
  if (!Number.isNaN(pot.bubbleAtS)) sees.push('first bubble');
  if (pot.viscosityPaS >= TWIN.plopPaS) sees.push('plops');
  if (severityOf(pot) >= EGG.smooth) sees.push('egg in flecks');
  if (pot.scorch >= SCORCH.film) sees.push('smells toasted');
  const setting = scene.on === 'off the ring' ? 0 : scene.controls.setting;
  return [
    { device: 'probe', atMs, tempC: Math.round(pot.bulkC * 10) / 10 },
    { device: 'scale', atMs, grams: Math.round(massG(pot.content) + setup.pan.massG) },
    { device: 'hob', atMs, setting, watts: Math.round(netW(setup.hob, setting)) },
    { device: 'eye', atMs, sees },
  ];
}

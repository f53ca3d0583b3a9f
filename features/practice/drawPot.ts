import type { Frame } from '../../core/practice/frame';
import { colour } from '../../ui/colours';

/** The practice pot on a canvas: every mark is a figure of the frame, none is there for show. */

export const POT_W = 390;
export const POT_H = 430;
const CX = 195;
const CY = 158;
const RX = 180;
const RY = 146;
/** the surface inside the rim */
const SX = RX - 8;
const SY = RY - 8;
const FLOOR = 418;
const LEFT = 17;
const RIGHT = 373;

export type Inks = Record<keyof typeof colour, string>;

/** The tokens as they are now, day or night: a canvas does not know them by name. */
export function inksOf(element: Element): Inks {
  const style = getComputedStyle(element);
  const now = (token: string) =>
    token.replace(/var\((--[^)]+)\)/, (_, name: string) => style.getPropertyValue(name).trim());
  return Object.fromEntries(Object.entries(colour).map(([name, token]) => [name, now(token)])) as Inks;
}

/** A fixed number from 0 to 1 for the nth of its kind: nothing jumps from picture to picture. */
const fixed = (n: number, salt = 0) => {
  const x = Math.sin((n + 1) * 127.1 + salt * 311.7) * 43758.5453;
  return x - Math.floor(x);
};

/** A place on the surface, spread evenly: r and turn from 0 to 1. */
const place = (n: number, salt: number, within = 0.92) => {
  const r = within * Math.sqrt(fixed(n, salt));
  const turn = 2 * Math.PI * fixed(n, salt + 1);
  return { x: CX + SX * r * Math.cos(turn), y: CY + SY * r * Math.sin(turn), r };
};

/** A page's pen or a worker's. */
export type Pen = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

function oval(c: Pen, x: number, y: number, rx: number, ry: number, fill?: string, stroke?: string, width = 2) {
  c.beginPath();
  c.ellipse(x, y, Math.max(0, rx), Math.max(0, ry), 0, 0, 2 * Math.PI);
  if (fill) {
    c.fillStyle = fill;
    c.fill();
  }
  if (stroke) {
    c.strokeStyle = stroke;
    c.lineWidth = width;
    c.stroke();
  }
}

/** Many ovals in one stroke of the pen: what is drawn sixty times a second is drawn together. */
function ovals(
  c: Pen,
  all: readonly (readonly [x: number, y: number, rx: number, ry: number])[],
  fill: string,
  stroke: string,
  width: number,
) {
  if (!all.length) return;
  c.beginPath();
  for (const [x, y, rx, ry] of all) {
    c.moveTo(x + rx, y);
    c.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI);
  }
  c.fillStyle = fill;
  c.fill();
  c.strokeStyle = stroke;
  c.lineWidth = width;
  c.stroke();
}
type Place = readonly [number, number, number, number];
const times = (n: number, of: (i: number) => Place): Place[] => Array.from({ length: Math.max(0, n) }, (_, i) => of(i));

const panPath = (c: Pen) => {
  c.beginPath();
  c.moveTo(LEFT, CY);
  c.lineTo(LEFT, 404);
  c.quadraticCurveTo(LEFT, FLOOR, LEFT + 14, FLOOR);
  c.lineTo(RIGHT - 14, FLOOR);
  c.quadraticCurveTo(RIGHT, FLOOR, RIGHT, 404);
  c.lineTo(RIGHT, CY);
};

/** The cut below the surface: what the pan holds, its grains, its curds, its floor. */
function section(c: Pen, f: Frame, ink: Inks) {
  c.save();
  panPath(c);
  c.closePath();
  c.clip();
  c.fillStyle = ink.liquid2;
  c.fillRect(LEFT, CY, RIGHT - LEFT, FLOOR - CY);
  // grains swell and grow clear as they cook
  c.globalAlpha = 1 - 0.45 * f.gelatinised;
  ovals(
    c,
    times(34, (i) => {
      const row = Math.floor(i / 8);
      const grow = 0.7 + row * 0.09;
      return [
        150 + (i % 8) * 19 + (fixed(i, 1) - 0.5) * 12,
        300 + row * 22 + (fixed(i, 2) - 0.5) * 12,
        (3.4 + 8 * f.swelling) * grow,
        (2.6 + 6 * f.swelling) * grow,
      ];
    }),
    ink.liquid,
    ink.gran,
    2,
  );
  c.globalAlpha = 1;
  // curds: rags that gather
  const curds = Math.round(40 * Math.min(1, f.curd * 2));
  c.fillStyle = ink.yolk;
  c.strokeStyle = ink.gran;
  c.lineWidth = 1.5;
  for (let i = 0; i < curds; i++) {
    const x = LEFT + 20 + fixed(i, 5) * (RIGHT - LEFT - 40);
    const y = 310 + fixed(i, 6) * 90;
    c.beginPath();
    for (let k = 0; k < 5; k++) {
      const turn = (2 * Math.PI * k) / 5;
      const r = 3 + 5 * fixed(i * 5 + k, 7);
      c.lineTo(x + r * Math.cos(turn), y + 0.7 * r * Math.sin(turn));
    }
    c.closePath();
    c.fill();
    c.stroke();
  }
  // lumps: pale skins around dry starch
  const lumps = Math.round(14 * f.lumps);
  for (let i = 0; i < lumps; i++) {
    const x = LEFT + 26 + fixed(i, 8) * (RIGHT - LEFT - 52);
    const y = 318 + fixed(i, 9) * 76;
    oval(c, x, y, 10, 8, ink.plate, ink.ink2);
    oval(c, x, y, 4, 3, ink.liquid2);
  }
  // the layer on the floor: as it sticks it is hatched, as it catches it is scorch
  const sticks = Math.min(1, f.scorch);
  const warm = f.filmC > 98 || f.scorch > 0.05;
  const height = 8 + 18 * Math.min(1, f.scorch + f.stillS / 200);
  c.fillStyle = sticks >= 0.3 ? ink.scorch : warm ? ink.yolk : ink.liquid;
  c.fillRect(LEFT, FLOOR - height, RIGHT - LEFT, height);
  if (warm) {
    c.strokeStyle = sticks >= 0.3 ? ink.onscorch : ink.onyolk;
    c.lineWidth = sticks >= 0.3 ? 3 : 1.6;
    const gap = sticks >= 0.3 ? 9 : 16;
    for (let x = LEFT - 10; x < RIGHT; x += gap) {
      c.beginPath();
      c.moveTo(x, FLOOR);
      c.lineTo(x + 14, FLOOR - height);
      c.stroke();
    }
  }
  c.restore();
  panPath(c);
  c.strokeStyle = ink.ink;
  c.lineWidth = 6;
  c.stroke();
}

/** What lies on the surface. @param beat s of the drawing's own clock: bubbles rise in real time */
function surface(c: Pen, f: Frame, ink: Inks, beat: number) {
  c.save();
  c.beginPath();
  c.ellipse(CX, CY, SX, SY, 0, 0, 2 * Math.PI);
  c.clip();
  c.fillStyle = ink.liquid;
  c.fillRect(CX - SX, CY - SY, 2 * SX, 2 * SY);
  const thick = Math.min(1, Math.max(0, Math.log10(f.viscosityPaS / 0.05) / 2));
  // small bubbles at the rim before it boils
  ovals(
    c,
    times(Math.round(46 * f.rim * (1 - 0.6 * thick)), (i) => {
      const turn = 2 * Math.PI * fixed(i, 11);
      const life = (beat * 0.7 + fixed(i, 12)) % 1;
      const r = 0.95 - 0.05 * fixed(i, 13);
      return [CX + SX * r * Math.cos(turn), CY + SY * r * Math.sin(turn), 2 + 4 * life, 1.6 + 3 * life];
    }),
    ink.plate,
    ink.gran,
    1.5,
  );
  // bubbles: many and small in milk, few craters that plop in a paste
  ovals(
    c,
    times(Math.round((8 + 46 * (1 - thick)) * f.boil), (i) => {
      const turnOf = beat * (0.5 + 1.4 * (1 - thick) * (0.5 + fixed(i, 16))) + fixed(i, 15);
      const p = place(i + 97 * Math.floor(turnOf), 17, 0.85);
      const size = (6 + 16 * thick) * (turnOf % 1) * (0.6 + 0.8 * fixed(i, 18));
      return [p.x, p.y, size, size * 0.82];
    }),
    ink.plate,
    ink.gran,
    2,
  );
  // foam comes in from the rim and rises
  ovals(
    c,
    times(Math.round(90 * Math.min(1, f.foam)), (i) => {
      const turn = 2 * Math.PI * fixed(i, 21);
      const r = 1 - Math.min(1, f.foam) * fixed(i, 22);
      const size = 5 + 6 * fixed(i, 23) + Math.sin(beat * 3 + i) * 0.8;
      return [CX + SX * r * Math.cos(turn), CY + SY * r * Math.sin(turn), size, size * 0.8];
    }),
    ink.plate,
    ink.line,
    1.2,
  );
  // a skin: folds across a still surface
  if (f.skin > 0.05) {
    c.strokeStyle = ink.gran;
    c.lineWidth = 2;
    c.globalAlpha = Math.min(1, f.skin * 1.4);
    for (let k = -3; k <= 3; k++) {
      c.beginPath();
      for (let x = -SX; x <= SX; x += 14) c.lineTo(CX + x, CY + k * 34 + 7 * Math.sin(x / 26 + k * 1.7));
      c.stroke();
    }
    c.globalAlpha = 1;
  }
  // curds and lumps that swim, specks of what was scraped off the floor
  const swims = Math.round(26 * Math.min(1, f.curd * 1.6));
  for (let i = 0; i < swims; i++) {
    const p = place(i, 31);
    oval(c, p.x, p.y, 4 + 4 * fixed(i, 33), 3 + 3 * fixed(i, 34), ink.yolk, ink.gran, 1.4);
  }
  const lumps = Math.round(12 * f.lumps);
  for (let i = 0; i < lumps; i++) {
    const p = place(i, 41);
    oval(c, p.x, p.y, 9, 7, ink.plate, ink.ink2, 2);
  }
  const specks = f.scorch > 0.3 ? Math.round(26 * Math.min(1, f.scorch / 1.5)) : 0;
  c.fillStyle = ink.scorch;
  for (let i = 0; i < specks; i++) {
    const p = place(i, 51);
    c.beginPath();
    c.moveTo(p.x - 6, p.y);
    c.lineTo(p.x, p.y - 4);
    c.lineTo(p.x + 6, p.y);
    c.lineTo(p.x, p.y + 4);
    c.fill();
  }
  c.restore();
}

/** The rim: how far it is on the way to the boil; scorch where the floor sticks. */
function rim(c: Pen, f: Frame, ink: Inks) {
  oval(c, CX, CY, RX, RY, undefined, ink.sunk, 16);
  const share = Math.min(1, Math.max(0, (f.bulkC - 5) / Math.max(1, f.boilsC - 5)));
  c.beginPath();
  c.ellipse(CX, CY, RX, RY, 0, -Math.PI / 2, -Math.PI / 2 + 2 * Math.PI * share);
  c.strokeStyle = f.scorch >= 0.3 || f.foam >= 1 ? ink.scorch : ink.bay;
  c.lineWidth = 16;
  c.stroke();
  for (let i = 0; i < 10; i++) {
    const turn = (2 * Math.PI * i) / 10 - Math.PI / 2;
    c.beginPath();
    c.moveTo(CX + (RX - 8) * Math.cos(turn), CY + (RY - 8) * Math.sin(turn));
    c.lineTo(CX + (RX + 8) * Math.cos(turn), CY + (RY + 8) * Math.sin(turn));
    c.strokeStyle = ink.ink;
    c.lineWidth = i === 0 ? 3 : 1.4;
    c.stroke();
  }
  oval(c, CX, CY, RX + 8, RY + 8, undefined, ink.ink, 2.5);
  oval(c, CX, CY, RX - 8, RY - 8, undefined, ink.ink, 2);
}

/** The spoon: a yolk where the hand is, with its tail; dots along its track where it rests. */
function spoon(c: Pen, f: Frame, ink: Inks, beat: number, hand: { x: number; y: number } | undefined) {
  if (f.everyS === null && !hand) {
    ovals(
      c,
      times(36, (i) => {
        const turn = (2 * Math.PI * i) / 36;
        return [CX + (RX - 22) * Math.cos(turn), CY + (RY - 20) * Math.sin(turn), 2.4, 1.8];
      }),
      ink.gran,
      ink.gran,
      0.5,
    );
    return;
  }
  const at = (back: number) => {
    if (hand) return { x: CX + hand.x * (SX - 16), y: CY + hand.y * (SY - 14) };
    // a round that also goes through the middle, as a spoon should
    const turn = (2 * Math.PI * (beat - back)) / Math.max(1.2, f.everyS ?? 3) / 2.5;
    const r = 0.35 + 0.65 * Math.abs(Math.cos(1.25 * turn));
    return { x: CX + r * (RX - 26) * Math.cos(turn), y: CY + r * (RY - 24) * Math.sin(turn) };
  };
  if (!hand)
    for (let i = 7; i > 0; i--) {
      const p = at(i * 0.05);
      oval(c, p.x, p.y, 9 * (1 - i / 8), 7 * (1 - i / 8), ink.yolk, ink.onyolk, 1);
    }
  const p = at(0);
  oval(c, p.x, p.y, f.tool === 'whisk' ? 17 : 14, f.tool === 'scraper' ? 8 : 12, ink.yolk, ink.onyolk, 3);
}

function lid(c: Pen, f: Frame, ink: Inks) {
  if (f.lid === 'off') return;
  const dx = f.lid === 'ajar' ? 46 : 0;
  const dy = f.lid === 'ajar' ? -20 : 0;
  c.globalAlpha = f.lid === 'ajar' ? 0.94 : 0.86;
  oval(c, CX + dx, CY + dy, SX, SY, ink.sunk, ink.ink, 3);
  c.globalAlpha = 1;
  oval(c, CX + dx, CY + dy - 70, 24, 16, ink.ink);
}

/** What came over stays on the outside of the pan. */
function spilt(c: Pen, f: Frame, ink: Inks) {
  if (f.spiltRel <= 0) return;
  const long = 40 + 180 * Math.min(1, f.spiltRel / 0.1);
  c.strokeStyle = ink.liquid;
  c.lineWidth = 8;
  c.lineCap = 'round';
  for (const [x, share] of [
    [26, 1],
    [364, 0.8],
    [52, 0.45],
    [340, 0.6],
  ] as const) {
    c.beginPath();
    c.moveTo(x, CY + 70);
    c.lineTo(x, CY + 70 + long * share);
    c.stroke();
  }
  c.lineCap = 'butt';
}

/** Draws one picture of the pot. @param hand where a thumb is on the surface, 1 at its edge */
export function drawPot(c: Pen, f: Frame, ink: Inks, beat: number, hand: { x: number; y: number } | undefined): void {
  c.clearRect(0, 0, POT_W, POT_H);
  section(c, f, ink);
  surface(c, f, ink, beat);
  rim(c, f, ink);
  spilt(c, f, ink);
  spoon(c, f, ink, beat, hand);
  lid(c, f, ink);
}

/** A frame between two: figures move evenly, what is one thing or another is as the earlier has it. */
export function between(a: Frame, b: Frame, tS: number): Frame {
  const share = b.tS > a.tS ? Math.min(1, Math.max(0, (tS - a.tS) / (b.tS - a.tS))) : 1;
  const mix = (x: number, y: number) => x + share * (y - x);
  return {
    ...(share < 1 ? a : b),
    tS: mix(a.tS, b.tS),
    bulkC: mix(a.bulkC, b.bulkC),
    filmC: mix(a.filmC, b.filmC),
    boil: mix(a.boil, b.boil),
    rim: mix(a.rim, b.rim),
    foam: mix(a.foam, b.foam),
    swelling: mix(a.swelling, b.swelling),
    gelatinised: mix(a.gelatinised, b.gelatinised),
    viscosityPaS: mix(a.viscosityPaS, b.viscosityPaS),
    scorch: mix(a.scorch, b.scorch),
    curd: mix(a.curd, b.curd),
    skin: mix(a.skin, b.skin),
    spiltRel: mix(a.spiltRel, b.spiltRel),
  };
}

import * as fc from 'fast-check';
import { DISHES, FormSchema, type Form } from '../pantry/kitchen';
import { testPlan } from '../testing';
import { cutGrid, dishFit, panFit } from './fit';
import { boxOf, DISC_EASE_MM, liningOf, OVERLAP_MM, printScale } from './lining';
import { areaAtMm2, asDish, asPan, depthOfMm, VesselSchema, volumeMl, type Vessel } from './vessel';

const mm = fc.double({ min: 40, max: 500, noNaN: true });
const height = fc.double({ min: 10, max: 200, noNaN: true });
const round = fc.tuple(mm, mm).map(([topMm, baseMm]): Form => ({ shape: 'round', topMm, baseMm }));
const square = fc.tuple(mm, mm).map(([lengthMm, widthMm]): Form => ({ shape: 'square', lengthMm, widthMm }));
const form = fc.oneof(round, square);

describe('volume and depth', () => {
  it('of a box and of a cylinder are as the school book has them', () => {
    expect(volumeMl({ shape: 'square', lengthMm: 200, widthMm: 200 }, 40, 40)).toBeCloseTo(1600, 9);
    expect(volumeMl({ shape: 'round', topMm: 200, baseMm: 200 }, 50, 50)).toBeCloseTo(
      (Math.PI * 100 * 100 * 50) / 1000,
      6,
    );
    // a cone's frustum: pi h/12 (D2 + Dd + d2)
    expect(volumeMl({ shape: 'round', topMm: 60, baseMm: 40 }, 50, 50)).toBeCloseTo(
      (Math.PI * 50 * (3600 + 2400 + 1600)) / 12000,
      6,
    );
  });
  it('go there and back: the depth of a volume holds that volume, and never passes the rim', () => {
    fc.assert(
      fc.property(form, height, fc.double({ min: 0, max: 1.5, noNaN: true }), (f, h, fill) => {
        const brim = volumeMl(f, h, h);
        const ml = brim * fill;
        const d = depthOfMm(f, h, ml);
        expect(d).toBeLessThanOrEqual(h);
        if (fill < 1) expect(volumeMl(f, h, d)).toBeCloseTo(ml, Math.max(0, 3 - Math.log10(brim)));
      }),
    );
  });
  it('the shipped dishes hold what they say', () => {
    for (const d of DISHES) {
      expect(FormSchema.safeParse(d.form).success).toBe(true);
      expect(volumeMl(d.form!, d.heightMm, d.heightMm) / d.capacityMl).toBeCloseTo(1, 1.7);
    }
  });
});

describe('a vessel of the cook’s own', () => {
  const tin: Vessel = VesselSchema.parse({
    id: 'v',
    name: 'supper tin',
    use: 'dish',
    form: { shape: 'square', lengthMm: 300, widthMm: 200 },
    heightMm: 50,
    wall: 'metal',
  });
  it('becomes the dish of a plan, and a pan with a weight', () => {
    expect(asDish(tin)).toMatchObject({ kind: 'tray', capacityMl: 3000, count: 1, form: tin.form });
    const pan = asPan({ ...tin, use: 'pan', form: { shape: 'round', topMm: 200, baseMm: 200 }, heightMm: 110 });
    expect(pan.diameterMm).toBe(200);
    // the shipped steel pan of that size weighs 1 kg and its kind is known within a half
    expect(pan.massG / 1000).toBeGreaterThan(0.7);
    expect(pan.massG / 1000).toBeLessThan(1.6);
  });
  it('says whether it fits: depth, how full, how many are needed, how many portions', () => {
    const plan = { ...testPlan(), dish: asDish(tin) };
    const fit = dishFit(plan, 3120);
    expect(fit.depthMm).toBeCloseTo(50, 6);
    expect(fit.fillRel).toBeCloseTo(1, 6);
    expect(fit.dishesNeeded).toBe(2);
    expect(fit.portions).toBe(24);
    expect(dishFit(plan, 4160).overMl).toBeCloseTo(1000, 6);
  });
  it('of the pan: a litre too much is too small; more head-room means less foam over the rim', () => {
    const plan = testPlan();
    const full = panFit({ ...plan, pan: { ...plan.pan, heightMm: 40 } });
    expect(full.says).toBe('too small');
    expect(panFit(plan).headroomMm).toBeGreaterThan(40);
    fc.assert(
      fc.property(fc.double({ min: 60, max: 200, noNaN: true }), (h) => {
        const a = panFit({ ...plan, pan: { ...plan.pan, heightMm: h } });
        const b = panFit({ ...plan, pan: { ...plan.pan, heightMm: h + 20 } });
        expect(b.foamUp).toBeLessThan(a.foamUp);
        expect(b.headroomMm - a.headroomMm).toBeCloseTo(20, 6);
      }),
    );
  });
});

describe('cutting', () => {
  it('a square tin for sixteen is four by four, a round one is wedges', () => {
    expect(cutGrid({ shape: 'square', lengthMm: 200, widthMm: 200 }, 16)).toEqual({
      cut: 'squares',
      rows: 4,
      columns: 4,
      pieceMm: [50, 50],
      pieces: 16,
    });
    expect(cutGrid({ shape: 'square', lengthMm: 300, widthMm: 200 }, 6)).toMatchObject({
      rows: 2,
      columns: 3,
      pieces: 6,
    });
    expect(cutGrid({ shape: 'round', topMm: 200, baseMm: 200 }, 8)).toMatchObject({ cut: 'wedges', angleDeg: 45 });
    expect(() => cutGrid({ shape: 'round', topMm: 200, baseMm: 200 }, 0)).toThrow(RangeError);
  });
  it('always gives everybody a piece, all of the tin, and hardly a piece too many', () => {
    fc.assert(
      fc.property(form, fc.integer({ min: 1, max: 60 }), (f, n) => {
        const g = cutGrid(f, n);
        expect(g.pieces).toBeGreaterThanOrEqual(n);
        if (g.cut === 'wedges') expect(g.angleDeg * g.pieces).toBeCloseTo(360, 6);
        else if (f.shape === 'square') {
          expect(g.pieceMm[0] * g.columns).toBeCloseTo(f.lengthMm, 6);
          expect(g.pieceMm[1] * g.rows).toBeCloseTo(f.widthMm, 6);
          expect(g.rows * g.columns).toBe(g.pieces);
        }
      }),
    );
  });
});

describe('lining a tin', () => {
  it('a straight round tin takes a disc and a strip that goes round once with its overlap', () => {
    const [disc, strip] = liningOf({ shape: 'round', topMm: 200, baseMm: 200 }, 50, 20);
    expect(disc).toEqual({ piece: 'disc', diameterMm: 200 - DISC_EASE_MM });
    expect(strip).toEqual({
      piece: 'strip',
      lengthMm: expect.closeTo(Math.PI * 200 + OVERLAP_MM, 6),
      heightMm: 70,
      count: 1,
    });
  });
  it('a square one takes one sheet: base, walls and overhang, corners cut to the fold', () => {
    expect(liningOf({ shape: 'square', lengthMm: 300, widthMm: 200 }, 40, 25)).toEqual([
      { piece: 'sheet', lengthMm: 430, widthMm: 330, foldMm: 65 },
    ]);
    expect(() => liningOf({ shape: 'square', lengthMm: 300, widthMm: 200 }, 0)).toThrow(RangeError);
  });
  it('paper always covers the wall: area of strip or arc is at least the wall’s', () => {
    fc.assert(
      fc.property(round, height, fc.double({ min: 0, max: 60, noNaN: true }), (f, h, overhang) => {
        if (f.shape !== 'round') return;
        const slant = Math.hypot(h, (f.topMm - f.baseMm) / 2);
        const wall = (Math.PI * (f.topMm + f.baseMm) * slant) / 2;
        const paper = liningOf(f, h, overhang).reduce((sum, p) => {
          if (p.piece === 'strip') return sum + p.count * p.lengthMm * p.heightMm;
          if (p.piece === 'arc') return sum + (Math.PI * p.angleDeg * (p.outerMm ** 2 - p.innerMm ** 2)) / 360;
          return sum;
        }, 0);
        // a full circle of paper is the most there is: a very flat cone
        expect(paper).toBeGreaterThan(wall * 0.999);
      }),
    );
  });
  it('an arc is the cone unrolled: its inner edge is the small rim, with the overlap', () => {
    const [, arc] = liningOf({ shape: 'round', topMm: 220, baseMm: 180 }, 60, 0);
    if (arc?.piece !== 'arc') throw new Error('no arc');
    const innerEdge = (Math.PI * 2 * arc.innerMm * arc.angleDeg) / 360;
    expect(innerEdge).toBeCloseTo(Math.PI * 180 + OVERLAP_MM, 3);
    expect(arc.outerMm - arc.innerMm).toBeCloseTo(Math.hypot(60, 20), 6);
  });
  it('is printed full size where the page takes it, else at a round scale', () => {
    expect(printScale({ piece: 'disc', diameterMm: 180 })).toBe(1);
    expect(printScale({ piece: 'disc', diameterMm: 240 })).toBe(2);
    fc.assert(
      fc.property(round, height, (f, h) => {
        for (const p of liningOf(f, h)) {
          const s = printScale(p);
          if (s < 20) expect(boxOf(p).widthMm / s).toBeLessThanOrEqual(190);
          expect(areaAtMm2(f, h, 0)).toBeGreaterThan(0);
        }
      }),
    );
  });
});

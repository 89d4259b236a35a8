import { describe, expect, test } from 'vitest';
import type { Piece } from '../../plan';
import { CATALOGUE } from '../../testing';
import { workOn } from './making/work';
import { type FamilyName, makePiece, newPiece } from './index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, settings: Piece['settings'] = {}, own: Partial<Piece> = {}): Piece => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, ...own, settings: { ...fresh.settings, ...settings } };
};
const made = (piece: Piece) => makePiece(piece, SCALE, CATALOGUE);
const ONE_STRAIGHT = { straights: 1, gates: 0, loopholed: 0, windowed: 0, corners: 0, tees: 0, crosses: 0, steps: 0, brokenEnds: 0 };
const kgPerM3 = (id: string): number => CATALOGUE.materials.find((material) => material.id === id)!.densityKgPerM3.value;

describe('a wall of two faces on a core', () => {
  const settings = { ...ONE_STRAIGHT, segmentMm: 100, heightMm: 30 };
  const [plain, core] = [made(aPiece('walls', settings)), made(aPiece('walls', { ...settings, core: true }))];
  test('is glued as a strip of three layers, longer by a cut and both ends, wider by the edge that is squared', () => {
    expect(plain.parts).toHaveLength(1);
    const size = [100 + 1 + 2 * 10, 30 + 6];
    expect(core.parts.map(({ materialId, thicknessMm, widthMm, depthMm }) => [materialId, thicknessMm, widthMm, depthMm])).toEqual([
      ['thin-foam', 3, ...size],
      ['greyboard', 1, ...size],
      ['thin-foam', 3, ...size],
    ]);
  });
  test('is as thick as its layers, weighs what they weigh, and is glued over both faces of the whole strip', () => {
    expect(core.facts!.sizes[0]!.deep.value).toBeCloseTo(7, 9);
    expect(core.facts!.mass.value).toBeCloseTo(100 * 30 * (6 * kgPerM3('thin-foam') + 1 * kgPerM3('greyboard')) * 1e-6, 9);
    const { gPerM2 } = CATALOGUE.adhesives.find(({ id }) => id === core.piece.glueId)!;
    expect(core.facts!.glue.value).toBeCloseTo(2 * 121 * 36 * 1e-6 * gPerM2.value, 9);
  });
  test('shares its strips evenly, and is refused at its field where no sheet is long enough', () => {
    const strips = (own: Piece['settings']) => made(aPiece('walls', { ...settings, core: true, ...own })).strips;
    // Fine foam is 800 long: 7 segments of 100 and their cuts are the most that go on a strip.
    expect(strips({ straights: 15 }).map(({ segments }) => segments.length)).toEqual([5, 5, 5]);
    // Corners are half as long, and a step stands higher: a strip of its own.
    const mixed = strips({ straights: 2, corners: 1, steps: 1 });
    expect(mixed.map(({ highMm, segments }) => [highMm, segments.map(({ lengthMm }) => Math.round(lengthMm))])).toContainEqual([
      30,
      [100, 100, 50, 50],
    ]);
    expect(mixed).toHaveLength(2);
    expect(made(aPiece('walls', { ...settings, segmentMm: 790, core: true })).problem).toMatchObject({
      field: 'segmentMm',
      says: /Enter up to 780 mm/,
    });
  });
  test('waits overnight under weights before a segment is cut, then is cut across', () => {
    const [glued, cut] = workOn(core, CATALOGUE).tasks;
    expect(glued!.wait.value).toBe(480);
    expect(cut!.work.value).toBeCloseTo(CATALOGUE.bench.measuredCutMin.value + 2 * CATALOGUE.bench.crossCutMin.value, 9);
    expect(workOn(plain, CATALOGUE).tasks.slice(0, 2)).toEqual([null, null]);
  });
});

describe('lined reveals', () => {
  const lining = (settings: Piece['settings']) =>
    made(aPiece('shed', settings)).parts.filter(({ name }) => name.includes('Lining') || name.includes('lining'));
  const door = {
    lined: true,
    doorWidthMm: 28,
    doorHeightMm: 35,
    windowsFront: 0,
    windowsBack: 1,
    windowsEnds: 0,
    windowWidthMm: 14,
    windowHeightMm: 10,
  };
  test('a door is lined over three sides, a window over four, as wide as the wall is thick', () => {
    const sizes = lining(door).map(({ widthMm, depthMm }) => [widthMm, depthMm]);
    expect(sizes).toContainEqual([2 * 14 + 2 * 10, 5]);
    // over the threshold the wall itself runs on under the floor
    expect(sizes.some(([long, wide]) => wide === 5 && long! >= 28 + 2 * 35 && long! <= 28 + 2 * 41)).toBe(true);
    expect(sizes).toHaveLength(2);
  });
  test('nothing is cut for them where they are left as they are', () => expect(lining({ ...door, lined: false })).toEqual([]));
});

describe('what a family has come to ask for since a piece was taken', () => {
  test('is as of a new one: an older piece is made as it was', () => {
    const piece = aPiece('walls');
    const { core: _core, windowed: _windowed, ...settings } = piece.settings;
    const older = { ...piece, settings, sheets: piece.sheets.slice(0, 2), lengths: [] };
    expect(made(older).problem).toBeNull();
    expect(made(older).parts.map(({ name, widthMm }) => [name, widthMm])).toEqual(
      made(piece).parts.map(({ name, widthMm }) => [name, widthMm]),
    );
  });
  test('what it does not know is refused by name', () => {
    expect(made(aPiece('walls', { moat: 3 })).problem!.says).toContain('moat');
  });
});

describe('logs cross at the corners', () => {
  /** All log that is laid on four walls, mm, course by course. */
  const laidMm2 = (past: number): number => {
    const catalogue = {
      ...CATALOGUE,
      claddings: CATALOGUE.claddings.map((one) => (one.id === 'half-logs' ? { ...one, pastMm: past, jointMm: 0, longMm: 4 } : one)),
    };
    const piece = aPiece(
      'shed',
      { roof: 'flat', seat: 'on-walls', windowsFront: 0, windowsBack: 0, windowsEnds: 0, wallMm: 40 },
      { cladding: [{ shows: 'walls', claddingId: 'half-logs', layingId: 'one-by-one' }] },
    );
    return makePiece(piece, SCALE, catalogue).clads[0]!.units.value;
  };
  test('each course runs past at four of its eight ends', () => {
    // 45 mm of wall in courses of 5; pieces 4 mm long: each 8 mm past a corner is two more
    expect(laidMm2(8) - laidMm2(0)).toBe(9 * 4 * 2);
  });
});

test('printed details are their real size by the scale, gathered on sheets of paper', () => {
  const { parts, problem } = made(
    aPiece('printed', { posters: 3, signs: 0, covers: 0, slabs: 0, posterWideCm: 60, posterHighCm: 90, borderMm: 1 }),
  );
  expect(problem).toBeNull();
  expect(parts).toHaveLength(3);
  expect(parts[0]!.widthMm).toBeCloseTo((600 * 28) / 1_650 + 2, 1);
  expect(parts[0]!.depthMm).toBeCloseTo((900 * 28) / 1_650 + 2, 1);
  expect(parts.every(({ materialId }) => materialId === 'print-paper')).toBe(true);
});

describe('stuff that is modelled', () => {
  const fill = (piece: Piece): number => made(piece).fills.reduce((sum, { volume }) => sum + volume.value, 0);
  test('a crater’s rim by slices: a triangle turned about its middle', () => {
    const [across, hollow, rim] = [100, 50, 8];
    let mm3 = 0;
    const [inner, outer] = [hollow / 2, across / 2];
    const crest = inner + (outer - inner) * 0.3;
    for (let r = inner; r < outer; r += 0.001) {
      const high = r < crest ? (rim * (r - inner)) / (crest - inner) : (rim * (outer - r)) / (outer - crest);
      mm3 += 2 * Math.PI * r * high * 0.001;
    }
    // clay shrinks by 7 %: so much more is bought
    expect(fill(aPiece('crater-pad', { acrossMm: across, hollowMm: hollow, rimMm: rim }))).toBeCloseTo(mm3 / 1_000 / 0.93, 2);
  });
  test('soil of a bed in furrows: half of what they are deep is left out', () => {
    expect(fill(aPiece('raised-bed', { widthMm: 80, depthMm: 40, soilMm: 6, furrows: 5, furrowMm: 2 }))).toBeCloseTo(
      (80 * 40 * 5) / 1_000,
      9,
    );
  });
  test('clay on a rock is half a ball less the one within; foam takes none', () => {
    const rock = { large: 1, middling: 0, small: 0, acrossMm: 60, skinMm: 4 };
    expect(fill(aPiece('rocks', { ...rock, made: 'clay' }))).toBeCloseTo((((2 * Math.PI) / 3) * (30 ** 3 - 26 ** 3)) / 1_000 / 0.93, 6);
    expect(fill(aPiece('rocks', { ...rock, made: 'foam' }))).toBe(0);
  });
  test('a hedge is as long as its bays without the gate', () => {
    const hedge = { lengthMm: 150, bayMm: 50, heightMm: 20, hedgeMm: 10, fill: 'hedge' };
    expect(fill(aPiece('fence', { ...hedge, gateBay: 0 }))).toBeCloseTo((150 * 20 * 10) / 1_000, 6);
    expect(fill(aPiece('fence', { ...hedge, gateBay: 2 }))).toBeCloseTo((100 * 20 * 10) / 1_000, 6);
  });
});

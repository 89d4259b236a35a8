import { describe, expect, test } from 'vitest';
import { applied } from '../plan/edits';
import type { Piece } from '../plan';
import { NOTHING_DONE } from '../shop';
import { CATALOGUE, aBoard, derived } from '../testing';
import { type FamilyName, newPiece } from '.';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, settings: Piece['settings'] = {}, own: Partial<Piece> = {}): Piece => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, ...own, settings: { ...fresh.settings, ...settings } };
};
const boardWith = (piece: Piece, stepUpMm = 5) => {
  const plan = aBoard();
  return { ...plan, play: { ...plan.play, stepUpMm }, pieces: [piece] };
};
/** The warnings of one code before and after its first mend. */
function mended(piece: Piece, code: string, stepUpMm?: number): readonly [before: number, after: number] {
  const plan = boardWith(piece, stepUpMm);
  const own = derived(plan).warnings.filter((warning) => warning.code === code);
  const edit = own[0]?.mends[0]?.edit;
  if (edit === undefined) return [own.length, own.length];
  const after = applied({ plan, record: NOTHING_DONE }, edit).plan;
  return [own.length, derived(after).warnings.filter((warning) => warning.code === code).length];
}

describe('a step up to a door', () => {
  test('of a floor thicker than a figure climbs is told, and gone without the floor', () => {
    expect(mended(aPiece('shed', { floor: true }), 'piece/step', 3)).toEqual([1, 0]);
  });
  test('is fine where figures climb it, and where layers of base make two steps of it', () => {
    expect(mended(aPiece('shed', { floor: true }), 'piece/step', 5)[0]).toBe(0);
    expect(mended(aPiece('shed', { floor: true, baseLayers: 2 }), 'piece/step', 5)[0]).toBe(0);
  });
});

test('a room that not one base stands in is told; one a little larger is not', () => {
  const room = (basesDeep: number) =>
    derived(boardWith(aPiece('shed', { basesDeep, slackMm: 0, windowsBack: 0, windowsEnds: 0 }))).warnings.filter(
      ({ code }) => code === 'piece/small-floor',
    ).length;
  expect([room(0.5), room(1)]).toEqual([1, 0]);
});

describe('a roof that sags', () => {
  const sheets = (thicknessMm: number) =>
    aPiece('shed').sheets.map((sheet) => (sheet.role === 'roof' ? { ...sheet, materialId: 'greyboard', thicknessMm } : sheet));
  const wide = { roof: 'flat', basesWide: 10, basesDeep: 10 };
  test('a wide flat one of thin board is told, and of thicker stock it holds', () => {
    const [before, after] = mended(aPiece('shed', wide, { sheets: sheets(1) }), 'piece/sags');
    expect(before).toBe(1);
    expect(after).toBeLessThanOrEqual(before);
    expect(mended(aPiece('shed', wide, { sheets: sheets(3) }), 'piece/sags')[0]).toBe(0);
  });
  test('a small one holds; a floor on the ground never sags', () => {
    expect(mended(aPiece('shed', { roof: 'flat' }, { sheets: sheets(2) }), 'piece/sags')[0]).toBe(0);
    expect(mended(aPiece('floor-tiles', { squareMm: 120 }), 'piece/sags')[0]).toBe(0);
  });
});

describe('glue inside a core', () => {
  const walls = (core: string, glueId: string) =>
    aPiece(
      'walls',
      { core: true },
      { glueId, sheets: aPiece('walls').sheets.map((sheet) => (sheet.role === 'core' ? { ...sheet, materialId: core } : sheet)) },
    );
  test('white glue between foam and foam never dries, and another is offered; card lets the water through', () => {
    expect(mended(walls('xps-foam', 'white-glue'), 'piece/wet-inside')).toEqual([1, 0]);
    expect(mended(walls('greyboard', 'white-glue'), 'piece/wet-inside')[0]).toBe(0);
  });
});

import { describe, expect, test } from 'vitest';
import { applied } from '../../plan/edits';
import type { Piece } from '../../plan';
import { NOTHING_DONE } from '../../plan/workshop';
import { CATALOGUE, aBoard, derived } from '../../testing';
import { hullOf, placesOf, plus } from '../shell';
import { FAMILY_NAMES, type FamilyName, makePiece, newPiece } from './index';
import { comesOff } from './measures/reach';

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

describe('glue against faces', () => {
  const codesOf = (piece: Piece) =>
    derived(boardWith(piece))
      .warnings.filter(({ code }) => code.startsWith('piece/glue') || code === 'piece/wet-inside')
      .map(({ code }) => code);
  const of = (family: Parameters<typeof aPiece>[0], glueId: string, materialId: string, thicknessMm: number) =>
    aPiece(family, {}, { glueId, sheets: aPiece(family).sheets.map((sheet) => ({ ...sheet, materialId, thicknessMm })) });
  test('superglue on foam is told, and every glue that is offered instead clears it', () => {
    expect(codesOf(of('shed', 'superglue', 'xps-foam', 5))).toEqual(['piece/glue-dissolves']);
    expect(mended(of('shed', 'superglue', 'xps-foam', 5), 'piece/glue-dissolves')).toEqual([1, 0]);
    expect(codesOf(of('shed', 'superglue', 'greyboard', 2))).toEqual([]);
  });
  test('white glue between two layers of foam is told by how long it stays wet; along narrow edges it dries from the rim', () => {
    const [told] = derived(boardWith(of('hill', 'white-glue', 'xps-foam', 10))).warnings.filter(({ code }) => code === 'piece/wet-inside');
    expect(told!.text.join(' ')).toContain('XPS insulation foam');
    expect(codesOf(of('shed', 'white-glue', 'xps-foam', 5))).toEqual([]);
    expect(codesOf(of('hill', 'white-glue', 'greyboard', 2))).toEqual([]);
  });
  test('what a glue does not grip slips', () => expect(codesOf(of('shed', 'white-glue', 'fluted-pp', 4))).toEqual(['piece/glue-slips']));
  test('hot glue under a thin skin buckles it, along its edge it does not', () => {
    expect(codesOf(of('hill', 'hot-melt', 'xps-foam', 2))).toContain('piece/glue-buckles');
    expect(codesOf(of('shed', 'hot-melt', 'xps-foam', 2))).toEqual([]);
  });
  test('the choice of glue says of each whether it holds, those that do first', () => {
    const { glues } = derived(boardWith(of('hill', 'white-glue', 'xps-foam', 10))).pieces.made[0]!;
    const holds = glues.map(({ faults }) => faults.length === 0);
    expect(holds.indexOf(false)).toBe(holds.lastIndexOf(true) + 1);
    expect(glues.find(({ id }) => id === 'superglue')!.faults).toMatchObject([{ fit: 'dissolves', faces: 'XPS insulation foam' }]);
    expect(glues.find(({ id }) => id === 'foam-safe-construction')!.faults).toEqual([]);
  });
});

describe('what is meant to come off', () => {
  const caught = (piece: Piece) => derived(boardWith(piece)).warnings.filter(({ code }) => code === 'piece/caught');
  test.each(FAMILY_NAMES)('%s does, as it is taken from the list', (family) => {
    expect(caught(aPiece(family))).toEqual([]);
  });
  const aTower = (sides: number): Piece => aPiece('tower', { sides, storeys: 3, basesAcross: 8, slits: false, doorWidthMm: 12 });
  test.each([3, 4, 5, 6, 7, 8, 9, 10, 12, 16])('floors of a tower of %i sides come out past the strips above them', (sides) => {
    expect(makePiece(aTower(sides), SCALE, CATALOGUE).problem).toBeNull();
    expect(caught(aTower(sides))).toEqual([]);
  });
  test.each([4, 5, 6, 7, 8, 9, 10, 12, 16])('and lie on strips on both sides of their middle, with %i sides', (sides) => {
    const { bodies } = makePiece(aTower(sides), SCALE, CATALOGUE).objects[0]!;
    const places = bodies.filter(({ id }) => id.startsWith('ledge-1-')).flatMap((body) => placesOf(body));
    const hull = hullOf(places.map(([x, y]) => ({ x, y })));
    const off = hull.map((from, i) => {
      const to = hull[(i + 1) % hull.length]!;
      return (from.x * to.y - from.y * to.x) / Math.hypot(to.x - from.x, to.y - from.y);
    });
    // So far from the nearest edge of what carries it: an odd number has no two walls quite across.
    expect(Math.min(...off)).toBeGreaterThan(sides % 2 === 0 ? 10 : 4);
  });
  const bodiesOf = (piece: Piece) => makePiece(piece, SCALE, CATALOGUE).objects[0]!.bodies;
  test('a floor under a whole ring is caught; between two arcs of one it comes out on edge', () => {
    const bodies = bodiesOf(aPiece('round-tower', { storeys: 3 }));
    const floor = bodies.filter(({ id }) => id === 'floor-2');
    const arcs = bodies.filter(({ id }) => id.startsWith('hoop-2'));
    const [arc, other] = arcs;
    if (arc?.kind !== 'curve' || other?.kind !== 'curve') throw new Error('no arc');
    const thick = (one: typeof arc) => ({ ...one, farMm: one.drawnMm - 4 });
    expect(comesOff(floor, [thick(arc), thick(other)])).toBe(true);
    expect(comesOff(floor, [{ ...arc, turnRad: 2 * Math.PI, farMm: arc.drawnMm - 4 }])).toBe(false);
  });
  test('a roof under another that stays is caught', () => {
    const [roof] = bodiesOf(aPiece('shed', { roof: 'flat' })).filter(({ id }) => id === 'roof');
    if (roof?.kind !== 'plate') throw new Error('no roof');
    const lid = { ...roof, id: 'lid', frame: { ...roof.frame, origin: plus(roof.frame.origin, [0, 0, 30]) } };
    expect(comesOff([roof], [lid])).toBe(false);
    expect(comesOff([lid], [roof])).toBe(true);
  });
});

describe('rooms out of reach', () => {
  const closed = (family: FamilyName, settings: Piece['settings'] = {}) =>
    derived(boardWith(aPiece(family, settings))).warnings.filter(({ code }) => code === 'piece/unreachable');
  test('a roof glued over a room that no hand goes into is told, and comes off with a click', () => {
    expect(mended(aPiece('emplacement', { isRoofFixed: true }), 'piece/unreachable')).toEqual([1, 0]);
  });
  test.each(FAMILY_NAMES)('%s has none, as it is taken from the list', (family) => {
    expect(closed(family)).toEqual([]);
  });
  test('a hand goes through a door that is large enough', () => {
    const plan = boardWith(aPiece('emplacement', { isRoofFixed: true, wallMm: 60, doorWidthMm: 45, doorHeightMm: 45 }));
    const codes = (handMm: number) => derived({ ...plan, play: { ...plan.play, handMm } }).warnings.map(({ code }) => code);
    expect(codes(90)).toContain('piece/unreachable');
    expect(codes(40)).not.toContain('piece/unreachable');
  });
});

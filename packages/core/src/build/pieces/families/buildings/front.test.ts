import { describe, expect, test } from 'vitest';
import { CATALOGUE } from '../../../../testing';
import { type MadePiece, makePiece, newPiece } from '../..';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const made = (settings: Readonly<Record<string, string | number | boolean>>): MadePiece => {
  const piece = newPiece('front', 'one', SCALE, [], CATALOGUE);
  return makePiece({ ...piece, settings: { ...piece.settings, ...settings } }, SCALE, CATALOGUE);
};
const idsOf = ({ objects }: MadePiece, start: string): readonly string[] =>
  objects[0]!.bodies.map(({ id }) => id).filter((id) => id.startsWith(start));

describe('an upright front', () => {
  test.each(['holes', 'tubes', 'galleries'] as const)('every place without a box has its %s, and the others a box', (free) => {
    const own = { columns: 3, rows: 3, filledPct: 50, free };
    const of = made(own);
    expect(of.problem).toBeNull();
    const boxes = idsOf(of, 'box-').filter((id) => id.endsWith('-lid')).length;
    const [panel] = of.objects[0]!.sheets.filter(({ id }) => id === 'panel');
    const taken = { holes: panel!.blank.rings.length - 1, tubes: idsOf(of, 'tube-').length, galleries: idsOf(of, 'gallery-').length };
    expect(boxes + taken[free]).toBe(9);
    for (const other of ['holes', 'tubes', 'galleries'] as const) if (other !== free) expect(taken[other]).toBe(0);
  });
  test('a skewer carries every box, two every gallery', () => {
    const of = made({ filledPct: 50, free: 'galleries' });
    const skewers = of.lengths.filter(({ name }) => name.includes('skewer'));
    const boxes = idsOf(of, 'box-').filter((id) => id.endsWith('-lid')).length;
    expect(skewers).toHaveLength(boxes + 2 * idsOf(of, 'gallery-').length);
  });
  test('full of boxes, only the lids of the top row are stood on', () => {
    const of = made({ filledPct: 100, columns: 3, rows: 3 });
    expect(of.shape!.levels.map(({ name }) => name)).toEqual(['Platform 3.1', 'Platform 3.2', 'Platform 3.3']);
  });
  test('stairs have a landing a row and a flight between each two, as steep as the facts say', () => {
    const of = made({ stairs: true, stairsMm: 75, widthMm: 400, rows: 3 });
    expect(of.problem).toBeNull();
    expect([idsOf(of, 'landing-').length, idsOf(of, 'flight-').length]).toEqual([3, 2]);
    const flight = of.objects[0]!.bodies.find(({ id }) => id === 'flight-1')!;
    if (flight.kind !== 'plate') throw new Error('no plate');
    const deg = (Math.acos(Math.abs(flight.frame.w[2])) * 180) / Math.PI;
    const said = of.shape!.facts!.find(({ label }) => label === 'Flight angle')!.value;
    expect(deg).toBeCloseTo(said, 6);
  });
});

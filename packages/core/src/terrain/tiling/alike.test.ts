import { describe, expect, test } from 'vitest';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';
import { aBoard, aPool, aTrack, derived } from '../../testing';
import { edgeOf, mates } from './edge';
import { puzzleOf } from './puzzle';

const BOARD = { widthMm: 800, depthMm: 400, columns: 2, rows: 1 };
const kindsOf = (...features: Feature[]): number => puzzleOf(derived(aBoard(BOARD, ...features)).ground).kinds.length;
const seam = (...features: Feature[]) => derived(aBoard(BOARD, ...features));
/** The right edge of the first tile against the left one of the second. */
function doMate(plan: Plan): boolean {
  const { ground } = derived(plan);
  return mates(edgeOf(ground.tiles[0]!, 'right', ground), edgeOf(ground.tiles[1]!, 'left', ground));
}
const bowl = (pool: Feature): Feature => ({ ...pool, floor: 'bowl' }) as Feature;
const kerbed = (track: Feature, kerbMm: number): Feature => ({ ...track, kerbMm, kerbWidthMm: 3 }) as Feature;
const left = (x: number) => [x, 100, 200, 120] as const;

describe('tiles are told apart', () => {
  test('by how deep the water stands in beds of one depth', () => {
    expect(kindsOf(aPool([...left(100)], 10, 4, 'a'), aPool([...left(500)], 10, 4, 'b'))).toBe(1);
    expect(kindsOf(aPool([...left(100)], 10, 4, 'a'), aPool([...left(500)], 10, 8, 'b'))).toBe(2);
  });
  test('by a bowl where the other has a flat floor', () => {
    expect(kindsOf(bowl(aPool([...left(100)], 10, 4, 'a')), bowl(aPool([...left(500)], 10, 4, 'b')))).toBe(1);
    expect(kindsOf(aPool([...left(100)], 10, 4, 'a'), bowl(aPool([...left(500)], 10, 4, 'b')))).toBe(2);
  });
  test('by the height of their kerbs', () => {
    const track = (x: number, id: string): Feature =>
      aTrack(
        [
          [x, 200],
          [x + 200, 200],
        ],
        60,
        id,
      );
    expect(kindsOf(kerbed(track(100, 'a'), 4), kerbed(track(500, 'b'), 4))).toBe(1);
    expect(kindsOf(kerbed(track(100, 'a'), 4), kerbed(track(500, 'b'), 7))).toBe(2);
  });
});

describe('edges do not mate', () => {
  test('where a bowl meets a flat floor of the same depth at its rim', () => {
    const flat = aPool([200, 100, 200, 120], 10, 4, 'a');
    const round = {
      ...aPool([0, 0, 1, 1], 10, 4, 'b'),
      floor: 'bowl',
      shape: { form: 'round', centre: { x: 400, y: 160 }, radiusMm: 60 },
    } as Feature;
    expect(doMate(aBoard(BOARD, round))).toBe(true);
    expect(doMate(aBoard(BOARD, flat, { ...round, shape: { form: 'round', centre: { x: 460, y: 160 }, radiusMm: 60 } } as Feature))).toBe(
      false,
    );
  });
  test('where a kerb of 4 mm meets one of 7', () => {
    const halves = (other: number): Plan =>
      aBoard(
        BOARD,
        kerbed(
          aTrack(
            [
              [100, 200],
              [400, 200],
            ],
            60,
            'a',
          ),
          4,
        ),
        kerbed(
          aTrack(
            [
              [400, 200],
              [700, 200],
            ],
            60,
            'b',
          ),
          other,
        ),
      );
    expect(doMate(halves(4))).toBe(true);
    expect(doMate(halves(7))).toBe(false);
  });
});

test('water that stands at two levels where it meets is told of, with a mend that fills one to the other', () => {
  const { warnings } = seam(aPool([200, 100, 200, 120], 10, 3, 'west'), aPool([400, 100, 200, 120], 10, 8, 'east'));
  const warning = warnings.find(({ code }) => code === 'seam/water')!;
  expect(warning.text).toContainEqual(expect.objectContaining({ value: 5, unit: 'mm' }));
  expect(warning.mends.map(({ label }) => label)).toEqual(['Fill east 3 mm deep', 'Fill west 8 mm deep']);
});

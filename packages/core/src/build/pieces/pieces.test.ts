import { describe, expect, test } from 'vitest';
import { placedParts } from '../cutting/bench';
import { applied } from '../../plan/edits';
import { type Piece, mergePlans } from '../../plan';
import { NOTHING_DONE } from '../../plan/workshop';
import { CATALOGUE, aBoard, aPlot, derived } from '../../testing';
import { FAMILY_NAMES, FRONT_SIGHT, type FamilyName, makePiece, newPiece, pieceDrawing } from './index';
import { leastRectangle } from '../shell';
import { seeded } from '../../base/random';
import { brokenLine } from './break';
import { lengthNeeds } from './making/lengths';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, settings: Piece['settings'] = {}, own: Partial<Piece> = {}): Piece => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, ...own, settings: { ...fresh.settings, ...settings } };
};
const made = (piece: Piece) => makePiece(piece, SCALE, CATALOGUE);
const sizes = (piece: Piece): Record<string, readonly [number, number]> =>
  Object.fromEntries(
    made(piece).parts.map(({ name, widthMm, depthMm }) => [
      name.split(': ')[1]!,
      [Math.round(widthMm * 100) / 100, Math.round(depthMm * 100) / 100],
    ]),
  );

test.each(FAMILY_NAMES)('every part of %s lies in its least rectangle, but for one in a hundred', (family) => {
  for (const { outline, widthMm, depthMm, name } of made(aPiece(family)).parts) {
    const least = leastRectangle(outline.rings.flat())!;
    expect(widthMm * depthMm, name).toBeLessThan((least.longMm * least.shortMm) / 0.985);
  }
});

describe('a shed for three bases by two in 5 mm board, 2 mm of slack', () => {
  test('room 77 × 52: the front covers both ends, the floor lies between', () => {
    const parts = sizes(aPiece('shed', { roof: 'flat', seat: 'on-ledge', wallMm: 40, doorHeightMm: 30 }));
    expect(parts['floor']).toEqual([77, 52]);
    // 77 + 2 × 5, and from under the floor of 5 to the top of a roof of 2
    expect(parts['front wall']).toEqual([87, 47]);
    expect(parts['left wall']).toEqual([52, 47]);
    // free by 0.5 all round
    expect(parts['roof']).toEqual([76, 51]);
  });

  test('asked for external, all that is less by two walls', () => {
    const parts = sizes(aPiece('shed', { sized: 'outside' }));
    expect(parts['front wall']![0]).toBe(77);
    expect(parts['left wall']![0]).toBe(42);
    expect(parts['floor']).toEqual([67, 42]);
  });

  test('a gable slope is as long as half the room and its overhang, by the cosine of the pitch', () => {
    const parts = sizes(aPiece('shed', { pitchDeg: 35, overhangMm: 5 }));
    const cos = Math.cos((35 * Math.PI) / 180);
    // underside: from the ridge over half the room, the wall and the overhang; on the outside the mitre adds t tan 35°
    const under = (26 + 5 + 5) / cos;
    expect(parts['roof, front slope']![1]).toBeCloseTo(under + 2 * Math.tan((35 * Math.PI) / 180), 1);
    expect(parts['roof, front slope']![0]).toBeCloseTo(77 + 2 * (5 + 5), 6);
  });

  test('parts of two sheds are cut twice; of one that is made for another board, none', () => {
    const [one, two, none] = [aPiece('shed'), aPiece('shed', {}, { count: 2 }), aPiece('shed', {}, { isMadeElsewhere: true })].map(
      (piece) => made(piece).parts.length,
    );
    expect([two, none]).toEqual([2 * one!, 0]);
  });
});

describe('a new piece of every family', () => {
  test.each(FAMILY_NAMES.flatMap((family) => [[family, 28, 25] as const, [family, 15, 15] as const]))(
    '%s for figures of %i mm on %i mm bases can be made, and nothing is wrong with it but how it stands',
    (family, figureMm, baseMm) => {
      const scale = { figureMm, baseMm, ratio: figureMm / 1_650 };
      const plan = { ...aBoard({ figureHeightMm: figureMm }), pieces: [newPiece(family, 'one', scale, [], CATALOGUE)] };
      const { warnings } = derived({ ...plan, play: { ...plan.play, baseMm } });
      expect(
        warnings.map(({ code, text }) => `${code} ${JSON.stringify(text).slice(0, 120)}`).filter((one) => !one.startsWith('piece/tips')),
      ).toEqual([]);
    },
  );
});

describe('what cannot be made', () => {
  test.each<[FamilyName, Piece['settings'], string, string]>([
    ['shed', { doorHeightMm: 50 }, 'doorHeightMm', 'taller than its wall of 42 mm. Enter up to 40 mm'],
    ['shed', { windowsBack: 9 }, 'windowsBack', 'do not fit. Enter up to 4'],
    ['shed', { pitchDeg: 90 }, 'pitchDeg', 'Enter 5 to 70 °'],
    ['tower', { sides: 2 }, 'sides', 'Enter a whole number from 3 to 16'],
    ['tower', { slitMm: 60, slits: true, doorWidthMm: 20 }, 'slitMm', 'Enter 1 to 30 mm'],
    ['walls', { straights: 0, gates: 0, corners: 0, tees: 0, brokenEnds: 0 }, 'straights', 'at least one straight'],
    ['footbridge', { riseMm: 100 }, 'riseMm', 'Enter up to 75 mm'],
  ])('%s %j is told at %s', (family, settings, field, says) => {
    const { problem, parts } = made(aPiece(family, settings));
    expect(problem).toMatchObject({ field });
    expect(problem!.says).toContain(says);
    expect(parts).toEqual([]);
  });

  test('a family nobody knows stays as it is and says so', () => {
    expect(made({ ...aPiece('shed'), family: 'castle' }).problem!.says).toContain('castle');
  });

  test('rails thicker than their posts are refused', () => {
    const piece = aPiece('fence');
    const thick = { ...piece, lengths: piece.lengths.map((one) => (one.role === 'rail' ? { ...one, lengthId: 'strip-6x6' } : one)) };
    expect(made(thick).problem!.says).toContain('Enter up to 4 mm');
  });
});

test('a wall set is counted: every kind so often, its parts so often', () => {
  const { objects, parts } = made(aPiece('walls', { straights: 5, gates: 0, corners: 4, tees: 2, brokenEnds: 1 }));
  expect(objects.map(({ id, count }) => [id, count])).toEqual([
    ['straight', 5],
    ['corner', 4],
    ['tee', 2],
    ['broken', 1],
  ]);
  // one wall each, two for a corner and a T
  expect(parts.length).toBe(5 + 4 * 2 + 2 * 2 + 1);
});

test('the same break number breaks alike, another otherwise', () => {
  const top = (seed: number): string => JSON.stringify(made(aPiece('ruin', { seed })).parts.map(({ outline }) => outline));
  expect(top(5)).toBe(top(5));
  expect(top(6)).not.toBe(top(5));
});

test('a break goes from end to end without running back, and is no straight line', () => {
  const line = brokenLine(seeded(4), { from: [10, 50], to: [90, 5], count: 7, roughMm: 4 });
  expect([line[0], line.at(-1)]).toEqual([
    [10, 50],
    [expect.closeTo(90, 9), expect.closeTo(5, 9)],
  ]);
  expect(line.slice(1).every(([x], i) => x > line[i]![0])).toBe(true);
  const off = line.map(([x, z]) => Math.abs(z - (50 - ((x - 10) * 45) / 80)));
  expect(Math.max(...off)).toBeGreaterThan(0.5);
  expect(Math.max(...off)).toBeLessThanOrEqual(4);
});

describe('strips', () => {
  const cuts = (lengths: readonly number[]) =>
    lengths.map((lengthMm, i) => ({
      id: `c${i}`,
      name: `Cut ${i}`,
      pieceId: 'one',
      lengthId: 'strip-2x2',
      lengthMm,
      endDeg: [0, 0] as const,
    }));

  test('are shared out over as few lengths as their sum allows here, and none is lost', () => {
    const [need] = lengthNeeds(cuts([700, 280, 500, 490, 300, 690]), CATALOGUE);
    expect(need!.lengths.map(({ cuts: own }) => own.map(({ lengthMm }) => lengthMm))).toEqual([
      [700, 280],
      [690, 300],
      [500, 490],
    ]);
    expect(need!.least).toBe(3);
  });

  test('one longer than the stock is told apart', () => {
    const [need] = lengthNeeds(cuts([1_200, 400]), CATALOGUE);
    expect([need!.tooLong.length, need!.lengths.length]).toEqual([1, 1]);
  });
});

describe('on a board', () => {
  const plot = { ...aPlot([100, 100, 140, 110], 30), pieceId: 'one' };
  const plan = { ...aBoard({}, plot as ReturnType<typeof aPlot>), pieces: [aPiece('shed')] };
  const before = derived({ ...plan, pieces: [] });
  const after = derived(plan);

  test('its sheets, glue, strips and evenings are in all that follows', () => {
    expect(after.tally.sheets.value).toBeGreaterThan(before.tally.sheets.value);
    expect(after.tally.handsOn.value).toBeGreaterThan(before.tally.handsOn.value);
    expect(after.tally.adhesive.value - before.tally.adhesive.value).toBeCloseTo(after.pieces.made[0]!.facts!.glue.value, 6);
    expect(after.steps.map(({ id }) => id)).toEqual(expect.arrayContaining(['cut-piece', 'make-pieces']));
    expect(after.days.slots.some(({ task }) => task.workpieceId === 'one')).toBe(true);
  });

  test('it is put together rail by rail, each a little quicker, and cut against a stop after the first of a length', () => {
    const fence = derived({ ...plan, pieces: [aPiece('fence')] });
    const { facts, lengths } = fence.pieces.made[0]!;
    const { work } = fence.steps.find(({ id }) => id === 'make-pieces')!.tasks[0]!;
    // 4 posts, and 2 rails in each of 3 bays, held at both ends
    expect([facts!.joints.value, lengths.length]).toEqual([12, 10]);
    // A rail is glued along its two ends of 5 × 2 mm, of the 50 mm of a usual joint; half of that is handling.
    const first = 2.5 * ((1 + (2 * Math.hypot(5, 2)) / 50) / 2);
    const rails = [1, 2, 3, 4, 5, 6].reduce((sum, nth) => sum + first * nth ** Math.log10(0.5), 0);
    expect(work.value).toBeCloseTo(rails + 2 * 0.7 + 8 * 0.25, 6);
  });

  test('a folded shed has its folds on its sheet, where the part lies', () => {
    const { jobs } = derived({ ...plan, pieces: [aPiece('shed', { corners: 'fold' })] });
    const job = jobs.find(
      ({ parts }) => parts.some(({ workpieceId }) => workpieceId === 'one') && parts.some(({ name }) => name.includes('front wall')),
    )!;
    const walls = job.layout.sheets.flatMap((_, i) => placedParts(job, i)).find(({ name }) => name.includes('front wall'))!;
    const folds = walls.marks.filter(({ what }) => what === 'fold');
    expect(folds.length).toBe(3);
    for (const { points } of folds)
      for (const { x, y } of points) {
        expect(x).toBeGreaterThanOrEqual(walls.leftMm - 0.01);
        expect(x).toBeLessThanOrEqual(walls.leftMm + walls.widthMm + 0.01);
        expect(y).toBeGreaterThanOrEqual(walls.topMm - 0.01);
        expect(y).toBeLessThanOrEqual(walls.topMm + walls.depthMm + 0.01);
      }
  });

  test('its plot is as high as it is', () => {
    expect(after.features.find(({ id }) => id === 'plot')).toMatchObject({
      heightMm: Math.round(after.pieces.footprints.get('one')!.highMm * 10) / 10,
    });
  });

  test('a plot that is too small says so, and its mend makes it fit', () => {
    const tight = {
      ...plan,
      features: [
        {
          ...plot,
          shape: {
            form: 'outline' as const,
            points: [
              { x: 100, y: 100 },
              { x: 150, y: 100 },
              { x: 150, y: 150 },
              { x: 100, y: 150 },
            ],
          },
        },
      ],
    } as typeof plan;
    const warning = derived(tight).warnings.find(({ code }) => code === 'piece/plot-small')!;
    const mended = applied({ plan: tight, record: NOTHING_DONE }, warning.mends[0]!.edit).plan;
    expect(derived(mended).warnings.map(({ code }) => code)).not.toContain('piece/plot-small');
  });

  test.each([
    ['piece/low-door', { doorHeightMm: 20 }],
    ['piece/narrow-door', { doorWidthMm: 15 }],
    ['piece/headroom', { wallMm: 28, doorHeightMm: 20, windowHeightMm: 6, sillMm: 6 }],
  ] as const)('%s is told, and its mend clears it', (code, settings) => {
    const bad = { ...plan, pieces: [aPiece('shed', settings)] };
    const warning = derived(bad).warnings.find((one) => one.code === code)!;
    const mended = applied({ plan: bad, record: NOTHING_DONE }, warning.mends[0]!.edit).plan;
    expect(derived(mended).warnings.map((one) => one.code)).not.toContain(code);
  });

  test('a wall that falls at a touch says what it weighs in the foot, or that it wants fixing to the plot it stands on', () => {
    const tips = (board: typeof plan) =>
      derived({ ...board, pieces: [aPiece('walls', { corners: 0, tees: 0 })] }).warnings.find(({ code }) => code === 'piece/tips')!;
    const warning = tips(plan);
    expect(tips({ ...plan, features: [] }).mends).toEqual([]);
    expect(warning.mends[0]!.edit).toMatchObject({ code: 'piece/change', change: { isFixed: true } });
  });

  test('taken away, its plot is empty', () => {
    const gone = applied({ plan, record: NOTHING_DONE }, { code: 'pieces/remove', pieceIds: ['one'] }).plan;
    expect(gone.features[0]).toMatchObject({ pieceId: null });
  });
});

test('seen from in front a shed is as wide and as high as it is, and its front lies over its back', () => {
  const { objects, facts } = made(aPiece('shed'));
  const { faces, left, right, top, bottom } = pieceDrawing(objects[0]!.bodies, FRONT_SIGHT);
  expect([right - left, bottom - top]).toEqual([
    expect.closeTo(facts!.sizes[0]!.wide.value, 6),
    expect.closeTo(facts!.sizes[0]!.high.value, 6),
  ]);
  const order = faces.map(({ bodyId }) => bodyId);
  expect(order.lastIndexOf('front')).toBeGreaterThan(order.lastIndexOf('back'));
});

test('two who change different pieces keep both; the same one in two ways is a clash', () => {
  const base = { ...aBoard(), pieces: [aPiece('shed'), { ...aPiece('tower'), id: 'two', name: 'Keep' }] };
  const to = (id: string, count: number) => ({
    ...base,
    pieces: base.pieces.map((piece) => (piece.id === id ? { ...piece, count } : piece)),
  });
  const both = mergePlans(base, to('one', 2), to('two', 3));
  expect([both.clashes, both.plan.pieces.map(({ count }) => count)]).toEqual([[], [2, 3]]);
  expect(mergePlans(base, to('two', 2), to('two', 3)).clashes).toEqual(['Keep']);
});

test('one who removes a place and one who dries a tile there: the tile dries with the board', () => {
  const board = aBoard();
  const [room, other] = [board.places[0]!, { ...board.places[0]!, id: 'loft', name: 'Loft' }];
  const base = { ...board, places: [room, other] };
  const gone = { ...base, places: [room] };
  const dries = { ...base, driedAt: [{ ...base.drying, workpieceId: 'A1', placeId: 'loft' }] };
  for (const both of [mergePlans(base, gone, dries), mergePlans(base, dries, gone)]) {
    const there = new Set(both.plan.places.map(({ id }) => id));
    expect(both.plan.driedAt.filter(({ placeId }) => !there.has(placeId))).toEqual([]);
    expect(there.has(both.plan.drying.placeId)).toBe(true);
  }
  const moved = { ...base, drying: { ...base.drying, placeId: 'loft' } };
  expect(mergePlans(base, gone, moved).plan.drying.placeId).toBe(room.id);
});

test('outside to coat: of a column its shaft all round, its foot and its cap with their edges, but for where the shaft and the foot stand', () => {
  const { facts, objects } = made(aPiece('column', { acrossMm: 20, heightMm: 60, ribs: false, footOutMm: 3 }));
  const foot = objects[0]!.bodies.find(({ id }) => id === 'foot')!;
  const edges = 'thicknessMm' in foot ? 2 * 4 * 26 * foot.thicknessMm : 0;
  const wanted = Math.PI * 20 * 60 + 3 * 26 * 26 - 2 * Math.PI * 10 ** 2 + edges;
  // What the shaft covers is counted in 48 flats.
  expect(Math.abs(facts!.outside.value - wanted)).toBeLessThan(2);
});

test('what only shows inside is not coated outside: an eight-sided basin counts its outer walls, their upper edges and its floor', () => {
  const settings = { sides: 8, acrossMm: 80, wallMm: 20, corners: 'mitre', plinthLayers: 0, rimOutMm: 0, pillar: 'none' };
  const { facts, objects } = made(aPiece('basin', settings));
  const [floor, wall] = [objects[0]!.bodies.find(({ id }) => id === 'floor')!, objects[0]!.bodies.find(({ id }) => id === 'wall-1')!];
  const thick = (body: typeof wall): number => ('thicknessMm' in body ? body.thicknessMm : 0);
  // faces of 2 (R + t) tan(180° / n), from under the floor up; the floor an octagon of n R² tan(180° / n)
  const tan = Math.tan(Math.PI / 8);
  const outside = 8 * 2 * (40 + thick(wall)) * tan * (20 + thick(floor)) + 8 * 40 ** 2 * tan;
  const upperEdges = 8 * ((40 + thick(wall)) ** 2 - 40 ** 2) * tan;
  expect(facts!.outside.value).toBeCloseTo(outside + upperEdges, 3);
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { derivePipeline } from '../../pipeline';
import { type Ground, type HeightField, fieldOf, tableBox } from '../ground';
import type { Feature } from '../../plan/features';
import type { Plan, PlayRules } from '../../plan';
import { seeded } from '../../base/random';
import { CATALOGUE, aBank, aBoard, aMound, aPlot, aPool, aRamp, aWall } from '../../testing';
import { clearanceMap, widestBase, widestToLevels } from './clearance';
import { coverOf, sightMap } from './sight';
import { levelsOf } from './levels';
import { maskRings } from './mask';
import { onTable, realSize, scaleOf, yardsticks } from './scale';
import { playReport } from './report';
import { reachMap } from './reach';
import { standingMap, standsAt } from './standing';
import { distanceCells } from './grid';

const CELL_MM = 4;
const RULES: PlayRules = { baseHex: '#4a4034', baseMm: 25, tiltDeg: 12, stepUpMm: 5, walkDeg: 30, reachMm: 600, handMm: 90 };
function fieldFor(plan: Plan, cellMm = CELL_MM): HeightField {
  return fieldOf(groundFor(plan), tableBox(plan.table), cellMm);
}
const groundFor = (plan: Plan): Ground => derivePipeline()(plan, CATALOGUE).ground;
const field = (...features: Feature[]): HeightField => fieldFor(aBoard({}, ...features));
const round = (x: number, y: number, radiusMm: number, id: string): Feature =>
  ({ ...aPlot([0, 0, 1, 1], 60, id), shape: { form: 'round', centre: { x, y }, radiusMm } }) as Feature;

test('distances on the grid are those of every pair tried, seeds 1 to 20', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const random = seeded(seed * 31);
    const [cols, rows] = [5 + Math.floor(random() * 20), 5 + Math.floor(random() * 20)];
    const marked = Uint8Array.from({ length: cols * rows }, () => Number(random() < 0.06));
    const fast = distanceCells(marked, cols, rows);
    for (let i = 0; i < marked.length; i++) {
      let best = Infinity;
      marked.forEach((mark, j) => {
        if (mark === 1) best = Math.min(best, Math.hypot((i % cols) - (j % cols), Math.floor(i / cols) - Math.floor(j / cols)));
      });
      expect(fast[i], `seed ${seed}, cell ${i}`).toBeCloseTo(best, 4);
    }
  }
});

describe('clearance agrees with geometry to within one cell', () => {
  const widest = (...features: Feature[]): number => widestBase(field(...features), RULES, 'left', 'right').baseMm;

  test('an alley of 60 mm between two long buildings lets a base of 60 through', () => {
    expect(Math.abs(widest(aPlot([300, 0, 300, 370], 60, 'north'), aPlot([300, 430, 300, 370], 60, 'south')) - 60)).toBeLessThanOrEqual(
      CELL_MM,
    );
  });
  test('two round towers of 100 mm radius, middles 270 mm apart: 70 mm between them', () => {
    // Walls close the table above and below, so that the gap is the only way.
    const [a, b] = [round(600, 265, 100, 'a'), round(600, 535, 100, 'b')];
    const walls = [
      aWall(
        [
          [600, 0],
          [600, 265],
        ],
        20,
        60,
        'n',
      ),
      aWall(
        [
          [600, 535],
          [600, 800],
        ],
        20,
        60,
        's',
      ),
    ];
    expect(Math.abs(widest(a, b, ...walls) - 70)).toBeLessThanOrEqual(CELL_MM);
  });
  test('a dog-leg of two alleys 80 and 100 mm wide: the base has to turn the corner, and 80 is the tighter', () => {
    // In from the left between y 200 and 280, down between x 560 and 660, out to the right between y 520 and 620.
    const blocks = [
      aPlot([200, 0, 460, 200], 60, 'top'),
      aPlot([660, 0, 340, 520], 60, 'right'),
      aPlot([200, 280, 360, 520], 60, 'left'),
      aPlot([560, 620, 440, 180], 60, 'bottom'),
    ];
    expect(Math.abs(widest(...blocks) - 80)).toBeLessThanOrEqual(CELL_MM);
  });
  test('a straight channel across the whole table cannot be crossed; a deck 44 wide over it lets 44 across', () => {
    const channel = aPool([580, 0, 60, 800], 8, 4);
    expect(widest(channel)).toBe(0);
    const deck = { ...aPlot([560, 300, 100, 44], 0, 'deck') } as Feature;
    expect(Math.abs(widest(channel, deck) - 44)).toBeLessThanOrEqual(CELL_MM);
  });
  test('every cell’s clearance to one block is its distance in the plane, whatever the block', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 900 }),
        fc.integer({ min: 100, max: 500 }),
        fc.integer({ min: 20, max: 200 }),
        (x, y, side) => {
          const map = clearanceMap(field(aPlot([x, y, side, side], 60)), RULES);
          for (const [cx, cy] of [
            [10, 10],
            [150, 40],
            [290, 190],
            [60, 150],
          ] as const) {
            const [px, py] = [(cx + 0.5) * CELL_MM, (cy + 0.5) * CELL_MM];
            const dx = Math.max(x - px, 0, px - x - side);
            const dy = Math.max(y - py, 0, py - y - side);
            expect(Math.abs(map.clearMm[cy * map.cols + cx]! - Math.hypot(dx, dy))).toBeLessThanOrEqual(CELL_MM);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('levels and ways up', () => {
  const mound = aMound([600, 200, 400, 400], 30);
  test('a mound of sheer sides is a level no base gets up to; a ramp of 60 mm lets 60 up', () => {
    const bare = field(mound);
    const levels = levelsOf(bare, RULES);
    expect(levels.levels.map(({ heightMm }) => heightMm)).toEqual([0, 30]);
    expect(widestToLevels(bare, RULES, 'left', levels)[1]).toBe(0);
    const ramped = field(
      mound,
      aRamp(
        [
          [480, 400],
          [600, 400],
        ],
        60,
        0,
        30,
      ),
    );
    expect(Math.abs(widestToLevels(ramped, RULES, 'left', levelsOf(ramped, RULES))[1]! - 60)).toBeLessThanOrEqual(2 * CELL_MM);
  });
  test('a step of 5 mm is climbed, one of 6 is not', () => {
    const low = (mm: number): number => {
      const plain = field(aMound([600, 200, 400, 400], mm));
      return widestToLevels(plain, RULES, 'left', levelsOf(plain, RULES))[1]!;
    };
    expect(low(5)).toBeGreaterThan(100);
    expect(low(6)).toBe(0);
  });
  test('a bank steeper than can be walked stops a base, a gentler one does not', () => {
    // Across the whole table: 20 up over 20 is 45°, over 60 is 18°.
    expect(
      widestBase(
        field(
          aBank(
            [
              [600, 0],
              [600, 800],
            ],
            60,
            20,
            20,
          ),
        ),
        RULES,
        'left',
        'right',
      ).baseMm,
    ).toBe(0);
    expect(
      widestBase(
        field(
          aBank(
            [
              [600, 0],
              [600, 800],
            ],
            140,
            20,
            20,
          ),
        ),
        RULES,
        'left',
        'right',
      ).baseMm,
    ).toBeGreaterThan(100);
  });
});

describe('standing', () => {
  /** The whole table as one slope: its tilt is exact, since the heights are. */
  const slope = (deg: number): HeightField => {
    const flat = field();
    const rise = Math.tan((deg * Math.PI) / 180) * CELL_MM;
    const heights = flat.heightMm.map((_, i) => (i % flat.cols) * rise);
    return { ...flat, heightMm: heights, walkMm: heights, topMm: heights };
  };
  const middle = 100 * 300 + 150;
  test('flips exactly at the limit: 12.00° stands, 12.01° does not', () => {
    expect(standsAt(slope(12), RULES, middle)).toMatchObject({ stands: true, tiltDeg: expect.closeTo(12, 2) as number });
    expect(standsAt(slope(12.01), RULES, middle)).toMatchObject({ stands: false });
    expect(standsAt(slope(12.01), { ...RULES, tiltDeg: 12.01 }, middle)).toMatchObject({ stands: true });
  });
  test('a lip of 1.5 mm under half the base tilts it a little and it stands; of 6 mm it rocks', () => {
    expect(standsAt(field(aMound([600, 0, 600, 800], 1.5)), RULES, middle).stands).toBe(true);
    expect(standsAt(field(aMound([600, 0, 600, 800], 6)), RULES, middle).stands).toBe(false);
  });
  test('a base does not hang over the edge of the table, nor stand in a wall', () => {
    expect(standsAt(field(), RULES, 0).stands).toBe(false);
    expect(
      standsAt(
        field(
          aWall(
            [
              [500, 402],
              [700, 402],
            ],
            20,
            30,
          ),
        ),
        RULES,
        middle,
      ).stands,
    ).toBe(false);
  });
  test('on a plateau of 100 × 100 mm four rows of bases of 25 find room at most', () => {
    const plateau = field(aMound([500, 300, 100, 100], 30));
    const standing = standingMap(plateau, RULES, levelsOf(plateau, RULES));
    expect(standing.spots[1]).toBeGreaterThanOrEqual(9);
    expect(standing.spots[1]).toBeLessThanOrEqual(16);
  });
});

describe('reach', () => {
  test('of a table 1600 deep the middle 400 mm are out of reach of a 600 mm arm', () => {
    const { farShare } = reachMap(fieldFor(aBoard({ widthMm: 2000, depthMm: 1600 })), RULES);
    expect(farShare).toBeCloseTo((800 * 400) / (2000 * 1600), 2);
  });
  test('an alley narrower than the hand cannot be reached into, a wider one can', () => {
    const alley = (gap: number): number =>
      reachMap(field(aPlot([300, 200, 200, 400], 80, 'a'), aPlot([500 + gap, 200, 200, 400], 80, 'b')), RULES).narrowShare;
    expect(alley(60)).toBeGreaterThan(0.01);
    expect(alley(110)).toBe(0);
  });
});

describe('sight', () => {
  const look = (of: HeightField) => {
    const search = sightMap(of, 28);
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
    }
  };
  test('an open table is seen whole from every side', () => {
    expect(look(field()).map(({ side, seen }) => [side, seen.value])).toEqual([
      ['back', 100],
      ['right', 100],
      ['near', 100],
      ['left', 100],
    ]);
  });
  test('a wall across the table hides all behind it from the left, and nothing before it', () => {
    const walled = field(
      aWall(
        [
          [600, 0],
          [600, 800],
        ],
        8,
        60,
      ),
    );
    const left = look(walled).find(({ side }) => side === 'left')!;
    const seen = (xMm: number): number => left.seenBy[100 * 300 + xMm / CELL_MM]!;
    expect(seen(400)).toBe(left.viewpoints);
    expect(seen(700)).toBe(0);
    expect(left.seen.value / 100).toBeCloseTo(0.5, 1);
  });
  test('over a wall lower than the eye the far ground shows where the line of sight comes down', () => {
    // Eye 25.2 mm up at x ≈ 0, wall 20 high at 400: the line falls 5.2 in 400, so a chest 16.8 up shows again from 25.2 − 16.8 = 8.4, at x ≈ 646.
    const left = look(
      field(
        aWall(
          [
            [400, 0],
            [400, 800],
          ],
          8,
          20,
        ),
      ),
    ).find(({ side }) => side === 'left')!;
    const ahead = left.seenBy.subarray(100 * 300, 101 * 300);
    const again = ahead.findIndex((count, x) => x > 110 && count > 0) * CELL_MM;
    expect(again).toBeGreaterThan(560);
    expect(again).toBeLessThan(700);
  });
  test('the sweep sees what a ray to every cell sees, on random ground, seeds 1 to 6', () => {
    let [same, all] = [0, 0];
    for (let seed = 1; seed <= 6; seed++) {
      const random = seeded(seed * 101);
      const blocks = Array.from({ length: 10 }, (_, i) =>
        aPlot(
          [Math.round(random() * 520), Math.round(random() * 320), 20 + Math.round(random() * 70), 20 + Math.round(random() * 50)],
          20 + Math.round(random() * 50),
          `p${i}`,
        ),
      );
      const small = fieldFor(aBoard({ widthMm: 600, depthMm: 400, columns: 1, rows: 1 }, ...blocks));
      const left = look(small).find(({ side }) => side === 'left')!;
      for (let cell = 0; cell < left.seenBy.length; cell++) {
        if (small.topMm[cell]! > small.walkMm[cell]!) continue;
        all += 1;
        same += Number(left.seenBy[cell]! > 0 === seenByRays(small, cell));
      }
    }
    expect(same / all).toBeGreaterThan(0.97);
  });
  test('a search is told how far it is, and stops when it is not asked on', () => {
    const search = sightMap(field(), 28);
    const first = search.next();
    expect(first.value).toMatchObject({ done: 6 });
    search.return([]);
    expect(search.next().done).toBe(true);
  });
  test('cover is even on a table that is the same from both sides', () => {
    const even = field(
      aWall(
        [
          [300, 200],
          [300, 600],
        ],
        8,
        60,
        'w',
      ),
      aWall(
        [
          [900, 200],
          [900, 600],
        ],
        8,
        60,
        'e',
      ),
    );
    const sights = look(even);
    const { hidden } = coverOf(
      even,
      sights.find(({ side }) => side === 'left')!,
      sights.find(({ side }) => side === 'right')!,
    );
    expect(hidden[0].value).toBeGreaterThan(10);
    expect(Math.abs(hidden[0].value - hidden[1].value)).toBeLessThan(2);
  });

  /** Whether any viewpoint along the left side sees a cell, by walking the straight line between them. */
  function seenByRays({ cols, rows, walkMm, topMm }: HeightField, cell: number): boolean {
    const [tx, ty] = [cell % cols, Math.floor(cell / cols)];
    const every = Math.round(50 / CELL_MM);
    for (let vy = Math.floor(every / 2); vy < rows; vy += every) {
      const view = vy * cols;
      if (topMm[view]! > walkMm[view]!) continue;
      const eye = walkMm[view]! + 28 * 0.9;
      const steps = Math.max(Math.abs(tx), Math.abs(ty - vy));
      const target = (walkMm[cell]! + 28 * 0.6 - eye) / (steps || 1);
      let blocked = false;
      for (let k = 1; k < steps && !blocked; k++) {
        const i = Math.round(vy + ((ty - vy) * k) / steps) * cols + Math.round((tx * k) / steps);
        blocked = (topMm[i]! - eye) / k > target;
      }
      if (!blocked) return true;
    }
    return false;
  }
});

test('the report: figures with workings, and hatches that cover what they say', () => {
  const plan = aBoard(
    {},
    aMound([600, 200, 400, 400], 30),
    aRamp(
      [
        [480, 400],
        [600, 400],
      ],
      60,
      0,
      30,
    ),
  );
  const report = playReport(fieldFor(plan), groundFor(plan), plan, 'left', 'right');
  expect(report.levels.map(({ name, reached }) => [name, reached.value > 0])).toEqual([
    ['Ground', true],
    ['mound, 30 mm up', true],
  ]);
  expect(report.widest.label).toBe('Widest base from left to right');
  expect(report.maps.way.length).toBeGreaterThan(100);
  expect(report.far.value).toBe(0);
});

test('ground parted by a channel is told apart by its tiles', () => {
  const plan = aBoard({}, aPool([570, 0, 60, 800], 10, 4, 'channel'));
  const { levels } = playReport(fieldFor(plan), groundFor(plan), plan, 'left', 'right');
  const names = levels.map(({ name }) => name);
  expect(names.filter((name) => name.startsWith('Ground, A'))).toHaveLength(1);
  expect(names.filter((name) => name.startsWith('Ground, B'))).toHaveLength(1);
  expect(names).toContain('channel, 10 mm down');
});

test('a mask of 3 × 2 cells is one run of points round 12 × 8 mm', () => {
  const rings = maskRings((cell) => cell % 10 < 3 && cell < 20, 10, 10, 4);
  expect(rings).toHaveLength(1);
  const xs = rings[0]!.map(({ x }) => x);
  expect([Math.min(...xs), Math.max(...xs)].map(Math.round)).toEqual([0, 12]);
});

describe('scale', () => {
  test('28 mm figures are 1 : 59, 15 mm figures 1 : 110', () => {
    expect(scaleOf(28, CATALOGUE).value).toBeCloseTo(58.9, 1);
    expect(scaleOf(15, CATALOGUE).value).toBeCloseTo(110, 6);
  });
  test('a door of 2000 mm is 34 mm on the table, and back', () => {
    const scale = scaleOf(28, CATALOGUE);
    const small = onTable(2000, scale).value;
    expect(small).toBeCloseTo(33.9, 1);
    expect(realSize(small, scale).value).toBeCloseTo(2000, 6);
  });
  test('the person beside the plan is as tall as the figure', () => {
    expect(yardsticks(28, CATALOGUE).find(({ form }) => form === 'person')!.tall.value).toBeCloseTo(28, 6);
  });
});

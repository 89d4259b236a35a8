import fc from 'fast-check';
import createManifold from 'manifold-3d';
import { beforeAll, expect, test } from 'vitest';
import { areaMm2, contains } from '../../base/geometry';
import { brinefold, larkstone } from '../../demo';
import type { Feature } from '../../plan/features';
import { bareAt, surfaceAt, tableBox } from '../../terrain/ground';
import type { Plan } from '../../plan';
import { seeded } from '../../base/random';
import { heightsIn } from '../stack';
import { CATALOGUE, aBank, aBoard, aCrater, aHill, aMound, aPit, aPlot, aPool, aRamp, aTrack, aWall, derived } from '../../testing';
import { type Solid, tableSolids } from './index';

let library: Awaited<ReturnType<typeof createManifold>>;
beforeAll(async () => {
  library = await createManifold();
  library.setup();
});

/** Volume by an independent library, which refuses what is not closed, mm³; positive where its faces look outwards. */
function volumeMm3({ positions, indices }: Solid): number {
  const mesh = new library.Mesh({ numProp: 3, vertProperties: positions, triVerts: indices });
  const body = new library.Manifold(mesh);
  expect(body.status()).toBe('NoError');
  return body.volume();
}

const DEEP_MM = 60;
function solidsOf(plan: Plan) {
  const { ground, stack } = derived(plan);
  const heights = heightsIn(stack);
  return { ground, heights, solids: tableSolids(ground, tableBox(plan.table), heights, DEEP_MM) };
}
const everyKind: readonly Feature[] = [
  aMound([80, 60, 320, 220], 30),
  aHill([500, 80, 260, 240], 12, [0, 30, 60]),
  aBank(
    [
      [60, 420],
      [300, 500],
      [420, 700],
    ],
    60,
    22,
    0,
  ),
  aRamp(
    [
      [400, 170],
      [480, 170],
      [520, 260],
    ],
    50,
    30,
    0,
  ),
  aCrater([900, 200], 60, 12, 6),
  aPit([620, 380, 140, 120], 14),
  { ...aPool([820, 380, 260, 160], 15, 6), floor: 'bowl' } as Feature,
  {
    ...aTrack(
      [
        [0, 620],
        [1200, 560],
      ],
      70,
    ),
    kerbMm: 3,
    kerbWidthMm: 6,
  } as Feature,
  aWall(
    [
      [560, 350],
      [790, 360],
    ],
    8,
    25,
  ),
  aPlot([120, 90, 90, 70], 60),
];

test.each([
  ['Brinefold', brinefold(CATALOGUE)],
  ['Larkstone', larkstone(CATALOGUE)],
  ['a board with every kind of ground', aBoard({}, ...everyKind)],
])('%s: every body is closed and the right way out, and what is printed is small', (_, plan) => {
  const { solids } = solidsOf(plan);
  for (const solid of [solids.ground, solids.printed, ...solids.standing.map((one) => one.solid)]) {
    expect(volumeMm3(solid)).toBeGreaterThan(0);
  }
  expect(solids.printed.indices.length / 3).toBeLessThan(19_000);
});

test('plain ground is a box of twelve triangles; a mound adds its own volume, a pit takes it, a pool holds its water', () => {
  const volumeOf = (...features: Feature[]) => volumeMm3(solidsOf(aBoard({}, ...features)).solids.ground);
  const { solids } = solidsOf(aBoard());
  expect(solids.ground.indices.length / 3).toBe(12);
  const plain = volumeMm3(solids.ground);
  expect(plain).toBeCloseTo(1200 * 800 * DEEP_MM, -1);
  expect(volumeOf(aMound([100, 100, 210, 130], 20)) - plain).toBeCloseTo(210 * 130 * 20, -2);
  expect(plain - volumeOf(aPit([100, 100, 210, 130], 15))).toBeCloseTo(210 * 130 * 15, -2);
  const [water] = solidsOf(aBoard({}, aPool([100, 100, 210, 130], 15, 6))).solids.standing;
  expect(water!.what).toBe('water');
  expect(volumeMm3(water!.solid)).toBeCloseTo(210 * 130 * 6, -2);
});

test('a round bowl and a crater’s rim come within a part in thirty of their closed forms', () => {
  const plain = 1200 * 800 * DEEP_MM;
  const bowl = volumeMm3(solidsOf(aBoard({}, aCrater([400, 400], 80, 20))).solids.ground);
  // A paraboloid is half of the cylinder around it.
  expect((plain - bowl) / (Math.PI * 80 ** 2 * 10)).toBeCloseTo(1, 1.18);
  const rimmed = volumeMm3(solidsOf(aBoard({}, aCrater([400, 400], 80, 20, 6))).solids.ground);
  expect((rimmed - bowl) / ((2 / 3) * 6 * 10 * 2 * Math.PI * 85)).toBeCloseTo(1, 1.18);
});

test('a wall is one body with what is printed; a building stays loose', () => {
  const { solids } = solidsOf(
    aBoard(
      {},
      aWall(
        [
          [300, 200],
          [700, 200],
        ],
        10,
        30,
      ),
      aPlot([300, 400, 100, 80], 50),
    ),
  );
  expect(volumeMm3(solids.printed) - volumeMm3(solids.ground)).toBeCloseTo(400 * 10 * 30, -2);
  expect(solids.standing.map(({ what }) => what).sort()).toEqual(['fixed', 'loose']);
});

test('the surface has the heights of the ground, within a mm, where a ramp turns within one and a half', () => {
  const plan = aBoard({}, ...everyKind);
  const { ground, heights, solids } = solidsOf(plan);
  const { positions, indices, topTriangles } = solids.ground;
  const corner = (i: number) => ({ x: positions[3 * i]!, y: positions[3 * i + 2]!, mm: positions[3 * i + 1]! });
  const ramp = ground.lands.find(({ feature }) => feature.kind === 'ramp')!;
  const random = seeded(7);
  let compared = 0;
  for (let t = 0; t < topTriangles; t++) {
    const [a, b, c] = [0, 1, 2].map((k) => corner(indices[3 * t + k]!)) as [
      ReturnType<typeof corner>,
      ReturnType<typeof corner>,
      ReturnType<typeof corner>,
    ];
    // Where two lines all but coincide they leave slivers narrower than any blade.
    const twice = Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
    const longest = Math.max(Math.hypot(b.x - a.x, b.y - a.y), Math.hypot(c.x - b.x, c.y - b.y), Math.hypot(a.x - c.x, a.y - c.y));
    if (twice / longest < 0.1) continue;
    for (let n = 0; n < 4; n++) {
      const [r, s] = [Math.sqrt(random()), random()];
      const [p, q, w] = [1 - r, r * (1 - s), r * s];
      const point = { x: p * a.x + q * b.x + w * c.x, y: p * a.y + q * b.y + w * c.y };
      compared += 1;
      const wanted = surfaceAt(ground, point, heights)(point);
      expect(Math.abs(p * a.mm + q * b.mm + w * c.mm - wanted), `${point.x} ${point.y}`).toBeLessThan(
        contains(ramp.whole, point) ? 1.5 : 1,
      );
    }
  }
  expect(compared).toBeGreaterThan(2_000);
});

test('the causeway of Brinefold runs straight: every corner of its edge in the body lies on the outline as drawn', () => {
  const plan = brinefold(CATALOGUE);
  const { ground, solids } = solidsOf(plan);
  const causeway = ground.lands.find(({ feature }) => feature.id === 'causeway')!;
  const area = areaMm2(causeway.body);
  const { positions, indices, topTriangles } = solids.ground;
  let covered = 0;
  for (let t = 0; t < topTriangles; t++) {
    const [[ax, ay], [bx, by], [cx, cy]] = [0, 1, 2].map((k) => {
      const i = indices[3 * t + k]!;
      return [positions[3 * i]!, positions[3 * i + 2]!];
    }) as [[number, number], [number, number], [number, number]];
    if (contains(causeway.body, { x: (ax + bx + cx) / 3, y: (ay + by + cy) / 3 }))
      covered += Math.abs((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)) / 2;
  }
  // Saw-teeth of 2 mm along two edges of 1.8 m would be out by thousands.
  expect(Math.abs(covered - area)).toBeLessThan(area * 2e-4);
});

test('whatever lies across whatever, the bodies are closed', () => {
  const at = (max: number) => fc.integer({ min: -40, max });
  const side = fc.integer({ min: 3, max: 300 });
  const place = fc.tuple(at(1180), at(780), side, side);
  const line = fc.array(fc.tuple(at(1240), at(840)), { minLength: 2, maxLength: 4 });
  const height = fc.integer({ min: 1, max: 40 });
  const feature: fc.Arbitrary<Feature> = fc.oneof(
    fc.tuple(place, height).map(([p, h]) => aMound(p, h)),
    fc.tuple(place, height).map(([p, h]) => aPit(p, h)),
    fc.tuple(place, height).map(([p, h]) => ({ ...aPool(p, h, h / 2), floor: h % 2 === 0 ? 'bowl' : 'flat' }) as Feature),
    fc.tuple(line, height).map(([l, h]) => aBank(l, 40, h, h % 3)),
    fc.tuple(line, height).map(([l, h]) => aRamp(l, 45, 0, h)),
    fc.tuple(line, height).map(([l, h]) => aWall(l, 7, h)),
    fc.tuple(line, height).map(([l, h]) => ({ ...aTrack(l, 50), kerbMm: h / 10, kerbWidthMm: 5 }) as Feature),
    fc.tuple(at(1200), at(800), height).map(([x, y, h]) => aCrater([x, y], 10 + h, h, h / 4)),
  );
  fc.assert(
    fc.property(fc.array(feature, { minLength: 1, maxLength: 9 }), (features) => {
      const { solids } = solidsOf(aBoard({}, ...features.map((one, i) => ({ ...one, id: `f${i}` }))));
      const all = [
        solids.ground,
        solids.printed,
        ...solids.standing.filter(({ solid }) => solid.indices.length > 0).map((one) => one.solid),
      ];
      for (const solid of all) volumeMm3(solid);
      expect(volumeMm3(solids.ground)).toBeGreaterThan(0);
    }),
    { numRuns: 25, seed: 11 },
  );
});

test('the round look and the section show the same heights along the same line', () => {
  const plan = brinefold(CATALOGUE);
  const { ground, stack, section } = derived(plan);
  const { from, to } = plan.section;
  const { built } = heightsIn(stack);
  let compared = 0;
  for (const share of Array.from({ length: 400 }, (_, i) => (i + 0.5) / 400)) {
    const atMm = section!.lengthMm * share;
    const runs = section!.slabs.filter(({ what }) => what === 'layer').flatMap((slab) => slab.runs);
    const tops = runs.filter((run) => run.fromMm <= atMm && atMm <= run.toMm).map(({ topMm }) => topMm);
    const point = { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
    compared += 1;
    expect(Math.abs(Math.max(...tops) - stack.ground.value - bareAt(ground, point, built)(point))).toBeLessThan(0.6);
  }
  expect(compared).toBe(400);
});

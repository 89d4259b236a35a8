import createManifold from 'manifold-3d';
import { beforeAll, describe, expect, test } from 'vitest';
import { seeded } from '../../../base/random';
import { type Body, type Mesh, type StockSizes, type Vec, meshOf, resolved, volumeMm3 } from '../../shell';
import type { PieceFamilyDefinition, PieceScale, PieceShape } from '../family';
import { FAMILIES, type FamilyName } from '../piece';
import { chanceSettings, chanceStocks } from '../../../testing';

let library: Awaited<ReturnType<typeof createManifold>>;
beforeAll(async () => {
  library = await createManifold();
  library.setup();
});
type Manifold = InstanceType<typeof library.Manifold>;

const SCALES: readonly PieceScale[] = [
  { figureMm: 28, baseMm: 25, ratio: 28 / 1750 },
  { figureMm: 15, baseMm: 15, ratio: 15 / 1750 },
];
/** Pieces built in every family, of as many tries as it takes. */
const BUILT = 45;
const MAX_TRIES = 700;

function manifoldOf({ places, triangles }: Mesh, what: string): Manifold {
  const mesh = new library.Mesh({
    numProp: 3,
    vertProperties: new Float32Array(places.flat()),
    triVerts: new Uint32Array(triangles.flat()),
  });
  const body = new library.Manifold(mesh);
  expect(body.status(), `${what} is closed`).toBe('NoError');
  return body;
}

describe.each(Object.keys(FAMILIES) as FamilyName[])('%s: put together in space', (name) => {
  const family = FAMILIES[name] as unknown as PieceFamilyDefinition<string, never>;

  test(`${BUILT} settings of chance, seed 11: sizes as asked, joints closed, nothing in the same place`, () => {
    const random = seeded(11);
    let built = 0;
    for (let i = 0; i < MAX_TRIES && built < BUILT; i++) {
      const scale = SCALES[i % 2]!;
      const settings = chanceSettings(family, scale, random);
      const stocks = chanceStocks(family.of.roles, random);
      const what = `${name} ${i} ${JSON.stringify(settings)} ${JSON.stringify(stocks)}`;
      const shape = family.of.shape(settings as never, scale);
      if (!shape.ok) {
        expect(
          family.of.fields.map(({ key }) => key),
          what,
        ).toContain(shape.problem.field);
        expect(shape.problem.says, what).toMatch(/Enter|Use|Change|Choose|List|needs/);
        continue;
      }
      if (expectToFit(shape.value, stocks, what, built % 3 === 0)) built += 1;
    }
    expect(built).toBe(BUILT);
  }, 240_000);
});

/** @param isThorough gaps are measured too, which takes as long as all the rest
 * @returns false where the shell itself says that it cannot be */
function expectToFit(shape: PieceShape, stocks: StockSizes, what: string, isThorough: boolean): boolean {
  for (const object of shape.objects) {
    const answer = resolved(object, stocks);
    if (!answer.ok) return false;
    const bodies = answer.value.map((body) => placed(body, `${what} ${body.id}`));
    if (isThorough) for (const { body, solid } of bodies) expectVolume(body, solid(), `${what} ${body.id}`);
    expectApart(bodies, what);
    if (isThorough) {
      expectClosed(object, bodies, what);
      expectSeated(shape, bodies, what);
    }
    for (const span of shape.clear.filter(({ objectId }) => objectId === object.id)) expectClear(span, bodies, `${what} ${span.name}`);
    for (const { free } of bodies) free();
  }
  return true;
}

interface Placed {
  readonly body: Body;
  readonly mesh: Mesh;
  readonly low: Vec;
  readonly high: Vec;
  /** Made when it is asked for: most bodies are told apart without. */
  readonly solid: () => Manifold;
  readonly free: () => void;
}
function placed(body: Body, what: string): Placed {
  const mesh = meshOf(body);
  let made: Manifold | null = null;
  const ends = (pick: (...values: number[]) => number): Vec =>
    [0, 1, 2].map((axis) => pick(...mesh.places.map((place) => place[axis]!))) as unknown as Vec;
  return {
    body,
    mesh,
    low: ends(Math.min),
    high: ends(Math.max),
    solid: () => (made ??= manifoldOf(mesh, what)),
    free: () => made?.delete(),
  };
}

/** The volume by its own sum is that of its mesh, by another library; rounds are a little more than their flats. */
function expectVolume(body: Body, solid: Manifold, what: string): void {
  const [own, other] = [volumeMm3(body), solid.volume()];
  const least = body.kind === 'plate' ? 0.9995 : 0.99;
  expect(other / own, what).toBeGreaterThan(least);
  expect(other / own, what).toBeLessThan(1.0005);
}

const SHARED_MM3 = 0.5;
function expectApart(bodies: readonly Placed[], what: string): void {
  bodies.forEach((own, i) => {
    for (const other of bodies.slice(i + 1)) {
      if ([0, 1, 2].some((axis) => own.high[axis]! < other.low[axis]! || other.high[axis]! < own.low[axis]!)) continue;
      if (isParted(own.mesh, other.mesh)) continue;
      const both = own.solid().intersect(other.solid());
      expect(both.volume(), `${what} ${own.body.id} in ${other.body.id}`).toBeLessThan(SHARED_MM3);
      both.delete();
    }
  });
}

/** Whether one of the sides of either has all of its own body behind it and all of the other before it: then they cannot share anything. */
const isParted = (a: Mesh, b: Mesh): boolean => hasBetween(a, b) || hasBetween(b, a);
function hasBetween(own: Mesh, other: Mesh): boolean {
  return own.triangles.some(([a, b, c]) => {
    const [p, q, r] = [own.places[a]!, own.places[b]!, own.places[c]!];
    const normal = cross(less(q, p), less(r, p));
    const long = Math.hypot(...normal);
    if (long < 1e-3) return false;
    const beyond = (at: Vec): number => dot(normal, less(at, p)) / long;
    return own.places.every((at) => beyond(at) < PARTED_MM) && other.places.every((at) => beyond(at) > -PARTED_MM);
  });
}
/** Flats of a round stand in for it; what two bodies share in a skin this thin is no more than the figure allowed. */
const PARTED_MM = 1e-3;

/** Every joint that names another body is closed: the two touch, or stand as far apart as was asked. */
function expectClosed(object: PieceShape['objects'][number], bodies: readonly Placed[], what: string): void {
  const solids = new Map(bodies.map(({ body, solid }) => [body.id, solid]));
  const joints = [
    ...object.faces.flatMap(({ id, edges, lies }) => [
      ...edges.map((edge) => ({ id, edge })),
      ...(lies === undefined ? [] : [{ id, edge: { joint: 'against', to: lies.on } as const }]),
    ]),
    ...(object.bars ?? []).flatMap((bar) => ('bar' in bar ? [] : (bar.ends ?? []).map((edge) => ({ id: bar.id, edge })))),
  ];
  for (const { id, edge } of joints) {
    if (edge.joint === 'free' || edge.joint === 'past' || edge.joint === 'plane') continue;
    const allowed = edge.joint === 'against' ? (edge.gapMm ?? 0) : 0;
    const gap = solids.get(id)!().minGap(solids.get(edge.to)!(), allowed + 0.2);
    expect(gap, `${what} ${id} to ${edge.to}`).toBeLessThan(allowed + 0.05);
  }
}

/** What is said to lie on something lies on it. */
function expectSeated({ rests = [] }: PieceShape, bodies: readonly Placed[], what: string): void {
  const solids = new Map(bodies.map(({ body, solid }) => [body.id, solid]));
  for (const { bodyId, on } of rests) {
    const own = solids.get(bodyId);
    if (own === undefined) continue;
    for (const under of on) expect(own().minGap(solids.get(under)!(), 0.2), `${what} ${bodyId} on ${under}`).toBeLessThan(0.05);
  }
}

/** Nothing stands between the two ends, and within 0.05 mm beyond each there is something. */
function expectClear({ from, to }: { readonly from: Vec; readonly to: Vec }, bodies: readonly Placed[], what: string): void {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
  const way = [0, 1, 2].map((k) => (to[k]! - from[k]!) / long) as unknown as Vec;
  const filled = (start: number, end: number): number => {
    const probe = rodAlong(from, way, start, end);
    const [low, high] = [start, end].map((at) => from.map((mm, axis) => mm + way[axis]! * at)) as [number[], number[]];
    const near = bodies.filter((one) =>
      [0, 1, 2].every(
        (axis) => one.low[axis]! < Math.max(low[axis]!, high[axis]!) + 1 && one.high[axis]! > Math.min(low[axis]!, high[axis]!) - 1,
      ),
    );
    const volume = near.reduce((sum, { solid }) => sum + solid().intersect(probe).volume(), 0);
    probe.delete();
    return volume;
  };
  const thin = PROBE_MM * PROBE_MM;
  expect(filled(0.05, long - 0.05), `${what}: something in the way`).toBeLessThan(thin * 0.05);
  expect(filled(-0.1, 0), `${what}: nothing at its first end`).toBeGreaterThan(thin * 0.05);
  expect(filled(long, long + 0.1), `${what}: nothing at its second end`).toBeGreaterThan(thin * 0.05);
}
const PROBE_MM = 0.1;
/** A thin square rod along a way from a place. */
function rodAlong(from: Vec, way: Vec, startMm: number, endMm: number): Manifold {
  const cube = library.Manifold.cube([endMm - startMm, PROBE_MM, PROBE_MM], false).translate([startMm, -PROBE_MM / 2, -PROBE_MM / 2]);
  const side: Vec = Math.abs(way[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0];
  const v = unit(cross(side, way));
  const w = cross(way, v);
  return cube.transform([...way, 0, ...v, 0, ...w, 0, ...from, 1] as never);
}
const less = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const unit = (a: Vec): Vec => {
  const long = Math.hypot(...a);
  return [a[0] / long, a[1] / long, a[2] / long];
};

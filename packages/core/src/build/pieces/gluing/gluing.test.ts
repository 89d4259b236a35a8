import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../../../base/random';
import { CATALOGUE, chanceSettings, chanceStocks } from '../../../testing';
import { type Body, type Mesh, type Vec, contactsOf, cross, dot, meshOf, minus, resolved } from '../../shell';
import type { PieceFamilyDefinition } from '../family';
import { makePiece } from '../making/made';
import { newPiece } from '../new-piece';
import { FAMILIES, FAMILY_NAMES, type FamilyName } from '../piece';
import { isBar } from './joints';
import { joiningMinutes, practised, sizeShare } from './joining';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
type Triangle = readonly [Vec, Vec, Vec];
interface Side {
  readonly normal: Vec;
  readonly atMm: number;
  readonly corners: Triangle;
}
const sidesOf = ({ places, triangles }: Mesh): readonly Side[] =>
  triangles.flatMap((ids): Side[] => {
    const corners = ids.map((i) => places[i]!) as unknown as Triangle;
    const across = cross(minus(corners[1], corners[0]), minus(corners[2], corners[0]));
    const long = Math.hypot(...across);
    if (long < 1e-9) return [];
    const normal = across.map((one) => one / long) as unknown as Vec;
    return [{ normal, atMm: dot(normal, corners[0]), corners }];
  });

/** What two triangles share as seen along a direction, mm²: each side of one cuts the other in turn. */
function sharedMm2(a: Triangle, b: Triangle, normal: Vec): number {
  let left: readonly Vec[] = b;
  a.forEach((from, i) => {
    const to = a[(i + 1) % 3]!;
    const inward = cross(normal, minus(to, from));
    const inside = (at: Vec): number => dot(inward, minus(at, from));
    left = left.flatMap((at, k) => {
      const next = left[(k + 1) % left.length]!;
      const [here, there] = [inside(at), inside(next)];
      const kept = here >= 0 ? [at] : [];
      if (here >= 0 === there >= 0) return kept;
      const share = here / (here - there);
      return [...kept, at.map((one, axis) => one + (next[axis]! - one) * share) as unknown as Vec];
    });
  });
  let twice = 0;
  for (let i = 2; i < left.length; i++) twice += dot(cross(minus(left[i - 1]!, left[0]!), minus(left[i]!, left[0]!)), normal);
  return Math.abs(twice) / 2;
}
function touchingByTriangles(a: Body, b: Body): number {
  const [own, theirs] = [sidesOf(meshOf(a)), sidesOf(meshOf(b))];
  let mm2 = 0;
  for (const one of own)
    for (const other of theirs)
      if (dot(one.normal, other.normal) < -0.9999 && Math.abs(one.atMm + other.atMm) < 0.2)
        mm2 += sharedMm2(one.corners, other.corners, one.normal);
  return mm2;
}
const boxesMeet = (a: Body, b: Body): boolean => {
  const [one, other] = [meshOf(a).places, meshOf(b).places];
  return [0, 1, 2].every((axis) => {
    const range = (places: readonly Vec[]): [number, number] => [
      Math.min(...places.map((place) => place[axis]!)),
      Math.max(...places.map((place) => place[axis]!)),
    ];
    const [[lowA, highA], [lowB, highB]] = [range(one), range(other)];
    return lowA <= highB + 0.3 && lowB <= highA + 0.3;
  });
};

/** Pieces of chance of each family, and bodies up to which every pair of one is looked at. */
const PIECES = 6;
const MAX_BODIES = 60;
describe.each(FAMILY_NAMES)('%s', (name) => {
  test('flat bodies touch over what their triangles share, pair by pair', { timeout: 60_000 }, () => {
    const family = FAMILIES[name] as unknown as PieceFamilyDefinition<string, never>;
    const random = seeded(37);
    let built = 0;
    for (let i = 0; i < 300 && built < PIECES; i++) {
      const shape = family.of.shape(chanceSettings(family, SCALE, random) as never, SCALE);
      const stocks = chanceStocks(family.of.roles, random);
      if (!shape.ok) continue;
      for (const object of shape.value.objects) {
        const made = resolved(object, stocks);
        if (!made.ok || made.value.length > MAX_BODIES) continue;
        built++;
        const known = new Map(contactsOf(made.value).map(({ bodyIds, mm2 }) => [[...bodyIds].sort().join('\n'), mm2]));
        const flat = made.value.filter(({ kind }) => kind === 'plate');
        for (const [k, a] of flat.entries())
          for (const b of flat.slice(k + 1)) {
            const told = known.get([a.id, b.id].sort().join('\n')) ?? 0;
            const counted = boxesMeet(a, b) ? touchingByTriangles(a, b) : 0;
            expect(Math.abs(told - counted), `${name} ${i}: ${a.id} and ${b.id}, ${told} told, ${counted} counted`).toBeLessThan(
              Math.max(0.5, counted * 0.01),
            );
          }
      }
    }
    expect(built).toBeGreaterThanOrEqual(1);
  });
});

const made = (name: FamilyName) => makePiece(newPiece(name, 'one', SCALE, [], CATALOGUE), SCALE, CATALOGUE);
const minutes = (name: FamilyName, copies: number): number =>
  joiningMinutes('', made(name).facts!.joining, copies, CATALOGUE).reduce((sum, { value }) => sum + value, 0);
const JOINED = FAMILY_NAMES.filter((name) => made(name).facts!.joints.value > 0);

test('every family with several bodies that touch has glue, and minutes to put it together', () => {
  for (const name of FAMILY_NAMES) {
    const { objects, facts } = made(name);
    if (objects.every(({ bodies }) => contactsOf(bodies).length === 0)) continue;
    expect([name, facts!.glue.value > 0, minutes(name, 1) > 0]).toEqual([name, true, true]);
  }
});
test('every family of strips, rods or tubes in several bodies has joints', () => {
  const withBars = FAMILY_NAMES.filter((name) => made(name).objects.some(({ bodies }) => bodies.length > 1 && bodies.some(isBar)));
  expect(withBars.length).toBeGreaterThan(5);
  expect(withBars.filter((name) => !JOINED.includes(name))).toEqual([]);
});
const jointsOf = (name: FamilyName, settings: Readonly<Record<string, number | string | boolean>>): number => {
  const piece = newPiece(name, 'one', SCALE, [], CATALOGUE);
  return makePiece({ ...piece, settings: { ...piece.settings, ...settings } }, SCALE, CATALOGUE).facts!.joints.value;
};
test('a fold is no joint: three corners of a folded shed are not glued', () =>
  expect(jointsOf('shed', { corners: 'mitre' }) - jointsOf('shed', { corners: 'fold' })).toBe(3));
test('a rolled shaft is glued along its seam, at its foot and at its cap', () => expect(jointsOf('column', { ribs: false })).toBe(3));
test.each(JOINED)('%s: twenty take longer than one, and less than twenty times as long', (name) => {
  expect(minutes(name, 20)).toBeGreaterThan(minutes(name, 1) * 2);
  expect(minutes(name, 20)).toBeLessThan(minutes(name, 1) * 20);
});

describe('minutes of joints', () => {
  const each = { label: 'Each', value: 2, unit: 'min', low: 2, high: 2 } as unknown as Parameters<typeof joiningMinutes>[1][number]['each'];
  const total = (sizes: readonly number[], copies = 1): number =>
    joiningMinutes('', [{ name: 'joints', each, sizes, isLearned: true }], copies, CATALOGUE).reduce((sum, { value }) => sum + value, 0);
  const size = fc.double({ min: 0.5, max: 4, noNaN: true });
  test('one joint more, or a longer one, never makes the whole quicker', () => {
    fc.assert(
      fc.property(fc.array(size, { minLength: 1, maxLength: 40 }), size, fc.integer({ min: 1, max: 5 }), (sizes, more, copies) => {
        expect(total([...sizes, more], copies)).toBeGreaterThan(total(sizes, copies));
        expect(total([sizes[0]! + more, ...sizes.slice(1)], copies)).toBeGreaterThanOrEqual(total(sizes, copies) - 1e-9);
      }),
    );
  });
  test('the tenth alike takes half of the first, and none less than a quarter', () => {
    expect(practised(1, CATALOGUE)).toBe(1);
    expect(practised(10, CATALOGUE)).toBeCloseTo(0.5, 9);
    expect(practised(100_000, CATALOGUE)).toBe(0.25);
  });
  test('half of a joint of usual length is handling; a longer one takes a little more', () => {
    const shares = [0, 50, 100, 550].map((mm) => sizeShare(mm, CATALOGUE));
    expect(shares).toEqual([0.5, 1, 1.1, 2]);
  });
});

test('of 500 glues put on materials of chance every one that cannot hold is told, and none that can', { timeout: 60_000 }, () => {
  const random = seeded(500);
  const fresh = { shed: newPiece('shed', 'one', SCALE, [], CATALOGUE), hill: newPiece('hill', 'one', SCALE, [], CATALOGUE) };
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const bySheet = CATALOGUE.materials.filter(
    ({ id, uses }) => uses.includes('piece') && CATALOGUE.sheets.some((sheet) => sheet.materialId === id),
  );
  for (let i = 0; i < 500; i++) {
    const family = pick(['shed', 'hill'] as const);
    const [material, glue] = [pick(bySheet), pick(CATALOGUE.adhesives)];
    const { thicknessMm } = pick(CATALOGUE.sheets.filter(({ materialId }) => materialId === material.id));
    const piece = fresh[family];
    const sheets = piece.sheets.map((sheet) => ({ ...sheet, materialId: material.id, thicknessMm }));
    const { problem, glues } = makePiece({ ...piece, glueId: glue.id, sheets }, SCALE, CATALOGUE);
    if (problem !== null) continue;
    // Layers lie with whole faces on one another; the walls of a shed meet along narrow edges, which dry from their rim.
    const isLayered = family === 'hill';
    const fails =
      (glue.hasSolvent && material.isHurtBySolvent) ||
      !glue.grips.includes(material.grip) ||
      (isLayered && thicknessMm < glue.leastSkinMm) ||
      (isLayered && glue.needsWaterPath && material.waterPassage === 'no');
    const told = glues.find(({ id }) => id === glue.id)!.faults.length > 0;
    expect([i, family, material.id, thicknessMm, glue.id, told]).toEqual([i, family, material.id, thicknessMm, glue.id, fails]);
  }
});

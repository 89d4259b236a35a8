import { describe, expect, test } from 'vitest';
import type { Feature } from '../../../plan/features';
import type { Piece } from '../../../plan';
import { derivePipeline } from '../../../pipeline';
import { type Mesh, cross, dot } from '../../shell';
import { CATALOGUE, aBoard, aPlot } from '../../../testing';
import { FRONT_SIGHT, type FamilyName, type MadePiece, cutThrough, makePiece, newPiece, pieceDrawing } from '../index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, settings: Piece['settings'] = {}, own: Partial<Piece> = {}): Piece => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, ...own, settings: { ...fresh.settings, ...settings } };
};
const made = (family: FamilyName, settings: Piece['settings'] = {}): MadePiece => makePiece(aPiece(family, settings), SCALE, CATALOGUE);
const volumeMm3 = ({ places, triangles }: Mesh): number =>
  triangles.reduce((sum, [a, b, c]) => sum + dot(places[a]!, cross(places[b]!, places[c]!)) / 6, 0);
const looseOf = ({ objects }: MadePiece): Mesh => objects[0]!.loose[0]!.mesh;
const mlOf = ({ shape }: MadePiece): number => shape!.fills!.reduce((sum, { ml }) => sum + ml, 0);

describe('what is heaped on a piece', () => {
  test.each([
    ['heap', {}],
    ['raised-bed', { furrows: 4 }],
    ['raised-bed', { furrows: 0 }],
    ['crater-pad', {}],
    ['rocks', { stuff: 'clay' }],
    ['fence', { fill: 'hedge', gateBay: 2 }],
  ] as const)('%s %o: its surface is closed and looks outwards', (family, settings) => {
    const of = made(family, settings);
    const meshes = of.objects.flatMap(({ loose }) => loose.map(({ mesh }) => mesh));
    if (family !== 'rocks') expect(meshes.length).toBeGreaterThan(0);
    for (const { places, triangles } of meshes) {
      const at = (i: number): string => places[i]!.map((mm) => mm.toFixed(6)).join(' ');
      const open = new Map<string, number>();
      for (const corners of triangles)
        corners.forEach((from, i) => {
          const [a, b] = [at(from), at(corners[(i + 1) % 3]!)];
          const [key, sign] = a < b ? [`${a}|${b}`, 1] : [`${b}|${a}`, -1];
          open.set(key, (open.get(key) ?? 0) + sign);
        });
      expect([...open.values()].filter((sum) => sum !== 0)).toEqual([]);
      expect(volumeMm3({ places, triangles })).toBeGreaterThan(0);
    }
  });
  test('soil in furrows, a rim and a hedge are as much as is bought of them', () => {
    for (const [family, settings, within] of [
      ['raised-bed', { furrows: 5 }, 1e-9],
      ['raised-bed', { furrows: 0 }, 1e-9],
      ['crater-pad', {}, 0.01],
      ['fence', { fill: 'hedge' }, 1e-9],
      ['fence', { fill: 'hedge', gateBay: 1 }, 1e-9],
    ] as const) {
      const of = made(family, settings);
      expect(Math.abs(volumeMm3(looseOf(of)) / 1_000 / mlOf(of) - 1), family).toBeLessThan(within);
    }
  });
  test('is as high in Play as it is heaped, and the piece as high as that', () => {
    const plot = { ...aPlot([100, 100, 200, 160], 0), pieceId: 'one' } as Feature;
    const heap = aPiece('heap', { wideMm: 120, deepMm: 90, highMm: 20 });
    const { pieces } = derivePipeline()({ ...aBoard({}, plot), pieces: [heap] }, CATALOGUE);
    const [{ upright }] = pieces.standing as readonly [(typeof pieces.standing)[number]];
    const topAt = (x: number, y: number): number => Math.max(...upright.spansAt({ x, y }).map(({ toMm }) => toMm));
    expect(topAt(200, 180)).toBeCloseTo(20, 1);
    // Two thirds of the way down the slope of the cone.
    expect(topAt(240, 180)).toBeCloseTo(20 / 3, 0);
    expect(pieces.footprints.get('one')!.highMm).toBeCloseTo(20, 6);
  });
  test('is drawn over its core, and round it where it is cut', () => {
    const { objects } = made('heap');
    const [heap] = objects;
    const faces = pieceDrawing(heap!.bodies, FRONT_SIGHT, 0, heap).faces;
    expect(faces.at(-1)!.isLoose).toBe(true);
    expect(pieceDrawing(heap!.bodies, FRONT_SIGHT, 0.5).faces.some(({ isLoose }) => isLoose)).toBe(false);
    const cut = cutThrough(heap!, { squareTo: 'x', atMm: 0 })!;
    expect(cut.faces[0]!.isLoose).toBe(true);
    expect(cut.bottom - cut.top).toBeCloseTo(made('heap').facts!.sizes[0]!.high.value, 3);
  });
});

describe('courses on the drawing', () => {
  const clad = (claddingId: string): MadePiece => {
    const cladding = [{ shows: 'walls', claddingId, layingId: CATALOGUE.claddings.find(({ id }) => id === claddingId)!.layingIds[0]! }];
    const bare = { roof: 'flat', seat: 'on-walls', windowsFront: 0, windowsBack: 0, windowsEnds: 0 };
    return makePiece(aPiece('shed', bare, { cladding }), SCALE, CATALOGUE);
  };
  test('lie between one course and the next, on every wall at the same heights', () => {
    const { objects, clads } = clad('small-bricks');
    const { cladding, laid } = clads[0]!;
    for (const yawDeg of [0, 90, 180, 270]) {
      const walls = pieceDrawing(objects[0]!.bodies, { yawDeg, pitchDeg: 0 }, 0, objects[0]).faces.filter(
        ({ courses }) => courses.length > 0,
      );
      const heights = [...new Set(walls.flatMap(({ courses }) => courses.map(([{ y }]) => y.toFixed(3))))]
        .map(Number)
        .sort((a, b) => a - b);
      expect(heights).toHaveLength(laid.courses - 1);
      const gaps = heights.slice(1).map((y, i) => y - heights[i]!);
      for (const gap of gaps) expect(gap).toBeCloseTo(cladding.highMm - cladding.lapMm + cladding.jointMm, 2);
    }
    expect(pieceDrawing(objects[0]!.bodies, FRONT_SIGHT, 0.4).faces.some(({ courses }) => courses.length > 0)).toBe(false);
  });
  test('of upright boards run upwards', () => {
    const upright = CATALOGUE.claddings.find(({ runs }) => runs === 'up')!;
    const { objects } = clad(upright.id);
    const lines = pieceDrawing(objects[0]!.bodies, FRONT_SIGHT, 0, objects[0]).faces.flatMap(({ courses }) => courses);
    expect(lines.length).toBeGreaterThan(3);
    for (const [from, to] of lines) expect(Math.abs(from.x - to.x)).toBeLessThan(1e-6);
  });
});

import { expect, test } from 'vitest';
import { contains } from '../../../base/geometry';
import { seeded } from '../../../base/random';
import { type Body, type Vec, cross, dot, meshOf, minus, plus, times } from '../../shell';
import { CATALOGUE } from '../../../testing';
import { CORNER_SIGHT, FAMILY_NAMES, axesOf, makePiece, newPiece, pieceDrawing, type Sight } from '../index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };

/** How near a body comes to the viewer at a place of the drawing; null where it is not there. Asked of its mesh, triangle by triangle. */
function depthAt(body: Body, { right, up, near }: ReturnType<typeof axesOf>, x: number, y: number): number | null {
  const { places, triangles } = meshOf(body);
  let most: number | null = null;
  for (const [a, b, c] of triangles) {
    const [p, q, r] = [places[a]!, places[b]!, places[c]!];
    const flat = (place: Vec): readonly [number, number] => [dot(place, right), dot(place, up)];
    const [[px, py], [qx, qy], [rx, ry]] = [flat(p), flat(q), flat(r)];
    const whole = (qx - px) * (ry - py) - (qy - py) * (rx - px);
    if (Math.abs(whole) < 1e-9) continue;
    const v = ((x - px) * (ry - py) - (y - py) * (rx - px)) / whole;
    const w = ((qx - px) * (y - py) - (qy - py) * (x - px)) / whole;
    if (v < 0 || w < 0 || v + w > 1) continue;
    const depth = dot(p, near) + v * dot(minus(q, p), near) + w * dot(minus(r, p), near);
    most = Math.max(most ?? -Infinity, depth);
  }
  return most;
}

test.each(FAMILY_NAMES)('%s: wherever one looks, what is drawn last is what lies nearest', (family) => {
  const random = seeded(5);
  const capped: Record<string, number | string> =
    family === 'tower' ? { sides: 8, storeys: 3, storeyMm: 42, top: 'pitched', overhangMm: 0 } : {};
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  const { objects } = makePiece({ ...fresh, settings: { ...fresh.settings, ...capped } }, SCALE, CATALOGUE);
  for (let turn = 0; turn < 6; turn++) {
    const sight: Sight = turn === 0 ? CORNER_SIGHT : { yawDeg: random() * 360, pitchDeg: 5 + random() * 80 };
    const axes = axesOf(sight);
    const { bodies } = objects[turn % objects.length]!;
    const { faces, left, right, top, bottom } = pieceDrawing(bodies, sight);
    let [wrong, asked] = [0, 0];
    for (let i = 0; i < 60; i++) {
      const [x, y] = [left + random() * (right - left), -(top + random() * (bottom - top))];
      const there = bodies.flatMap((body) => {
        const depth = depthAt(body, axes, x, y);
        return depth === null ? [] : [{ id: body.id, depth }];
      });
      if (there.length < 2) continue;
      const [nearest, next] = [...there].sort((a, b) => b.depth - a.depth);
      // Where two meet, either may be drawn last.
      if (nearest!.depth - next!.depth < 0.2) continue;
      asked += 1;
      if (faces.findLast(({ rings }) => contains({ rings }, { x, y: -y }))?.bodyId !== nearest!.id) wrong += 1;
    }
    expect(wrong, `${JSON.stringify(sight)}: ${wrong} of ${asked}`).toBe(0);
  }
});

test('the inside of a tube never lies over its outside', () => {
  const { objects } = makePiece(newPiece('pipe', 'one', SCALE, [], CATALOGUE), SCALE, CATALOGUE);
  const [tube] = objects.find(({ id }) => id === 'straight')!.bodies;
  if (tube?.kind !== 'rod') throw new Error('no tube');
  const sight: Sight = { yawDeg: 20, pitchDeg: 30 };
  const { near, right, up } = axesOf(sight);
  const { frame, radiusMm } = tube;
  // A place on the outside, 40° round from where it is nearest: what lies behind it inside is turned the other way.
  const away = minus(near, times(frame.u, dot(near, frame.u)));
  const out = times(away, 1 / Math.hypot(...away));
  const [cos, sin] = [Math.cos(0.7), Math.sin(0.7)];
  const at = plus(plus(frame.origin, times(frame.u, 40)), times(plus(times(out, cos), times(cross(frame.u, out), sin)), radiusMm * 0.97));
  const seen = pieceDrawing([tube], sight).faces.findLast(({ rings }) => contains({ rings }, { x: dot(at, right), y: -dot(at, up) }))!;
  // The light on it is that of a side turned to the viewer, not of the far wall inside.
  const outside = pieceDrawing([{ ...tube, boreMm: 0 }], sight).faces.findLast(({ rings }) =>
    contains({ rings }, { x: dot(at, right), y: -dot(at, up) }),
  )!;
  expect(seen.light).toBeCloseTo(outside.light, 6);
});

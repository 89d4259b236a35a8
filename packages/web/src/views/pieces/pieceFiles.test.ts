import { expect, test } from 'vitest';
import { makePiece, newPiece } from '@spare-acre/core/build/pieces';
import { meshOf, volumeMm3 } from '@spare-acre/core/build/shell';
import { CATALOGUE } from '../../testing/world';
import { pieceFile } from './pieceFiles';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const { objects } = makePiece(newPiece('basin', 'one', SCALE, [], CATALOGUE), SCALE, CATALOGUE);
const [basin] = objects;

/** Triangles of a binary STL: a head of 80 bytes, their count, then fifty bytes each. */
async function trianglesOf(file: Blob): Promise<number[][]> {
  const view = new DataView(await file.arrayBuffer());
  return Array.from({ length: view.getUint32(80, true) }, (_, i) =>
    Array.from({ length: 9 }, (__, k) => view.getFloat32(84 + i * 50 + 12 + k * 4, true)),
  );
}

test('an STL holds every body, closed and turned outwards: its volume is theirs', async () => {
  const triangles = await trianglesOf(await pieceFile(basin!, 'stl'));
  expect(triangles).toHaveLength(basin!.bodies.reduce((sum, body) => sum + meshOf(body).triangles.length, 0));
  const volume = triangles.reduce(
    (sum, [ax, ay, az, bx, by, bz, cx, cy, cz]) =>
      sum + (ax! * (by! * cz! - bz! * cy!) - ay! * (bx! * cz! - bz! * cx!) + az! * (bx! * cy! - by! * cx!)) / 6,
    0,
  );
  const wanted = basin!.bodies.reduce((sum, body) => sum + volumeMm3(body), 0);
  expect(volume / wanted).toBeCloseTo(1, 4);
});

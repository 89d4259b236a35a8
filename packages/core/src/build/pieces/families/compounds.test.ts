import { expect, test } from 'vitest';
import { compoundWalls } from './compounds';

/** The same walls laid out half a segment at a time on squared paper: what meets at each place says which piece lies there. */
function laidOut(segmentMm: number, widthMm: number, depthMm: number, across: number, deep: number) {
  const [wide, long] = [Math.floor(widthMm / segmentMm), Math.floor(depthMm / segmentMm)];
  const columns = Array.from({ length: across + 1 }, (_, i) => (i === across ? wide : Math.floor((wide * i) / across)));
  const rows = Array.from({ length: deep + 1 }, (_, i) => (i === deep ? long : Math.floor((long * i) / deep)));
  const count = { straights: 0, corners: 0, tees: 0, crosses: 0 };
  for (let x = 0; x <= 2 * wide; x++)
    for (let y = 0; y <= 2 * long; y++) {
      const isAcross = rows.includes(y / 2);
      const isUp = columns.includes(x / 2);
      const arms = [isAcross && x > 0, isAcross && x < 2 * wide, isUp && y > 0, isUp && y < 2 * long].filter(Boolean).length;
      if (isAcross && isUp) count[arms === 2 ? 'corners' : arms === 3 ? 'tees' : 'crosses']++;
      // A straight lies from one half place to the next but one, its middle on a whole place between knots.
      else if ((isAcross && x % 2 === 0) || (isUp && y % 2 === 0)) count.straights++;
    }
  return count;
}

test.each([
  [100, 1_230, 815, 1, 1],
  [100, 1_230, 815, 2, 1],
  [75, 900, 640, 3, 2],
  [140, 1_180, 770, 2, 2],
])('segments of %d on %d × %d mm, %d × %d compounds: as laid out on squared paper', (segmentMm, widthMm, depthMm, across, deep) => {
  const counted = compoundWalls({ segmentMm, widthMm, depthMm, across, deep, gates: 0 });
  expect(counted).toEqual({ ok: true, value: { ...laidOut(segmentMm, widthMm, depthMm, across, deep), gates: 0 } });
});

test('gates take the place of straight ones', () => {
  const at = (gates: number) => compoundWalls({ segmentMm: 100, widthMm: 1_200, depthMm: 800, across: 2, deep: 1, gates });
  const [none, two] = [at(0), at(2)];
  expect(none.ok && two.ok && [none.value.straights - two.value.straights, two.value.gates]).toEqual([4, 4]);
});

test('what does not go on the table is refused at its field, with what would do', () => {
  const place = { segmentMm: 200, widthMm: 390, depthMm: 800, across: 3, deep: 1, gates: 0 };
  expect(compoundWalls(place)).toMatchObject({ ok: false, problem: { field: 'across', says: expect.stringContaining('Enter up to 1') } });
  expect(compoundWalls({ ...place, across: 1, gates: 9 })).toMatchObject({ ok: false, problem: { field: 'gates' } });
});

import { describe, expect, test } from 'vitest';
import { type Body, type Face, type Plate, type StockSizes, bevelDeg, flatParts, resolved, volumeMm3 } from '../../shell';
import { regularRing, walled } from './enclosure';

const sheet = (thicknessMm: number): StockSizes[string] => ({ thicknessMm, widthMm: null, isRound: false });
function bodiesOf({ faces }: { readonly faces: readonly Face[] }, stocks: StockSizes): readonly Body[] {
  const made = resolved({ id: 'a', name: 'A', count: 1, faces }, stocks);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return made.value;
}
const longOf = (ring: Plate['loops'][number]['drawn']): number => Math.max(...ring.map(({ x }) => x)) - Math.min(...ring.map(({ x }) => x));
const ringOf = (
  sides: number,
  radius: number,
  corners: 'mitre' | 'butt' | 'v-fold' | 'score-fold',
  highMm = 20,
  grows: 'out' | 'in' = 'out',
): readonly Face[] =>
  walled({
    id: 'wall',
    name: (i) => `Wall ${i + 1}`,
    role: 'wall',
    ring: regularRing(sides, radius),
    topMm: () => highMm,
    corners,
    grows,
    bottom: { joint: 'free' },
    top: () => ({ joint: 'free' }),
  });

describe('walls round an n-gon', () => {
  test.each(Array.from({ length: 14 }, (_, i) => i + 3))(
    'n = %i: bevels of 180°/n, faces of 2 R tan(180°/n), the ring as full as its closed form',
    (n) => {
      const [radius, thick, high] = [40, 4.3, 20];
      const bodies = bodiesOf({ faces: ringOf(n, radius, 'mitre', high) }, { wall: sheet(thick) });
      const tan = Math.tan(Math.PI / n);
      for (const body of bodies as readonly Plate[]) {
        const [{ drawn, far, cuts }] = [body.loops[0]!];
        expect(longOf(drawn)).toBeCloseTo(2 * radius * tan, 6);
        expect(longOf(far)).toBeCloseTo(2 * (radius + thick) * tan, 6);
        expect([cuts[1]!, cuts[3]!].map(bevelDeg)).toEqual([expect.closeTo(180 / n, 6), expect.closeTo(180 / n, 6)]);
      }
      const whole = bodies.reduce((sum, body) => sum + volumeMm3(body), 0);
      expect(whole).toBeCloseTo(n * tan * ((radius + thick) ** 2 - radius ** 2) * high, 4);
    },
  );

  test('folded in V-cuts it is one part: as long as all outer faces, a V at every corner but the last, each 2 t tan(180°/n) wide', () => {
    const [n, radius, thick] = [6, 30, 5];
    const { sheets } = flatParts(bodiesOf({ faces: ringOf(n, radius, 'v-fold') }, { wall: sheet(thick) }));
    expect(sheets.length).toBe(1);
    const [part] = sheets;
    const tan = Math.tan(Math.PI / n);
    expect(longOf(part!.far.flat())).toBeCloseTo(n * 2 * (radius + thick) * tan, 6);
    expect(part!.folds.map(({ side, bendDeg, grooveMm }) => [side, bendDeg, grooveMm])).toEqual(
      Array.from({ length: n - 1 }, () => ['drawn', expect.closeTo(360 / n, 6), expect.closeTo(2 * thick * tan, 6)]),
    );
  });

  test('scored and folded it opens outside: as long as all inner faces, each gap as wide as the V would have been', () => {
    const [n, radius, thick] = [8, 30, 3];
    const [part] = flatParts(bodiesOf({ faces: ringOf(n, radius, 'score-fold') }, { wall: sheet(thick) })).sheets;
    const tan = Math.tan(Math.PI / n);
    // one end of the row is mitred to close it
    expect(longOf(part!.drawn.flat())).toBeCloseTo(n * 2 * radius * tan, 6);
    expect(part!.folds.every(({ side }) => side === 'far')).toBe(true);
    expect(part!.folds[0]!.grooveMm).toBeCloseTo(2 * thick * tan, 6);
  });

  test('scored where the outside was asked for, it turns about its inside: as long as all inner faces', () => {
    const [n, radius, thick] = [8, 30, 3];
    const [part] = flatParts(bodiesOf({ faces: ringOf(n, radius, 'score-fold', 20, 'in') }, { wall: sheet(thick) })).sheets;
    const tan = Math.tan(Math.PI / n);
    expect(longOf(part!.far.flat())).toBeCloseTo(n * 2 * (radius - thick) * tan, 6);
    expect(part!.folds.every(({ side }) => side === 'drawn')).toBe(true);
  });

  test('butt corners of a square: each covers the next, one thickness longer than the room', () => {
    const bodies = bodiesOf({ faces: ringOf(4, 25, 'butt') }, { wall: sheet(6) }) as readonly Plate[];
    expect(bodies.map(({ loops: [loop] }) => longOf(loop!.drawn))).toEqual([56, 56, 56, 56].map((mm) => expect.closeTo(mm, 6) as number));
    expect(bodies.flatMap(({ loops: [loop] }) => loop!.cuts.map(bevelDeg)).every((deg) => Math.abs(deg) < 1e-9)).toBe(true);
  });
});

test('a face thicker than its bevels leave anything of is refused by name', () => {
  const thin = resolved(
    { id: 'a', name: 'A', count: 1, faces: ringOf(4, 3, 'mitre').map((face) => ({ ...face, grows: 'in' as const })) },
    { wall: sheet(4) },
  );
  expect(thin).toMatchObject({ ok: false, problem: { code: 'shell/vanishes', faceName: 'Wall 1' } });
});

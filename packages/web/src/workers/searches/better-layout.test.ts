import { evenTrim, type Blank, type LayoutProgress, type LayoutTask, improveLayout } from '@spare-acre/core/build/cutting/nesting';
import { describe, expect, test } from 'vitest';
import { seeded } from '@spare-acre/core/base/random';
import { bestOf } from './better-layout';

const sheet = { widthMm: 600, depthMm: 400, trim: evenTrim(0), offcutId: null, priceMinor: 100 };
const blank = (i: number): Blank => ({ id: `p${i}`, widthMm: 100 + ((i * 37) % 190), depthMm: 80 + ((i * 53) % 130), mayTurn: true });
const task: LayoutTask = { blanks: Array.from({ length: 14 }, (_, i) => blank(i)), stock: [sheet], kerfMm: 1, aim: 'fewest', pinned: [] };
function after(seed: number, answers: number): LayoutProgress {
  const steps = improveLayout(task, seeded(seed));
  let last: LayoutProgress | undefined;
  for (let i = 0; i < answers; i++) last = steps.next().value as LayoutProgress;
  return last!;
}

describe('several searches for one layout', () => {
  const [short, long] = [after(1, 1), after(2, 12)];
  test('the better one is told, whoever found it, with the moves of all', () => {
    const restMm2 = ({ layout }: LayoutProgress): number => Math.max(...layout.sheets.map(({ rest }) => rest.widthMm * rest.depthMm));
    const best = bestOf([short, null, long], 'fewest')!;
    expect(best.moves).toBe(short.moves + long.moves);
    expect(restMm2(best)).toBe(Math.max(restMm2(short), restMm2(long)));
    expect(bestOf([long, short], 'fewest')!.layout).toBe(best.layout);
  });
  test('of equal ones it is the first; nobody’s answer is none', () => {
    const again = { ...long, layout: { ...long.layout } };
    expect(bestOf([long, again], 'fewest')!.layout).toBe(long.layout);
    expect(bestOf([null, null], 'fewest')).toBeNull();
  });
});

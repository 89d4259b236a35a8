import { expect, test } from 'vitest';
import type { Mended } from '../../../plan';
import { CATALOGUE, aBoard, derived } from '../../../testing';

const mend = (change: Partial<Mended> = {}): Mended => ({
  id: 'flat',
  name: 'Weigh flat',
  workpieceId: 'A1',
  workMin: 20,
  waitMin: 1_440,
  coating: { coatingId: CATALOGUE.bench.sealerId, ml: 50 },
  adhesive: { adhesiveId: 'white-glue', grams: 30 },
  ...change,
});

test('a mend comes before all that is left to do on its workpiece, waits, and is bought', () => {
  const plan = aBoard();
  const [before, after] = [plan, { ...plan, mends: [mend()] }].map((one) => derived(one));
  const [own] = after!.days.slots.filter(({ task }) => task.id === 'mend-flat-A1');
  const rest = after!.days.slots.filter(({ task }) => task.workpieceId === 'A1' && task.id !== 'mend-flat-A1');
  expect(rest.length).toBeGreaterThan(3);
  for (const { startMin } of rest) expect(startMin).toBeGreaterThanOrEqual(own!.endMin + 1_440);
  const glue = (of: typeof before): number => of!.allGlues.find(({ adhesiveId }) => adhesiveId === 'white-glue')?.mass.value ?? 0;
  expect(glue(after) - glue(before)).toBeCloseTo(30, 6);
  const sealer = (of: typeof before): number =>
    of!.coatings.find(({ coating }) => coating.id === CATALOGUE.bench.sealerId)?.volume.value ?? 0;
  expect(sealer(after) - sealer(before)).toBeCloseTo(50, 6);
  expect(after!.supplies.buy.value).toBeGreaterThanOrEqual(before!.supplies.buy.value);
});

test('of a workpiece that is gone nothing is mended', () => {
  expect(derived({ ...aBoard(), mends: [mend({ workpieceId: 'Z9' })] }).steps.some(({ id }) => id === 'mend-flat')).toBe(false);
});

import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aMound, aTrack, derived, mended } from '../../testing';
import { builtHeights } from '../../build/stack';
import { derivePipeline } from '../../pipeline';

test('a tower stands on its own host, whatever else has that height: built 20 on 40 it ends at 60', () => {
  const plan = aBoard(
    {},
    aMound([0, 0, 200, 200], 20, 'unrelated'),
    aMound([300, 0, 300, 300], 10, 'foot'),
    aMound([320, 20, 200, 200], 20, 'host'),
    aMound([340, 40, 100, 100], 30, 'tower'),
  );
  const only20 = { ...plan, stack: { ...plan.stack, raised: { ...plan.stack.raised, atHandMm: [20] } } };
  const { ground, stack } = derivePipeline()(only20, CATALOGUE);
  const built = builtHeights(stack.raised);
  const top = (id: string): number => built(ground.lands.find((land) => land.id === id)!);
  expect([top('unrelated'), top('foot'), top('host'), top('tower')]).toEqual([20, 20, 40, 60]);
});

describe('a feature partly off the table', () => {
  const codesOf = (...features: Parameters<typeof aBoard>[1][]): string[] =>
    derived(aBoard({}, ...features)).warnings.map(({ code }) => code);
  test('is told of, by how much, and moved onto it by one click', () => {
    const plan = aBoard({}, aMound([-50, 100, 200, 100], 20));
    const warning = derived(plan).warnings.find(({ code }) => code === 'ground/partly-off')!;
    expect(warning.text).toContainEqual(expect.objectContaining({ value: 50, unit: 'mm' }));
    expect(warning.text).toContainEqual(expect.objectContaining({ value: 5_000, unit: 'mm²' }));
    const after = mended(plan, warning.mends[0]!);
    expect(derived(after).warnings.map(({ code }) => code)).not.toContain('ground/partly-off');
  });
  test('wider than the table it is told of, with nothing to be done by moving', () => {
    const { mends } = derived(aBoard({}, aMound([-50, 100, 1400, 100], 20))).warnings.find(({ code }) => code === 'ground/partly-off')!;
    expect(mends).toEqual([]);
  });
  test('a track that runs over the edge, and a line drawn a hair too far, are not', () => {
    expect(
      codesOf(
        aTrack(
          [
            [-60, 200],
            [300, 200],
          ],
          40,
        ),
      ),
    ).not.toContain('ground/partly-off');
    expect(codesOf(aMound([-0.5, 100, 200, 100], 20))).not.toContain('ground/partly-off');
  });
});

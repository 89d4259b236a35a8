import { expect, test } from 'vitest';
import { CATALOGUE, aBoard, aMound } from '../../testing';
import { type BuildOption, buildOptionsOf } from './build-options';
import { derivePipeline } from '../full';

const joined = aBoard({}, aMound([100, 100, 200, 100], 20));
const plan = { ...joined, cutting: { ...joined.cutting, joints: 'laid' as const } };
let buildOptions: readonly BuildOption[] = [];
let steps = 0;
for (const progress of buildOptionsOf(plan, CATALOGUE)) [buildOptions, steps] = [progress.buildOptions, steps + 1];
const by = (id: string): BuildOption => buildOptions.find((option) => option.id === id)!;

test('each option is the same board built its way: its figures are those of that plan, told one after another', () => {
  expect(steps).toBe(buildOptions.length + 1);
  for (const { stack, hours, cost, mass } of buildOptions) {
    const { tally } = derivePipeline()({ ...plan, stack }, CATALOGUE);
    expect([hours.value, cost.value, mass.value]).toEqual([tally.handsOn.value, tally.cost.value, tally.mass.value]);
  }
});

test('the plan’s own way is marked in each group it is in', () => {
  expect(buildOptions.filter(({ isOwn }) => isOwn).map(({ id }) => id)).toEqual(['cut-first', 'substrate']);
});

test('trimmed flush after: parts of the foam 10 mm larger a side, a step of trimming, no aligning', () => {
  const derived = derivePipeline()({ ...plan, stack: by('trim-after').stack }, CATALOGUE);
  const foam = derived.partList.parts.find(({ id }) => id === 'A1-ground-0')!;
  expect([foam.widthMm, foam.depthMm]).toEqual([620, 420]);
  expect(derived.partList.parts.find(({ id }) => id === 'A1-substrate-0')!.widthMm).toBe(600);
  // the oversize goes again: the tiles weigh what they did
  expect(derived.tiles.map(({ mass }) => mass.value)).toEqual(
    derivePipeline()(plan, CATALOGUE).tiles.map(({ mass }) => expect.closeTo(mass.value, 3) as number),
  );
  // round four tiles of 600 × 400 at 1 m a minute
  expect(derived.steps.find(({ id }) => id === 'trim')!.tasks.reduce((sum, { work }) => sum + work.value, 0)).toBeCloseTo(4 * 2, 6);
});

test('without a substrate it is lighter and takes no board; white glue everywhere leaves foam on foam wet', () => {
  expect(by('no-substrate').mass.value).toBeLessThan(by('substrate').mass.value);
  expect(by('no-substrate').cost.value).toBeLessThan(by('substrate').cost.value);
  expect(by('adhesive-white-glue').risks.map(({ code }) => code)).toContain('glue/never-dries');
  expect(by('adhesive-superglue').risks.some(({ isStop }) => isStop)).toBe(true);
  expect(by('sealed-substrate').bow.worst.value).toBeLessThan(by('substrate').bow.worst.value);
});

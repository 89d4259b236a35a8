import { describe, expect, test } from 'vitest';
import { seeded } from '../base/random';
import { given, reckon, total } from '../base/units';
import { type Estimate, estimated, figuresOf, rangesOf } from '../catalogue';
import { CATALOGUE, aBoard, derived } from '../testing';
import { derivePipeline } from '../pipeline';
import { correctionsFrom, impliedBy, inHand } from '.';

const GLUE = 'adhesives.white-glue.gPerM2';
const glue = figuresOf(CATALOGUE).get(GLUE)!;
const times = (factor: number, count = 1, path = GLUE) =>
  Array.from({ length: count }, () => ({ path, value: figuresOf(CATALOGUE).get(path)!.value * factor }));
const only = (readings: ReturnType<typeof times>) => correctionsFrom(readings, CATALOGUE)[0]!;
const width = ({ low, high }: Estimate): number => Math.log(high / low);

describe('corrections', () => {
  test('20 % more in four sittings: the mean of the logarithms with a prior of three readings', () => {
    const { factor, readings } = only(times(1.2, 4));
    expect(readings).toBe(4);
    expect(factor).toBeCloseTo(Math.exp((4 * Math.log(1.2)) / 7), 6);
  });
  test('one reading moves it by a quarter of what a hundred do, which all but reach it', () => {
    expect(Math.log(only(times(1.2)).factor)).toBeCloseTo(Math.log(1.2) / 4, 6);
    expect(only(times(1.2, 100)).factor).toBeGreaterThan(1.19);
  });
  test('one absurd reading hardly moves it, be it alone or among others', () => {
    const four = only(times(1.2, 4)).factor;
    expect(only([...times(1.2, 4), ...times(40)]).factor / four).toBeLessThan(1.03);
    expect(only([...times(1.2, 4), ...times(0.02)]).factor / four).toBeGreaterThan(0.95);
    expect(only(times(40)).factor).toBeLessThan(1.1);
  });
  test('the range narrows with every reading, keeps its lean, and narrows less where readings are far apart', () => {
    const after = (count: number) => figuresOf(inHand(CATALOGUE, [only(times(1.2, count))])).get(GLUE)!;
    expect(width(after(1))).toBeLessThan(width(glue));
    expect(width(after(8))).toBeLessThan(width(after(4)));
    const lean = ({ low, value, high }: Estimate): number => Math.log(high / value) / Math.log(value / low);
    expect(lean(after(4))).toBeCloseTo(lean(glue), 6);
    const wild = only([...times(0.5, 4), ...times(2.4, 4)]);
    expect(wild.keeps).toBeGreaterThan(only(times(1.2, 8)).keeps);
  });
  test('what the catalogue no longer has is passed over', () => {
    expect(correctionsFrom([{ path: 'adhesives.gone.gPerM2', value: 3 }], CATALOGUE)).toEqual([]);
  });
  test('hands are found again within their stated error: 40 hands, 200 tasks each over eight values', () => {
    const paths = [...figuresOf(CATALOGUE)].filter(([, { low, high }]) => low > 0 && high / low > 1.3 && high / low < 4).slice(0, 8);
    expect(paths).toHaveLength(8);
    let within = 0;
    let all = 0;
    for (let hand = 0; hand < 40; hand++) {
      const random = seeded(500 + hand);
      const bell = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
      const truths = paths.map(([path, figure]) => ({ path, figure, ratio: (bell() * width(figure)) / (2 * 1.2816) }));
      const readings = Array.from({ length: 200 }, () => {
        const { path, figure, ratio } = truths[Math.floor(random() * truths.length)]!;
        return { path, value: figure.value * Math.exp(ratio + bell() * 0.2) };
      });
      for (const { path, factor, keeps } of correctionsFrom(readings, CATALOGUE)) {
        const { figure, ratio } = truths.find((one) => one.path === path)!;
        all++;
        if (Math.abs(Math.log(factor) - ratio) <= 1.2816 * keeps * (width(figure) / (2 * 1.2816))) within++;
      }
    }
    expect(all).toBe(320);
    // Eight in ten would be within a stated error that is neither too proud nor too humble; ranges cannot narrow below what was left of the prior.
    expect(within / all).toBeGreaterThan(0.8);
  });
});

describe('the catalogue in hand', () => {
  const corrected = inHand(CATALOGUE, [only(times(1.2, 4))]);
  test('every figure says so, nothing else is other, and without corrections it is the very same', () => {
    const derive = derivePipeline();
    const [before, after] = [CATALOGUE, corrected].map((catalogue) => derive(aBoard(), catalogue).allGlues[0]!.mass);
    expect(after!.value / before!.value).toBeCloseTo(Math.exp((4 * Math.log(1.2)) / 7), 6);
    expect(JSON.stringify(after)).toContain('your hand: +11 % from 4 readings');
    const others = [...figuresOf(corrected)].filter(([path]) => path !== GLUE);
    for (const [path, figure] of others) expect(figure).toBe(figuresOf(CATALOGUE).get(path));
    expect(inHand(CATALOGUE, [])).toBe(CATALOGUE);
  });
  test('a share never goes over all of it', () => {
    const path = [...figuresOf(CATALOGUE)].find(([one, { value }]) => one.endsWith('Pct') && value > 60)![0];
    const { value, high } = figuresOf(inHand(CATALOGUE, [{ path, readings: 9, factor: 3, keeps: 0.5 }])).get(path)!;
    expect([value, high]).toEqual([100, 100]);
  });
});

describe('what a reading says of the catalogue', () => {
  const places = rangesOf(CATALOGUE);
  const pathOf = (range: Parameters<Parameters<typeof impliedBy>[2]>[0]) => places.get(range);
  test('the adhesive that was weighed is laid on its spread, loss and all', () => {
    const { mass } = derived(aBoard()).allGlues.find(({ adhesiveId }) => adhesiveId === 'white-glue')!;
    const implied = impliedBy(mass, mass.value * 1.3, pathOf)!;
    expect(implied.path).toBe(GLUE);
    expect(implied.value).toBeCloseTo(glue.value * 1.3, 3);
  });
  test('of a fixed part and a rate only the rate is corrected, by as much as explains all of it, whichever way it turns', () => {
    const pace = { value: 2, low: 1, high: 3, origin: 'ours', path: 'methods.brush.m2PerH' };
    const setUp = given('Set up', 10, 'min', 'definition');
    const hours = reckon('Hours', 'h', given('Area', 1, 'm²', 'drawing'), '÷', estimated('Pace', pace, 'm²/h'));
    const minutes = total('Minutes', 'min', [setUp, reckon('Brushing', 'min', hours, '×', given('An hour', 60, 'min/h', 'definition'))]);
    expect(minutes.value).toBe(40);
    const implied = impliedBy(minutes, 55, () => undefined)!;
    expect(implied.path).toBe('methods.brush.m2PerH');
    expect(implied.value).toBeCloseTo(60 / 45, 4);
    expect(impliedBy(minutes, 10, () => undefined)!.value).toBeCloseTo(16, 1);
  });
  test('of two that it goes by the less sure one is corrected, in whatever order they come', () => {
    const loose = { value: 100, low: 50, high: 200, origin: 'ours', path: 'coatings.a.loose' };
    const tight = { value: 2, low: 1.9, high: 2.1, origin: 'ours', path: 'coatings.a.tight' };
    const [a, b] = [estimated('Loose', loose, 'g'), estimated('Tight', tight, '1')];
    for (const both of [reckon('Both', 'g', a, '×', b), total('Both', 'g', [reckon('Twice', 'g', a, '×', b)])])
      expect(impliedBy(both, 300, () => undefined)).toMatchObject({ path: 'coatings.a.loose' });
    expect(impliedBy(reckon('Both', 'g', a, '×', b), 300, () => undefined)!.value).toBeCloseTo(150, 4);
  });
  test('nothing is said where nothing of the catalogue goes in', () => {
    expect(impliedBy(given('Tiles', 6, '1', 'plan'), 7, pathOf)).toBeNull();
  });
});

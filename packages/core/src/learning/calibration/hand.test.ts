import { describe, expect, test } from 'vitest';
import { seeded } from '../../base/random';
import { given, calculate, total } from '../../base/units';
import { type Estimate, estimated, figuresOf, rangesOf } from '../../catalogue';
import { CATALOGUE, aBoard, derived } from '../../testing';
import { derivePipeline } from '../../pipeline';
import { correctionsFrom, courseOf, handOf, handsFrom, impliedBy, inHand, isOfPlaces } from './index';

const GLUE = 'adhesives.white-glue.gPerM2';
const glue = figuresOf(CATALOGUE).get(GLUE)!;
const times = (factor: number, count = 1, path = GLUE) =>
  Array.from({ length: count }, () => ({ path, value: figuresOf(CATALOGUE).get(path)!.value * factor, who: '' }));
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
    expect(correctionsFrom([{ path: 'adhesives.gone.gPerM2', value: 3, who: '' }], CATALOGUE)).toEqual([]);
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
        return { path, value: figure.value * Math.exp(ratio + bell() * 0.2), who: '' };
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

describe('hand by hand', () => {
  const of = (who: string, factor: number, count: number, path = GLUE) => times(factor, count, path).map((one) => ({ ...one, who }));
  const handed = (people: readonly string[], readings: ReturnType<typeof of>) => handOf(people, handsFrom(readings, CATALOGUE));
  test('a board goes by the hand of who builds it, however the name is written, and not by another’s', () => {
    const readings = [...of('Ada', 1.2, 4), ...of('Ben', 0.7, 9)];
    const [own] = handed(['ada '], readings);
    expect(own).toEqual(only(times(1.2, 4)));
    expect(handed(['Cleo'], readings)).toEqual([]);
  });
  test('two hands count alike, whatever each has written; one of whom nothing is known is as the catalogue says', () => {
    const [both] = handed(['Ada', 'Ben'], [...of('Ada', 1.2, 4), ...of('Ben', 0.7, 9)]);
    const [ada, ben] = [only(times(1.2, 4)), only(times(0.7, 9))];
    expect(Math.log(both!.factor)).toBeCloseTo((Math.log(ada.factor) + Math.log(ben.factor)) / 2, 9);
    expect(both).toMatchObject({ readings: 13, keeps: (ada.keeps + ben.keeps) / 2 });
    const [half] = handed(['Ada', 'Cleo'], of('Ada', 1.2, 4));
    expect(Math.log(half!.factor)).toBeCloseTo(Math.log(ada.factor) / 2, 9);
    expect(half!.keeps).toBeCloseTo((ada.keeps + 1) / 2, 9);
  });
  test('what nobody in particular wrote counts for everybody', () => {
    const readings = [...of('', 1.2, 2), ...of('Ada', 1.2, 2)];
    expect(handed(['Ada'], readings)).toEqual([only(times(1.2, 4))]);
    expect(handed(['Ben'], readings)).toEqual([only(times(1.2, 2))]);
    expect(handed(['Ada', 'Ben'], of('', 1.2, 2))).toEqual([only(times(1.2, 2))]);
  });
  test('how a place dries is the place’s: all who read it are asked together', () => {
    const path = 'placeKinds.garage.slower.inWinter';
    expect(isOfPlaces(path)).toBe(true);
    const [one] = handed(['Cleo'], [...of('Ada', 1.3, 2, path), ...of('Ben', 1.3, 2, path)]);
    expect(one).toEqual(only(times(1.3, 4, path)));
  });
});

describe('the catalogue in hand', () => {
  const corrected = inHand(CATALOGUE, [only(times(1.2, 4))]);
  test('every figure says so, nothing else is other, and without corrections it is the very same', () => {
    const derive = derivePipeline();
    const [before, after] = [CATALOGUE, corrected].map((catalogue) => derive(aBoard(), catalogue).allGlues[0]!.mass);
    expect(after!.value / before!.value).toBeCloseTo(Math.exp((4 * Math.log(1.2)) / 7), 6);
    expect(JSON.stringify(after)).toContain('your pace: +11 % from 4 readings');
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
    const hours = calculate('Hours', 'h', given('Area', 1, 'm²', 'drawing'), '÷', estimated('Pace', pace, 'm²/h'));
    const minutes = total('Minutes', 'min', [setUp, calculate('Brushing', 'min', hours, '×', given('An hour', 60, 'min/h', 'definition'))]);
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
    for (const both of [calculate('Both', 'g', a, '×', b), total('Both', 'g', [calculate('Twice', 'g', a, '×', b)])])
      expect(impliedBy(both, 300, () => undefined)).toMatchObject({ path: 'coatings.a.loose' });
    expect(impliedBy(calculate('Both', 'g', a, '×', b), 300, () => undefined)!.value).toBeCloseTo(150, 4);
  });
  test('a drying time is laid on the place and the season where they go in, and on nothing else', () => {
    const dried = (season: 'winter' | 'summer') => {
      const board = aBoard();
      const places = board.places.map((place) => ({ ...place, air: { ...place.air, by: 'season' as const, season } }));
      return derived({ ...board, places })
        .days.slots.flatMap(({ task }) => task.wait.usual ?? [])
        .find(({ value }) => value > 60)!;
    };
    for (const season of ['winter', 'summer'] as const) {
      const wait = dried(season);
      const implied = impliedBy(wait, wait.value * 1.4, pathOf, isOfPlaces)!;
      expect(implied.path).toBe(`placeKinds.room.slower.in${season === 'winter' ? 'Winter' : 'Summer'}`);
      expect(implied.value).toBeCloseTo(1.4, 3);
      const slower = inHand(CATALOGUE, correctionsFrom([{ ...implied, who: '' }], CATALOGUE));
      expect(figuresOf(slower).get(implied.path)!.value).toBeGreaterThan(1.05);
    }
    expect(impliedBy(dried('winter'), 900, pathOf, (path) => !isOfPlaces(path))!.path).not.toContain('placeKinds');
  });
  test('nothing is said where nothing of the catalogue goes in', () => {
    expect(impliedBy(given('Tiles', 6, '1', 'plan'), 7, pathOf)).toBeNull();
  });
});

describe('how a value came to be known', () => {
  const read = (factor: number, who = '', path = GLUE) => ({ ...times(factor, 1, path)[0]!, who });
  test('begins with our range, and each reading leaves what the correction of so many leaves', () => {
    const readings = [1.2, 1.3, 1.1, 1.25].map((factor) => read(factor, 'Ada'));
    const course = courseOf(readings, CATALOGUE, GLUE, 'Ada');
    expect(course.map((one) => one.readings)).toEqual([0, 1, 2, 3, 4]);
    expect(course[0]).toMatchObject({ read: null, value: 1, low: glue.low / glue.value, high: glue.high / glue.value });
    expect(course[2]!.read).toBeCloseTo(1.3, 9);
    for (const [count, one] of course.entries()) {
      if (count === 0) continue;
      const after = figuresOf(inHand(CATALOGUE, handOf(['Ada'], handsFrom(readings.slice(0, count), CATALOGUE)))).get(GLUE)!;
      expect(one.value).toBeCloseTo(after.value / glue.value, 9);
      expect([one.low, one.high]).toEqual([after.low / glue.value, after.high / glue.value].map((end) => expect.closeTo(end, 9)));
      expect(one.high / one.low).toBeLessThan(course[count - 1]!.high / course[count - 1]!.low);
    }
  });
  test('goes by one person’s readings and nobody’s, by everybody’s where a place dries, and has nothing of what the catalogue lacks', () => {
    const place = [...figuresOf(CATALOGUE).keys()].find(isOfPlaces)!;
    const readings = [read(1.2, 'Ada'), read(1.5, 'ben'), read(1.3), read(1.4, 'ada '), read(1.2, 'Ada', place), read(1.1, 'Ben', place)];
    const seen = (path: string, who: string) => courseOf(readings, CATALOGUE, path, who).map((one) => one.read?.toFixed(1));
    expect(seen(GLUE, 'Ada')).toEqual([undefined, '1.2', '1.3', '1.4']);
    expect(seen(GLUE, 'Ben')).toEqual([undefined, '1.5', '1.3']);
    expect(seen(place, '')).toEqual([undefined, '1.2', '1.1']);
    expect(seen('adhesives.gone.gPerM2', 'Ada')).toEqual([]);
  });
});

import { describe, expect, test } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import { type Quantity, hasWorking } from '@spare-acre/core/base/units';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { LoadedUnits, NotLoaded, pipelineWith } from '@spare-acre/core/pipeline/derive';
import { CATALOGUE } from '../testing/world';
import { Answering, figureAt, applyAnswer, placeOf } from './answering';
import { type Look, SLICES, type SliceName } from './slices';

const plan = brinefold(CATALOGUE);
const look = (...slices: SliceName[]): Look => ({ slices, chosen: [] });
const names = (slices: object): string[] => Object.keys(slices).sort();

describe('an answer', () => {
  test('holds the tally and the marks whatever is looked at, and of the rest only what is', () => {
    const derived = derivePipeline()(plan, CATALOGUE);
    expect(names(new Answering().answer(derived, look()).slices)).toEqual(['counts', 'readiness', 'warnings']);
    expect(names(new Answering().answer(derived, look('masses', 'bow')).slices)).toEqual([
      'bow',
      'counts',
      'masses',
      'readiness',
      'warnings',
    ]);
  });
  test('holds no working, and only what is new', () => {
    const [derive, answering] = [derivePipeline(), new Answering()];
    const first = answering.answer(derive(plan, CATALOGUE), look('masses'));
    expect(hasWorking(first.slices.counts!.mass)).toBe(false);
    const renamed = { ...plan, name: 'Another name' };
    expect(answering.answer(derive(renamed, CATALOGUE), look('masses'))).toEqual({
      slices: {},
      warningIds: first.warningIds,
      isComplete: true,
      isWhole: true,
    });
    const colder = { ...plan, places: plan.places.map((place) => ({ ...place, air: { ...place.air, airC: 19 } })) };
    expect(names(answering.answer(derive(colder, CATALOGUE), look('masses')).slices)).toEqual(['readiness']);
  });
  test('tells of warnings those that are new; what is known stays, what is mended goes', () => {
    const [derive, answering] = [derivePipeline(), new Answering()];
    let known = applyAnswer({}, answering.answer(derive(plan, CATALOGUE), look()));
    const [warning] = known.warnings!;
    const cold = { ...plan, places: plan.places.map((place) => ({ ...place, air: { ...place.air, airC: 1 } })) };
    const second = answering.answer(derive(cold, CATALOGUE), look());
    expect(second.slices.warnings!.map(({ code }) => code)).toEqual(['air/too-cold']);
    known = applyAnswer(known, second);
    expect(known.warnings!.map(({ code }) => code)).toEqual([warning!.code, 'air/too-cold']);
    expect(known.warnings![0]).toBe(warning);
    known = applyAnswer(known, answering.answer(derive(plan, CATALOGUE), look()));
    expect(known.warnings!.map(({ code }) => code)).toEqual([warning!.code]);
  });
});

test('no slice holds a figure with its working, whatever the view; sheets alone are drawn from the whole of a job', () => {
  const derived = derivePipeline()(plan, CATALOGUE);
  const all = Object.keys(SLICES).filter((name) => name !== 'jobs') as SliceName[];
  const { slices } = new Answering().answer(derived, { slices: all, chosen: [...plan.features, ...plan.pieces].map(({ id }) => id) });
  const seen = new Set<unknown>();
  const worked: string[] = [];
  const seek = (data: unknown, way: string): void => {
    if (typeof data !== 'object' || data === null || seen.has(data)) return;
    seen.add(data);
    if ('unit' in data && 'value' in data && hasWorking(data as Quantity)) worked.push(way);
    for (const [key, inner] of Object.entries(data)) seek(inner, `${way}.${key}`);
  };
  for (const [name, slice] of Object.entries(slices)) seek(slice, name);
  expect(worked).toEqual([]);
  expect(Object.keys(slices).length).toBeGreaterThan(30);
});

describe('an answer while units are on their way', () => {
  const bare = { ...plan, pieces: [] };
  test('leaves out what lacks them, and the next one makes up for it', async () => {
    const units = new LoadedUnits();
    const [derive, answering] = [pipelineWith(units), new Answering()];
    const first = answering.answer(derive(bare, CATALOGUE), look('masses', 'section'), false, true);
    expect(first.isComplete).toBe(false);
    expect(names(first.slices)).toEqual(['counts', 'masses', 'readiness', 'warnings']);
    expect(first.slices.readiness!.isPlanned).toBe(false);
    let known = applyAnswer({}, first);
    expect(known.warnings).toEqual([]);
    for (const unit of ['views', 'schedule', 'checks'] as const) await units.load(unit);
    const second = answering.answer(derive(bare, CATALOGUE), look('masses', 'section'), false, true);
    expect(second.isComplete).toBe(true);
    known = applyAnswer(known, second);
    expect(known).toEqual(applyAnswer({}, new Answering().answer(derivePipeline()(bare, CATALOGUE), look('masses', 'section'))));
  });
  test('later ones say which unit they lack instead, and nothing counts as sent until all of it is there', async () => {
    const units = new LoadedUnits();
    const [derivation, answering] = [pipelineWith(units)(bare, CATALOGUE), new Answering()];
    const ask = () => answering.answer(derivation, look('masses', 'section'));
    for (const unit of ['views', 'schedule', 'checks'] as const) {
      expect(ask).toThrow(NotLoaded);
      await units.load(unit);
    }
    expect(names(ask().slices)).toEqual(['counts', 'masses', 'readiness', 'section', 'warnings']);
  });
});

describe('an early answer', () => {
  const warmedTo = (airC: number) => ({ ...plan, places: plan.places.map((place) => ({ ...place, air: { ...place.air, airC } })) });
  const codes = (known: { readonly warnings?: readonly { readonly code: string }[] }): string[] => known.warnings!.map(({ code }) => code);
  test('tells all but what takes the evenings, and does not plan them', () => {
    const derived = derivePipeline()(plan, CATALOGUE);
    const early = new Answering().answer(derived, look('masses'), true);
    expect(early.isWhole).toBe(false);
    expect(names(early.slices)).toEqual(['counts', 'masses', 'warnings']);
    expect(Object.hasOwn(derived, 'days')).toBe(false);
  });
  test('is whole where the view looks at the evenings', () => {
    const early = new Answering().answer(derivePipeline()(plan, CATALOGUE), look('days'), true);
    expect(early.isWhole).toBe(true);
    expect(names(early.slices)).toEqual(['counts', 'days', 'readiness', 'warnings']);
  });
  test('leaves what was told of the evenings as it was, and what is told after it makes up for it', () => {
    const [derive, answering] = [derivePipeline(), new Answering()];
    let known = applyAnswer({}, answering.answer(derive(warmedTo(1), CATALOGUE), look()));
    expect(codes(known)).toContain('air/too-cold');
    const [before, warm] = [known.readiness, derive(plan, CATALOGUE)];
    known = applyAnswer(known, answering.answer(warm, look(), true));
    expect(codes(known)).toContain('air/too-cold');
    expect(known.readiness).toBe(before);
    known = applyAnswer(known, answering.answer(warm, look()));
    expect(codes(known)).not.toContain('air/too-cold');
    expect(known.readiness!.readyText).toBe(warm.days.ready!.text);
    expect(known).toEqual(applyAnswer({}, new Answering().answer(derivePipeline()(plan, CATALOGUE), look())));
  });
});

test('the working of a figure is found by where the figure stands; of one that is another by now there is none', () => {
  const derived = derivePipeline()(plan, CATALOGUE);
  const known = applyAnswer({}, new Answering().answer(derived, look('masses')));
  const shown = known.masses![2]!.mass;
  const place = placeOf(shown, known)!;
  expect(place).toEqual(['masses', '2', 'mass']);
  expect(figureAt(place, shown.label, derived, [])).toBe(derived.mass.layers[2]!.mass);
  expect(figureAt(place, 'Something else', derived, [])).toBeNull();
  expect(placeOf({ ...shown }, known)).toBeNull();
});

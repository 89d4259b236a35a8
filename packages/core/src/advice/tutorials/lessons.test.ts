import { describe, expect, test } from 'vitest';
import { newFeature } from '../../plan/features';
import { looseLot } from '../../demo';
import { derivePipeline } from '../../pipeline';
import type { Plan } from '../../plan';
import { checkPlan } from '../../plan/stored/file';
import { NOTHING_DONE, doneAt } from '../../plan/workshop';
import { CATALOGUE } from '../../testing';
import { LESSONS, type Learner, firstTile } from './index';

const START = firstTile(CATALOGUE, '2026-11-30');
const fresh: Learner = { plan: START, start: START, record: NOTHING_DONE, movesLeft: 9, logged: 0 };
const drawn = (kind: 'raised' | 'water'): Plan => ({
  ...START,
  features: [newFeature(START, kind, { form: 'round', centre: { x: 150, y: 150 }, radiusMm: 40 }, 'f', CATALOGUE)],
});
const withPlan = (plan: Plan): Learner => ({ ...fresh, plan });
const ticked = { ...NOTHING_DONE, doneTasks: { a: doneAt({ day: '2026-11-30', atMin: 500 }, {}) } };
/** What does each of them, and nothing more. */
const DOES: Readonly<Record<string, Learner>> = {
  hill: withPlan(drawn('raised')),
  pond: withPlan(drawn('water')),
  layers: withPlan({
    ...START,
    stack: { ...START.stack, ground: START.stack.ground.map((one) => ({ ...one, thicknessMm: one.thicknessMm + 10 })) },
  }),
  piece: withPlan({ ...START, pieces: looseLot(CATALOGUE).pieces }),
  coats: withPlan({ ...START, surfaces: START.surfaces.map((one) => ({ ...one, coats: one.coats.slice(1) })) }),
  cuts: { ...fresh, record: { ...NOTHING_DONE, cutSheets: [{} as never] } },
  buying: withPlan({ ...START, buying: { ...START.buying, ofHundred: 90 } }),
  evenings: withPlan({ ...START, calendar: { ...START.calendar, daysOff: ['2026-12-02'] } }),
  'first-move': { ...fresh, record: ticked },
  finish: { ...fresh, record: ticked, movesLeft: 0 },
  log: { ...fresh, logged: 1 },
};

describe('the lessons', () => {
  test('the first tile is a sound plan of few tasks, all of which have their time', () => {
    expect(checkPlan(START, CATALOGUE).ok).toBe(true);
    const { days } = derivePipeline()(START, CATALOGUE);
    expect(days.slots.length).toBeGreaterThan(3);
    expect(days.slots.length).toBeLessThan(12);
    expect(days.blocked).toEqual([]);
  });
  test.each(LESSONS.map((lesson) => [lesson.id, lesson] as const))('%s is not done before it is, and is then', (id, { isDone }) => {
    expect(isDone(fresh)).toBe(false);
    expect(isDone(DOES[id]!)).toBe(true);
  });
  test('what is done for one is not taken for the next', () => {
    const [hill, pond] = LESSONS;
    expect(pond!.isDone(DOES['hill']!)).toBe(false);
    expect(LESSONS.find(({ id }) => id === 'finish')!.isDone(DOES['first-move']!)).toBe(false);
    expect(hill!.isDone(DOES['coats']!)).toBe(false);
  });
  test('they go through every view of a board in the order of the work', () => {
    const views = [...new Set(LESSONS.map(({ view }) => view))];
    expect(views).toEqual(['ground', 'section', 'pieces', 'coats', 'cuts', 'supplies', 'days', 'bench', 'logbook']);
  });
});

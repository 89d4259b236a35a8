import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { nextTick } from 'vue';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { freshStores, someLocks } from '../../testing/world';
import { useClock } from '../../stores/bench/clock';
import WhenNotes from './WhenNotes.vue';
import WhereNotes from './WhereNotes.vue';
import WhoNotes from './WhoNotes.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/reckoning-here'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

type Notes = ReturnType<typeof shown>;
const field = (notes: Notes, label: string, at = 0) => {
  const found = notes.findAll('label').filter((one) => one.text() === label)[at];
  if (found === undefined) throw new Error(`no field ${label}`);
  return notes.get(`[id="${found.attributes('for')}"]`);
};
async function type(notes: Notes, label: string, words: string, at = 0): Promise<void> {
  const input = field(notes, label, at);
  await input.setValue(words);
  await input.trigger('keydown', { key: 'Enter' });
}
const button = (notes: Notes, text: string) => notes.findAll('button').find((one) => one.text() === text);
const aBoardInDays = async () => {
  const store = await anOpenBoard();
  store.look(['days', 'steps', 'agenda'], []);
  return store;
};

describe('when', () => {
  test('a task that is left out is named as it was, and comes back', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhenNotes, {});
    expect(notes.text()).not.toContain('Skipped tasks');
    const { ofTask, label } = store.slices.days!.slots.at(-1)!;
    store.edit({ code: 'task/arrange', taskId: ofTask, change: { isSkipped: true, pin: null }, what: 'Skip' });
    await nextTick();
    expect(store.slices.days!.slots.some((slot) => slot.ofTask === ofTask)).toBe(false);
    const left = notes.findAll('section').find((one) => one.find('h3').exists() && one.get('h3').text() === 'Skipped tasks')!;
    expect(left.get('p').text()).toContain(label);
    await button(notes, 'Restore')!.trigger('click');
    expect(store.slices.days!.slots.some((slot) => slot.ofTask === ofTask)).toBe(true);
    expect(notes.text()).not.toContain('Skipped tasks');
  });

  test('being behind is told once work that is not done should have begun, not before its first session', async () => {
    const store = await aBoardInDays();
    const startsOn = '2026-12-02';
    store.edit({ code: 'calendar/first-day', startsOn });
    await nextTick();
    const first = store.slices.days!.firstOpenMin!;
    expect(first).toBe(Math.min(...store.slices.days!.slots.map(({ startMin }) => startMin)));
    const midnightMs = new Date(`${startsOn}T00:00:00`).getTime();
    const behindAt = (min: number) => {
      useClock().nowMs = midnightMs + min * 60_000;
      return shown(WhenNotes, {}).find('[data-testid="behind"]');
    };
    expect(behindAt(first - 60).exists()).toBe(false);
    expect(behindAt(first + 60).text()).toContain('is not marked done');
  });

  test('days off and noise that cannot be read are refused at their field; nothing is no noise', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhenNotes, {});
    const before = store.plan!.calendar;
    await type(notes, 'Days off', 'sometime');
    expect(notes.get('[role="alert"]').text()).toContain('Days off');
    await type(notes, 'Noise allowed between', '9 to late');
    expect(store.plan!.calendar).toEqual(before);
    await type(notes, 'Noise allowed between', '09:00–18:00');
    expect(store.plan!.calendar.noise).toEqual({ fromMin: 540, toMin: 1080 });
    await type(notes, 'Noise allowed between', '');
    expect(store.plan!.calendar.noise).toBeNull();
  });
});

describe('where', () => {
  const WORKPIECES = [
    { id: 'A1', name: 'Tile A1' },
    { id: 'B1', name: 'Tile B1' },
  ];
  test('days with other air are each on their own, however many came and went', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhereNotes, { workpieces: WORKPIECES });
    const spells = () => store.plan!.places.find(({ id }) => id === store.plan!.drying.placeId)!.spells;
    await button(notes, 'Add period with other conditions')!.trigger('click');
    await button(notes, 'Add period with other conditions')!.trigger('click');
    const [first, second] = spells();
    await button(notes, 'Remove period')!.trigger('click');
    expect(spells()).toEqual([second]);
    await button(notes, 'Add period with other conditions')!.trigger('click');
    expect(spells()).toHaveLength(2);
    expect(new Set(spells().map(({ id }) => id)).size).toBe(2);
    expect(first!.id).not.toBe(second!.id);
    await type(notes, 'Period, temperature', '9', 1);
    expect(spells().map(({ airC }) => airC)).toEqual([second!.airC, 9]);
  });

  test('one workpiece dries somewhere else, and with the others again', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhereNotes, { workpieces: WORKPIECES });
    await field(notes, 'Another place').setValue('B1');
    expect(store.plan!.driedAt.map(({ workpieceId }) => workpieceId)).toEqual(['B1']);
    await nextTick();
    expect(
      field(notes, 'Another place')
        .findAll('option')
        .map((one) => one.text()),
    ).not.toContain('Tile B1');
    await button(notes, 'With the board')!.trigger('click');
    expect(store.plan!.driedAt).toEqual([]);
  });

  test('a place is added with an id of its own, and taken away; the last one stays', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhereNotes, { workpieces: WORKPIECES });
    const before = store.plan!.places.map(({ id }) => id);
    await button(notes, 'Another place')!.trigger('click');
    await nextTick();
    const added = store.plan!.places.at(-1)!;
    expect(before).not.toContain(added.id);
    await button(notes, `Remove ${added.name}`)!.trigger('click');
    expect(store.plan!.places.map(({ id }) => id)).toEqual(before);
    for (const { id } of store.plan!.places.slice(1)) store.edit({ code: 'place/remove', placeId: id });
    await nextTick();
    expect(notes.findAll('button').some((one) => /^Remove (?!period)/.test(one.text()))).toBe(false);
  });
});

describe('who', () => {
  test('somebody else comes, keeps their own hours and off what they must not touch, and leaves', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhoNotes, {});
    const count = store.plan!.people.length;
    await button(notes, 'Add person')!.trigger('click');
    await nextTick();
    const { id, name } = store.plan!.people.at(-1)!;
    const person = () => store.plan!.people.find((one) => one.id === id)!;
    const at = store.plan!.people.length - 1;
    await type(notes, 'Own hours', 'now and then', at);
    expect(person().hours).toEqual([]);
    expect(notes.get('[role="alert"]').text()).toContain('Own hours');
    const section = notes.get(`[data-person="${id}"]`);
    await section.findAll<HTMLInputElement>('input[type="checkbox"]')[0]!.setValue(true);
    await section.findAll<HTMLInputElement>('details input[type="checkbox"]')[0]!.setValue(true);
    expect([person().isChild, person().avoids.length]).toEqual([true, 1]);
    await section.findAll<HTMLInputElement>('details input[type="checkbox"]')[0]!.setValue(false);
    expect(person().avoids).toEqual([]);
    await button(notes, `Remove ${name}`)!.trigger('click');
    expect(store.plan!.people).toHaveLength(count);
  });

  test('more weights than there may be are refused with what would do', async () => {
    const store = await aBoardInDays();
    const notes = shown(WhoNotes, {});
    const before = store.plan!.kit;
    await type(notes, 'Total weights', '1e6');
    expect(notes.get('[role="alert"]').text()).toContain('Enter');
    await type(notes, 'Fans', '2');
    expect(store.plan!.kit).toEqual({ ...before, fans: 2 });
  });
});

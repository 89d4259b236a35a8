import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { DoneTask } from '../../plan/workshop';
import { type Act, type Deed, type KeptDeed, MINUTE_MS, type Timer, benchAfter, spentBatches, workedMin } from './index';

let next = 0;
const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const [PHONE, DESK] = [uuid(1), uuid(2)];
const at = (atMin: number, change: Partial<DoneTask> = {}): DoneTask => ({
  at: { day: '2026-11-30', atMin },
  part: null,
  by: '',
  workedMin: null,
  uses: [],
  ...change,
});
const tick = (task: DoneTask, taskId = 'glue-A1'): Act => ({ kind: 'tick', taskId, task, name: 'Glue, A1' });
const UNTICK: Act = { kind: 'untick', taskId: 'glue-A1', name: 'Glue, A1' };
const did = (turn: number | null, device: string, seen: number, act: Act, atMs = 0): KeptDeed => ({
  turn,
  deed: { id: uuid(100 + next++), device, seen, atMs, day: '2026-11-30', act },
});

describe('what deeds come to', () => {
  test('the last word on a task holds; taken back it is open again', () => {
    const first = did(1, PHONE, 0, tick(at(1_200)));
    expect(benchAfter([first]).doneTasks).toEqual({ 'glue-A1': at(1_200) });
    expect(benchAfter([first, did(2, PHONE, 0, UNTICK)]).doneTasks).toEqual({});
    const again = did(3, DESK, 2, tick(at(1_230)));
    expect(benchAfter([first, did(2, PHONE, 0, UNTICK), again])).toMatchObject({ doneTasks: { 'glue-A1': at(1_230) }, clashes: [] });
  });
  test('the same step ticked on two devices is one tick, at the earlier time, with one lot of glue', () => {
    const uses = [{ stockId: 'adhesives.white-glue', amount: 30 }];
    const phone = did(7, PHONE, 5, tick(at(1_240, { workedMin: 22, uses })));
    const desk = did(8, DESK, 5, tick(at(1_235, { uses: [{ stockId: 'adhesives.white-glue', amount: 28 }] })));
    const { doneTasks, clashes } = benchAfter([phone, desk]);
    expect(doneTasks).toEqual({ 'glue-A1': at(1_235, { workedMin: 22, uses }) });
    expect(clashes).toEqual([]);
  });
  test('done here and not done there, neither knowing of the other, is asked; whoever knows of both settles it', () => {
    const before = did(1, PHONE, 0, tick(at(1_100)));
    const [back, done] = [did(4, DESK, 1, UNTICK), did(5, PHONE, 3, tick(at(1_150)))];
    const asked = benchAfter([before, back, done]);
    expect(asked.clashes).toMatchObject([{ taskId: 'glue-A1', deeds: [{ device: DESK }, { device: PHONE }] }]);
    expect(asked.doneTasks['glue-A1']).toEqual(at(1_150));
    expect(benchAfter([before, back, done, did(6, DESK, 4, UNTICK)]).clashes).toHaveLength(1);
    expect(benchAfter([before, back, done, did(6, DESK, 5, UNTICK)])).toMatchObject({ clashes: [], doneTasks: {} });
    // Whatever the phone did in between by itself, and whichever arrived first.
    const [own, tick2] = [did(4, PHONE, 1, UNTICK), did(5, PHONE, 1, tick(at(1_160)))];
    for (const turn of [3, 6]) {
      const told = benchAfter([before, own, tick2, did(turn, DESK, 1, UNTICK)]);
      expect(told.clashes, String(turn)).toMatchObject([{ taskId: 'glue-A1' }]);
    }
    // Both took it back: no clash, whatever one of them had said before.
    expect(benchAfter([before, did(3, DESK, 1, UNTICK), did(4, PHONE, 1, tick(at(1_160))), did(5, PHONE, 1, UNTICK)]).clashes).toEqual([]);
    // What waits on this device comes after all that has arrived, and was done without knowing of it.
    expect(benchAfter([did(null, PHONE, 3, tick(at(1_150))), before, back]).clashes).toHaveLength(1);
  });
  test('a deed that has arrived and is still in the queue counts where it arrived', () => {
    const mine = did(3, PHONE, 2, tick(at(1_200)));
    const still: KeptDeed = { turn: null, deed: mine.deed };
    expect(benchAfter([mine, did(4, DESK, 3, UNTICK), still])).toMatchObject({ doneTasks: {}, clashes: [] });
  });
  test('two counts of the same walls are asked; all of them done beside some of them is done', () => {
    const part = (done: number): DoneTask => at(1_200, { part: { done, of: 6 } });
    expect(benchAfter([did(1, PHONE, 0, tick(part(3))), did(2, DESK, 0, tick(part(2)))]).clashes).toHaveLength(1);
    expect(benchAfter([did(1, PHONE, 0, tick(part(3))), did(2, DESK, 0, tick(part(3)))]).clashes).toEqual([]);
    for (const both of [
      [part(3), at(1_300)],
      [at(1_300), part(3)],
    ]) {
      const own = benchAfter([did(1, PHONE, 0, tick(both[0]!)), did(2, DESK, 0, tick(both[1]!))]);
      expect(own).toMatchObject({ clashes: [], doneTasks: { 'glue-A1': at(1_300) } });
    }
  });
  test('minutes run while it is under way, rest while it rests, and stop with the tick', () => {
    const [begin, pause]: Act[] = [
      { kind: 'begin', taskId: 'glue-A1' },
      { kind: 'pause', taskId: 'glue-A1' },
    ];
    const min = 60_000;
    const deeds = [did(1, PHONE, 0, begin!, 0), did(2, PHONE, 1, pause!, 10 * min), did(3, DESK, 2, begin!, 60 * min)];
    expect(workedMin(benchAfter(deeds), 'glue-A1', 65 * min)).toBe(15);
    // Begun on another device too, it is under way once.
    const twice = [...deeds, did(4, PHONE, 2, begin!, 62 * min)];
    expect(workedMin(benchAfter(twice), 'glue-A1', 65 * min)).toBe(15);
    const done = [...twice, did(5, DESK, 4, tick(at(1)), 70 * min)];
    expect(workedMin(benchAfter(done), 'glue-A1', 500 * min)).toBe(20);
    expect(workedMin(benchAfter([]), 'glue-A1', 5)).toBe(0);
  });
});

/** A journal that letters reach late, twice, or not at all: what it has taken it does not take again. */
test('however letters are lost, repeated and held up, each deed is taken once, in its device’s order, and all devices tell the same', () => {
  const acts = fc.array(
    fc.record({
      device: fc.constantFrom(PHONE, DESK),
      what: fc.constantFrom('tick', 'untick', 'part') as fc.Arbitrary<'tick' | 'untick' | 'part'>,
      task: fc.constantFrom('glue-A1', 'glue-B1'),
      minute: fc.integer({ min: 0, max: 1_000 }),
    }),
    { minLength: 1, maxLength: 14 },
  );
  const letters = fc.array(
    fc.record({ of: fc.constantFrom(PHONE, DESK), fate: fc.constantFrom('lost', 'answer-lost', 'arrives', 'again') }),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(acts, letters, fc.integer({ min: 1, max: 5 }), (did0, fates, size) => {
      const journal: (KeptDeed & { readonly turn: number })[] = [];
      const take = (deeds: readonly Deed[]): void => {
        for (const deed of deeds) if (journal.every((one) => one.deed.id !== deed.id)) journal.push({ turn: journal.length + 1, deed });
      };
      const devices = new Map([PHONE, DESK].map((id) => [id, { queue: [] as Deed[], known: [] as KeptDeed[], old: [] as Deed[] }]));
      const letter = (of: string, fate: string): void => {
        const own = devices.get(of)!;
        const sent = own.queue.slice(0, size);
        if (fate === 'again') take(own.old);
        if (fate !== 'lost') take(sent);
        if (fate === 'lost' || fate === 'answer-lost') return;
        own.old = sent;
        own.queue = own.queue.slice(sent.length);
        own.known = [...journal];
      };
      const done = did0.map(({ device, what, task, minute }, i) => {
        const own = devices.get(device)!;
        const task0 = at(minute, what === 'part' ? { part: { done: 1 + (minute % 3), of: 6 } } : {});
        const act: Act = what === 'untick' ? { ...UNTICK, taskId: task } : tick(task0, task);
        const deed: Deed = { id: uuid(10_000 + i), device, seen: own.known.at(-1)?.turn ?? 0, atMs: i, day: '2026-11-30', act };
        own.queue.push(deed);
        const fate = fates[i];
        if (fate !== undefined) letter(fate.of, fate.fate);
        return deed;
      });
      for (const fate of fates.slice(did0.length)) letter(fate.of, fate.fate);
      for (let round = 0; round < done.length; round++) for (const of of devices.keys()) letter(of, 'arrives');
      for (const of of devices.keys()) letter(of, 'arrives');
      expect(journal.map(({ deed }) => deed.id).sort()).toEqual(done.map(({ id }) => id).sort());
      for (const of of devices.keys()) {
        const own = journal.filter(({ deed }) => deed.device === of).map(({ deed }) => deed.atMs);
        expect(own).toEqual(own.toSorted((a, b) => a - b));
      }
      const told = [...devices.values()].map(({ known }) => benchAfter(known));
      expect(told[0]).toEqual(told[1]);
      expect(told[0]).toEqual(benchAfter([...journal, ...journal]));
      // Nothing is dropped without a word: of a task with no clash the last word is what holds, or both at once.
      for (const taskId of new Set(did0.map(({ task }) => task))) {
        const own = journal.filter(({ deed }) => deed.act.kind !== 'note' && 'taskId' in deed.act && deed.act.taskId === taskId);
        const ticks = own.some(({ deed }) => deed.act.kind === 'tick');
        const backs = own.some(({ deed }) => deed.act.kind === 'untick');
        if (ticks && !backs) expect(told[0]!.doneTasks[taskId]).toBeDefined();
        if (!ticks) expect(told[0]!.doneTasks[taskId]).toBeUndefined();
      }
    }),
    { numRuns: 300 },
  );
});

describe('a batch past its pot life', () => {
  const pot = (n: number, fromMin: number, min: number, name = 'Pot life: resin'): Timer => ({
    id: uuid(9_000 + n),
    name,
    use: 'pot',
    taskId: 'pour-A1',
    fromMs: fromMin * MINUTE_MS,
    dueMs: (fromMin + min) * MINUTE_MS,
    everyMin: null,
  });
  const started = (timer: Timer, turn: number): KeptDeed => did(turn, PHONE, 0, { kind: 'timer', timer }, timer.fromMs);
  const off = (timer: Timer, turn: number, atMin: number): KeptDeed =>
    did(turn, PHONE, 0, { kind: 'timer-off', timerId: timer.id }, atMin * MINUTE_MS);
  const spentAt = (deeds: readonly KeptDeed[], atMin: number, taskId = 'pour-A1'): readonly string[] =>
    spentBatches(benchAfter(deeds), taskId, atMin * MINUTE_MS).map(({ id }) => id);
  const first = pot(1, 0, 30);

  test('is marked from the minute it ends, on its own task only, and stays so when its bell is put off', () => {
    expect(spentAt([started(first, 1)], 29)).toEqual([]);
    expect(spentAt([started(first, 1)], 30)).toEqual([first.id]);
    expect(spentAt([started(first, 1)], 30, 'pour-B1')).toEqual([]);
    expect(spentAt([started(first, 1), off(first, 2, 31)], 40)).toEqual([first.id]);
  });
  test('is none where it was stopped in time, where it was given longer, or where the timer is of another kind', () => {
    expect(spentAt([started(first, 1), off(first, 2, 20)], 40)).toEqual([]);
    expect(spentAt([started(first, 1), started({ ...first, dueMs: 45 * MINUTE_MS }, 2)], 40)).toEqual([]);
    expect(spentAt([started({ ...first, use: 'open' }, 1)], 40)).toEqual([]);
  });
  test('the next batch takes the mark and the timer away, but one mixed beside it leaves both running, and another mix is its own', () => {
    const [next, beside, other] = [pot(2, 35, 30), pot(3, 10, 30), pot(4, 35, 30, 'Pot life: varnish')];
    const then = [started(first, 1), started(next, 2)];
    expect(spentAt(then, 40)).toEqual([]);
    expect(benchAfter(then).timers.map(({ id }) => id)).toEqual([next.id]);
    expect(benchAfter([started(first, 1), started(beside, 2)]).timers).toHaveLength(2);
    expect(spentAt([started(first, 1), started(other, 2)], 40)).toEqual([first.id]);
  });
});

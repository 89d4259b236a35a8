import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import { EMPTY_STOCK, NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { type Board, withChanges } from '@spare-acre/core/plan';
import { CATALOGUE } from '../testing/world';
import { Reckoning } from './reckoning';
import type { Look } from './slices';
import type { News, Whole } from './told';

/** A worker with a reckoner at the other end of a message channel. */
const workerWith = (reckoner: object) =>
  class {
    private readonly ends = new MessageChannel();
    constructor() {
      expose(reckoner, this.ends.port2);
      this.ends.port1.start();
    }
    postMessage = (message: unknown, transfer: Transferable[]): void => this.ends.port1.postMessage(message, transfer);
    addEventListener = (type: string, listener: EventListener): void => this.ends.port1.addEventListener(type, listener);
    removeEventListener = (type: string, listener: EventListener): void => this.ends.port1.removeEventListener(type, listener);
    terminate = (): void => this.ends.port1.close();
  };

/** A reckoner at the other end of a message channel that answers when the test says so, with the name of the plan it has. */
function aSlowWorker() {
  const waiting: (() => void)[] = [];
  const seen: string[] = [];
  let board: Board | null = null;
  const answer = (name: string): Promise<string> =>
    new Promise((resolve, reject) => {
      seen.push(name);
      waiting.push(() => (name === 'bad' ? reject(new RangeError('no such plan')) : resolve(name)));
    });
  const reckoner = {
    tell: ({ whole: opened, board: changes, stock }: News, looked: Look | null) => {
      board = opened?.board ?? withChanges(board!, changes ?? []);
      const also = [
        ...(looked?.slices.map((name) => `looks at ${name}`) ?? []),
        ...(stock === undefined ? [] : [`${stock.offcuts.length} in the rack`]),
      ];
      return answer([board.plan.name, ...also].join(', '));
    },
  };
  vi.stubGlobal('Worker', workerWith(reckoner));
  return { seen, letAnswer: () => vi.waitFor(() => (expect(waiting.length).toBeGreaterThan(0), waiting.shift()!())) };
}

const LOOK = { slices: [], chosen: [] };
const aBoard = (name = 'Brinefold Saltworks'): Board => ({ plan: { ...brinefold(CATALOGUE), name }, record: NOTHING_DONE });
const whole = (board: Board): Whole => ({ board, catalogue: CATALOGUE, stock: EMPTY_STOCK });
let answers: string[];
let failures: string[];
let busy: boolean[];
const listener = () => ({
  answered: (answer: unknown, version: number) => void answers.push(`${version} ${String(answer)}`),
  failed: (error: unknown) => void failures.push((error as Error).message),
  died: () => void failures.push('died'),
  busy: (isBusy: boolean) => void busy.push(isBusy),
});
beforeEach(() => ([answers, failures, busy] = [[], [], []]));
afterEach(() => vi.unstubAllGlobals());

test('edits made while the worker is busy go together in the next question, and answers come in order', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(whole(aBoard()), LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  for (const name of ['a', 'b', 'c']) reckoning.change({ board: aBoard(name) });
  await letAnswer();
  await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(seen).toEqual(['Brinefold Saltworks', 'c']);
  expect(answers).toEqual(['1 Brinefold Saltworks', '4 c']);
  expect(busy).toEqual([true, false]);
  reckoning.close();
});

test('a failure is told, and the next edit is answered all the same', async () => {
  const { letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(whole(aBoard('bad')), LOOK);
  await letAnswer();
  await vi.waitFor(() => expect(failures).toEqual(['no such plan']));
  reckoning.change({ board: aBoard('good') });
  await letAnswer();
  await vi.waitFor(() => expect(answers).toEqual(['2 good']));
  reckoning.close();
});

test('another board opened forgets the edits still waiting for the first', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(whole(aBoard()), LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change({ board: aBoard('lost') });
  reckoning.open(whole(aBoard('Other')), LOOK);
  await letAnswer();
  await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(seen).toEqual(['Brinefold Saltworks', 'Other']);
  reckoning.close();
});

test('what the rack holds and what is looked at are told with the edits that wait, as they were last said', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(whole(aBoard()), LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change({ board: aBoard('later') });
  reckoning.change({ stock: { ...EMPTY_STOCK, offcuts: [{ id: 'o', materialId: 'mdf', thicknessMm: 6, widthMm: 300, depthMm: 200 }] } });
  reckoning.look({ slices: ['jobs'], chosen: [] });
  reckoning.look({ slices: ['days'], chosen: [] });
  for (let i = 0; i < 2; i++) await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(seen).toEqual(['Brinefold Saltworks', 'later, looks at days, 1 in the rack']);
  reckoning.close();
});

test('a catalogue that is another is told by what changed in it', async () => {
  const asked: News[] = [];
  vi.stubGlobal('Worker', workerWith({ tell: (news: News) => (asked.push(news), Promise.resolve({ slices: {}, warningIds: [] })) }));
  const reckoning = new Reckoning(listener());
  reckoning.open(whole(aBoard()), LOOK);
  await vi.waitFor(() => expect(answers).toHaveLength(1));
  const sheets = CATALOGUE.sheets.with(0, { ...CATALOGUE.sheets[0]!, priceMinor: 4711 });
  reckoning.change({ catalogue: { ...CATALOGUE, sheets } });
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(asked[1]).toEqual({ catalogue: [expect.objectContaining({ now: 4711 })] });
  // The same again in another object is no news.
  reckoning.change({ catalogue: { ...CATALOGUE, sheets: [...sheets] } });
  await vi.waitFor(() => expect(busy.at(-1)).toBe(false));
  expect(asked).toHaveLength(2);
  reckoning.close();
});

describe('what an early answer leaves out', () => {
  /** A worker that answers each change early, and what it was asked. */
  function anEarlyWorker() {
    const asked: string[] = [];
    const told = (isWhole: boolean) => Promise.resolve({ slices: {}, warningIds: [], isComplete: true, isWhole });
    const reckoner = {
      tell: ({ whole: opened, board: changes }: News, _look: Look | null, isEarly: boolean) => {
        if (opened !== undefined) return told(true);
        asked.push(changes === undefined ? 'rest' : `${changes.map(({ now }) => String(now)).join('+')} ${isEarly ? 'early' : 'wholly'}`);
        return told(!isEarly);
      },
    };
    vi.stubGlobal('Worker', workerWith(reckoner));
    return asked;
  }
  test('is asked for once nothing else waits', async () => {
    const asked = anEarlyWorker();
    const reckoning = new Reckoning(listener());
    reckoning.open(whole(aBoard()), LOOK);
    await vi.waitFor(() => expect(answers).toHaveLength(1));
    for (const name of ['a', 'b']) reckoning.change({ board: aBoard(name) });
    await vi.waitFor(() => expect(busy).toEqual([true, false, true, false]));
    expect(asked).toEqual(['a early', 'b early', 'rest']);
    reckoning.close();
  });
  test('is told with a change when it has been behind for long: a drag without a pause is no reason to wait', async () => {
    const clock = vi.spyOn(performance, 'now').mockReturnValue(1_000);
    const asked = anEarlyWorker();
    const reckoning = new Reckoning({
      ...listener(),
      // The next edit comes with each answer, and time goes by.
      answered: () => {
        const name = ['a', 'b', 'c', 'd', 'e'][asked.length];
        if (name === undefined) return;
        clock.mockReturnValue(1_000 + 150 * asked.length);
        reckoning.change({ board: aBoard(name) });
      },
    });
    reckoning.open(whole(aBoard()), LOOK);
    await vi.waitFor(() => expect(busy).toEqual([true, false]));
    expect(asked).toEqual(['a early', 'b early', 'c early', 'd wholly', 'e early', 'rest']);
    clock.mockRestore();
    reckoning.close();
  });
});

test('an answer given before the checks were there is asked for again, with what is looked at', async () => {
  const looks: unknown[] = [];
  const judged = (isComplete: boolean) => Promise.resolve({ slices: {}, warningIds: [], isComplete });
  vi.stubGlobal('Worker', workerWith({ tell: (_news: News, look: unknown) => (looks.push(look), judged(looks.length > 1)) }));
  const reckoning = new Reckoning(listener());
  const looked = { slices: ['mixes'] as const, chosen: [] };
  reckoning.open(whole(aBoard()), looked);
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(looks).toEqual([looked, looked]);
  reckoning.close();
});

describe('a worker that dies', () => {
  /** Workers of which each dies or answers, as told, when it is asked something; what each was opened with. */
  function someWorkers(fates: readonly ('dies' | 'answers')[]) {
    const opened: string[] = [];
    const ends: (() => void)[] = [];
    const answer = (board: Board): unknown => {
      opened.push(board.plan.name);
      if (fates[opened.length - 1] === 'answers') return { slices: {}, warningIds: [] };
      ends.at(-1)!();
      return new Promise(() => undefined);
    };
    const tell = ({ whole: opened }: News): unknown => {
      if (opened !== undefined) return answer(opened.board);
      ends.at(-1)!();
      return new Promise(() => undefined);
    };
    const Alive = workerWith({ tell });
    vi.stubGlobal(
      'Worker',
      class extends Alive {
        private readonly listeners: EventListener[] = [];
        constructor() {
          super();
          ends.push(() => this.listeners.forEach((listener) => listener(new Event('error'))));
          const add = this.addEventListener;
          this.addEventListener = (type, listener) => (type === 'error' ? void this.listeners.push(listener) : add(type, listener));
        }
      },
    );
    return opened;
  }

  test('is started again once, with the board as it is by then, and goes on', async () => {
    const opened = someWorkers(['answers', 'answers']);
    const reckoning = new Reckoning(listener());
    reckoning.open(whole(aBoard()), LOOK);
    await vi.waitFor(() => expect(answers).toHaveLength(1));
    reckoning.change({ board: aBoard('kept') });
    await vi.waitFor(() => expect(opened).toEqual(['Brinefold Saltworks', 'kept']));
    await vi.waitFor(() => expect(answers).toHaveLength(2));
    expect(failures).toEqual([]);
    reckoning.close();
  });

  test('twice in a row is told, and nobody waits for an answer', async () => {
    const opened = someWorkers(['dies', 'dies']);
    const reckoning = new Reckoning(listener());
    reckoning.open(whole(aBoard()), LOOK);
    await vi.waitFor(() => expect(failures).toEqual(['died']));
    expect(opened).toHaveLength(2);
    expect(busy).toEqual([true, false]);
    reckoning.close();
  });
});

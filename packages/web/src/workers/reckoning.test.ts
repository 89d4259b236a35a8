import { expose } from 'comlink';
import { type Patch, applyPatches, enablePatches } from 'immer';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import { EMPTY_STOCK, NOTHING_DONE } from '@spare-acre/core/shop';
import type { Board } from '@spare-acre/core/plan';
import { CATALOGUE } from '../testing/world';
import { Reckoning } from './reckoning';

enablePatches();

/** A reckoner at the other end of a message channel that answers when the test says so, with the name of the plan it has. */
function aSlowWorker() {
  const waiting: (() => void)[] = [];
  const seen: string[] = [];
  let board: Board | null = null;
  const answer = (said?: string): Promise<string> =>
    new Promise((resolve, reject) => {
      const name = said ?? board!.plan.name;
      seen.push(name);
      waiting.push(() => (name === 'bad' ? reject(new RangeError('no such plan')) : resolve(name)));
    });
  const reckoner = {
    open: (opened: Board) => ((board = opened), answer()),
    look: ({ slices }: { slices: string[] }) => answer(`looks at ${slices.join()}`),
    shelve: (stock: { readonly offcuts: readonly unknown[] }) => answer(`${stock.offcuts.length} in the rack`),
    change: (patches: Patch[]) => ((board = applyPatches(board!, patches)), answer()),
  };
  vi.stubGlobal(
    'Worker',
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
    },
  );
  return { seen, letAnswer: () => vi.waitFor(() => (expect(waiting.length).toBeGreaterThan(0), waiting.shift()!())) };
}

const LOOK = { slices: [], chosen: [] };
const aBoard = (name = 'Brinefold Saltworks'): Board => ({ plan: { ...brinefold(CATALOGUE), name }, record: NOTHING_DONE });
const rename = (name: string): Patch[] => [{ op: 'replace', path: ['plan', 'name'], value: name }];
let answers: string[];
let failures: string[];
let busy: boolean[];
const listener = () => ({
  answered: (answer: unknown, version: number) => void answers.push(`${version} ${String(answer)}`),
  failed: (error: unknown) => void failures.push((error as Error).message),
  busy: (isBusy: boolean) => void busy.push(isBusy),
});
beforeEach(() => ([answers, failures, busy] = [[], [], []]));
afterEach(() => vi.unstubAllGlobals());

test('edits made while the worker is busy go together in the next question, and answers come in order', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(aBoard(), CATALOGUE, EMPTY_STOCK, LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  for (const name of ['a', 'b', 'c']) reckoning.change(rename(name));
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
  reckoning.open(aBoard('bad'), CATALOGUE, EMPTY_STOCK, LOOK);
  await letAnswer();
  await vi.waitFor(() => expect(failures).toEqual(['no such plan']));
  reckoning.change(rename('good'));
  await letAnswer();
  await vi.waitFor(() => expect(answers).toEqual(['2 good']));
  reckoning.close();
});

test('another board opened forgets the edits still waiting for the first', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(aBoard(), CATALOGUE, EMPTY_STOCK, LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change(rename('lost'));
  reckoning.open(aBoard('Other'), CATALOGUE, EMPTY_STOCK, LOOK);
  await letAnswer();
  await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(seen).toEqual(['Brinefold Saltworks', 'Other']);
  reckoning.close();
});

test('what the rack holds is told after the board is open, and before the edits that wait', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(aBoard(), CATALOGUE, EMPTY_STOCK, LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change(rename('later'));
  reckoning.shelve({ ...EMPTY_STOCK, offcuts: [{ id: 'o', materialId: 'mdf', thicknessMm: 6, widthMm: 300, depthMm: 200 }] });
  for (let i = 0; i < 3; i++) await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(3));
  expect(seen).toEqual(['Brinefold Saltworks', '1 in the rack', 'later']);
  reckoning.close();
});

test('what is looked at is asked before the edits that wait, and only as it was last said', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(aBoard(), CATALOGUE, EMPTY_STOCK, LOOK);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change(rename('later'));
  reckoning.look({ slices: ['jobs'], chosen: [] });
  reckoning.look({ slices: ['days'], chosen: [] });
  for (let i = 0; i < 3; i++) await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(3));
  expect(seen).toEqual(['Brinefold Saltworks', 'looks at days', 'later']);
  reckoning.close();
});

test('an answer given before the checks were there is asked for again, with what is looked at', async () => {
  const looks: unknown[] = [];
  const judged = (isJudged: boolean) => Promise.resolve({ slices: {}, warningIds: [], isJudged });
  vi.stubGlobal(
    'Worker',
    class {
      private readonly ends = new MessageChannel();
      constructor() {
        expose({ open: () => judged(false), look: (look: unknown) => (looks.push(look), judged(true)) }, this.ends.port2);
        this.ends.port1.start();
      }
      postMessage = (message: unknown, transfer: Transferable[]): void => this.ends.port1.postMessage(message, transfer);
      addEventListener = (type: string, listener: EventListener): void => this.ends.port1.addEventListener(type, listener);
      removeEventListener = (type: string, listener: EventListener): void => this.ends.port1.removeEventListener(type, listener);
      terminate = (): void => this.ends.port1.close();
    },
  );
  const reckoning = new Reckoning(listener());
  const looked = { slices: ['mixes'] as const, chosen: [] };
  reckoning.open(aBoard(), CATALOGUE, EMPTY_STOCK, looked);
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(looks).toEqual([looked]);
  reckoning.close();
});

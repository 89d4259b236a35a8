import { expose } from 'comlink';
import { type Patch, applyPatches, enablePatches } from 'immer';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import type { Plan } from '@spare-acre/core/plan';
import { CATALOGUE } from '../testing/world';
import { Reckoning } from './reckoning';

enablePatches();

/** A reckoner at the other end of a message channel that answers when the test says so, with the name of the plan it has. */
function aSlowWorker() {
  const waiting: (() => void)[] = [];
  const seen: string[] = [];
  let plan: Plan | null = null;
  const answer = (said?: string): Promise<string> =>
    new Promise((resolve, reject) => {
      const name = said ?? plan!.name;
      seen.push(name);
      waiting.push(() => (name === 'bad' ? reject(new RangeError('no such plan')) : resolve(name)));
    });
  const reckoner = {
    open: (opened: Plan) => ((plan = opened), answer()),
    shelve: (rack: readonly unknown[]) => answer(`${rack.length} in the rack`),
    change: (patches: Patch[]) => ((plan = applyPatches(plan!, patches)), answer()),
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

const rename = (name: string): Patch[] => [{ op: 'replace', path: ['name'], value: name }];
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
  reckoning.open(brinefold(CATALOGUE), CATALOGUE, []);
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
  reckoning.open({ ...brinefold(CATALOGUE), name: 'bad' }, CATALOGUE, []);
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
  reckoning.open(brinefold(CATALOGUE), CATALOGUE, []);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change(rename('lost'));
  reckoning.open({ ...brinefold(CATALOGUE), name: 'Other' }, CATALOGUE, []);
  await letAnswer();
  await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(seen).toEqual(['Brinefold Saltworks', 'Other']);
  reckoning.close();
});

test('what the rack holds is told after the board is open, and before the edits that wait', async () => {
  const { seen, letAnswer } = aSlowWorker();
  const reckoning = new Reckoning(listener());
  reckoning.open(brinefold(CATALOGUE), CATALOGUE, []);
  await vi.waitFor(() => expect(seen).toHaveLength(1));
  reckoning.change(rename('later'));
  reckoning.shelve([{ id: 'o', materialId: 'mdf', thicknessMm: 6, widthMm: 300, depthMm: 200 }]);
  for (let i = 0; i < 3; i++) await letAnswer();
  await vi.waitFor(() => expect(answers).toHaveLength(3));
  expect(seen).toEqual(['Brinefold Saltworks', '1 in the rack', 'later']);
  reckoning.close();
});

import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Deed } from '@spare-acre/core/schedule/bench';
import { NoServer, ServerProblem } from '../stores/device/client';
import { sendWaiting } from './sending';
import { type Waiting, dropWaiting, keepJournal, keepWaiting, knownJournal, listWaiting } from './waiting';

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const deed = (n: number): Deed => ({
  id: uuid(n),
  device: uuid(0),
  seen: 0,
  atMs: 1_000 + n,
  day: '2026-11-30',
  act: { kind: 'begin', taskId: `task-${n}` },
});
const waits = (n: number, photos = 0): Waiting => ({
  deed: deed(n),
  photos: Array.from({ length: photos }, (_, i) => ({ id: uuid(10_000 + 10 * n + i), file: new Blob([String(n)]) })),
  refused: null,
});

/** A server that answers, or does not hear, or is not heard; it refuses some deeds for good. */
class FakeServer {
  readonly taken: string[] = [];
  readonly photos = new Set<string>();
  constructor(
    private readonly luck: () => 'heard' | 'lost' | 'answer-lost' | 'busy',
    private readonly isBad: (id: string) => boolean,
  ) {}
  private through(work: () => void): void {
    const luck = this.luck();
    if (luck === 'lost') throw new NoServer('The server does not answer.');
    if (luck === 'busy') throw new ServerProblem({ type: '', title: 'Busy', status: 503, detail: 'busy' });
    work();
    if (luck === 'answer-lost') throw new NoServer('The server does not answer.');
  }
  photo(id: string): Promise<void> {
    this.through(() => this.photos.add(id));
    return Promise.resolve();
  }
  deeds(letter: readonly Deed[]): Promise<null> {
    this.through(() => {
      if (letter.some(({ id }) => this.isBad(id))) throw new ServerProblem({ type: '', title: 'No', status: 400, detail: 'not so' });
      for (const { id } of letter) if (!this.taken.includes(id)) this.taken.push(id);
    });
    return Promise.resolve(null);
  }
}
const postOf = (queue: Waiting[], server: FakeServer): Parameters<typeof sendWaiting<null>>[0] => ({
  list: () => Promise.resolve([...queue]),
  photo: ({ id }) => server.photo(id),
  deeds: (letter) => server.deeds(letter),
  isWell: () => Promise.resolve(true),
  taken(letter) {
    const gone = new Set(letter.map(({ id }) => id));
    queue.splice(0, queue.length, ...queue.filter((one) => !gone.has(one.deed.id)));
    return Promise.resolve();
  },
  refused(one, reason) {
    const at = queue.findIndex((own) => own.deed.id === one.deed.id);
    queue[at] = { ...one, refused: reason };
    return Promise.resolve();
  },
});

describe('a queue that is sent', () => {
  test('whatever is lost on the way: each deed arrives once, in order, after its photos; what is refused is kept and holds nothing up', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ photos: fc.integer({ min: 0, max: 2 }), isBad: fc.boolean() }), { minLength: 1, maxLength: 12 }),
        fc.infiniteStream(
          fc.constantFrom('heard', 'heard', 'lost', 'answer-lost', 'busy') as fc.Arbitrary<'heard' | 'lost' | 'answer-lost' | 'busy'>,
        ),
        async (all, lucks) => {
          const bad = new Set(all.flatMap(({ isBad }, n) => (isBad ? [uuid(n)] : [])));
          const queue = all.map(({ photos }, n) => waits(n, photos));
          const photosOf = new Map(queue.map((one) => [one.deed.id, one.photos.map(({ id }) => id)]));
          let tries = 0;
          const server = new FakeServer(
            () => (tries++ > 200 ? 'heard' : lucks.next().value!),
            (id) => bad.has(id),
          );
          for (let round = 0; round < 600 && queue.some(({ refused }) => refused === null); round++)
            await sendWaiting(postOf(queue, server)).catch((error: unknown) => {
              expect(error instanceof NoServer || error instanceof ServerProblem).toBe(true);
            });
          const good = all.flatMap((_, n) => (bad.has(uuid(n)) ? [] : [uuid(n)]));
          expect(server.taken).toEqual(good);
          expect(queue.map(({ deed: { id }, refused }) => [id, refused])).toEqual([...bad].map((id) => [id, 'not so']));
          for (const id of good) for (const photo of photosOf.get(id)!) expect(server.photos.has(photo)).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });
});

test('an entry that breaks a server which is well otherwise is set aside; one that breaks with all the rest waits', async () => {
  for (const isWell of [true, false]) {
    const queue = [waits(1), waits(2)];
    const server = new FakeServer(
      () => 'heard',
      () => false,
    );
    const broken = new ServerProblem({ type: '', title: 'Something broke here', status: 500, detail: 'broke' });
    const post = {
      ...postOf(queue, server),
      isWell: () => Promise.resolve(isWell),
      deeds: (letter: readonly Deed[]) => (letter.some(({ id }) => id === uuid(1)) ? Promise.reject(broken) : server.deeds(letter)),
    };
    await sendWaiting(post).catch(() => undefined);
    expect(server.taken).toEqual(isWell ? [uuid(2)] : []);
    expect(queue.map(({ deed: { id }, refused }) => [id, refused])).toEqual(
      isWell
        ? [[uuid(1), 'broke']]
        : [
            [uuid(1), null],
            [uuid(2), null],
          ],
    );
  }
});

describe('what waits on the device', () => {
  test('is there in the order in which it was done, board by board, with its photos, until it is dropped', async () => {
    for (const n of [3, 1, 2]) await keepWaiting('board', waits(n, n === 2 ? 1 : 0));
    await keepWaiting('other', waits(9));
    expect((await listWaiting('board')).map(({ deed: { id } }) => id)).toEqual([uuid(1), uuid(2), uuid(3)]);
    expect((await listWaiting('board'))[1]!.photos).toHaveLength(1);
    await dropWaiting('board', deed(2));
    expect((await listWaiting('board')).map(({ deed: { id } }) => id)).toEqual([uuid(1), uuid(3)]);
    expect(await listWaiting('other')).toHaveLength(1);
    expect(await knownJournal('board')).toEqual([]);
    await keepJournal('board', [{ turn: 4, deed: deed(1) }]);
    expect(await knownJournal('board')).toEqual([{ turn: 4, deed: deed(1) }]);
  });
});

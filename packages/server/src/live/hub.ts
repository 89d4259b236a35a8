import type { Knex } from 'knex';
import type { Logger } from 'pino';
import type { LiveEvent } from '@spare-acre/core/io/wire';
import { aliveOf } from '../access/sessions';
import { listenTo } from './channel';
import { type Visitor, arrive, beat, leave, othersOn } from './presence';
import type { Told } from './tell';

/** One page that has a board open. */
interface Stream extends Visitor {
  readonly send: (event: LiveEvent) => void;
  readonly end: () => void;
  /** Who else was there when it was last told, so that it is told of changes alone. */
  lastHere: string;
}

/** Tells pages what others do, whichever server they do it through. */
export interface Hub {
  /** @returns what to call when the page is gone; null where this server holds as many streams as it can */
  readonly join: (visitor: Visitor, send: (event: LiveEvent) => void, end: () => void) => (() => void) | null;
  readonly close: () => Promise<void>;
}

const MAX_STREAMS = 500;
/** Shorter than {@link othersOn} believes in a tab of which nothing is heard. */
const BEAT_MS = 15_000;

export function openHub(db: Knex, databaseUrl: string, log: Logger): Hub {
  const streams = new Set<Stream>();
  const on = (board: string): Stream[] => [...streams].filter(({ boardId }) => boardId === board);
  const boards = (): string[] => [...new Set([...streams].map(({ boardId }) => boardId))];

  const channel = listenTo(databaseUrl, log, {
    heard: (told) => void pass(told),
    again: () =>
      boards().forEach((board) => void quietly(() => tellWhereItStands(board, on(board), 'now').then(() => tellWhoIsHere(board)))),
  });
  const beating = setInterval(
    () =>
      void quietly(async () => {
        await endOver();
        await beat(db, [...streams]);
        for (const board of boards()) await tellWhoIsHere(board);
      }),
    BEAT_MS,
  );

  /** A database that is away just now says it all again when it is back. */
  async function quietly(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      log.debug(error);
    }
  }

  const endThose = (which: (stream: Stream) => boolean): void => [...streams].filter(which).forEach(({ end }) => end());
  /** A session may end by itself, and whoever listens by it is told nothing more. */
  async function endOver(): Promise<void> {
    const ids = [...new Set([...streams].flatMap(({ sessionId }) => sessionId ?? []))];
    const alive = await aliveOf(db, ids);
    endThose(({ sessionId }) => sessionId !== null && !alive.has(sessionId));
  }

  async function pass(told: Told): Promise<void> {
    if (told.kind === 'signed-out') return endThose(({ sessionId }) => sessionId !== null);
    if (told.kind === 'session-ended') return endThose(({ sessionId }) => sessionId === told.session);
    const there = on(told.board);
    if (there.length === 0) return;
    await quietly(async () => {
      if (told.kind === 'plan') send(there, { kind: 'at', revision: told.revision, by: told.by, what: 'plan' });
      else if (told.kind === 'away') send(there, { kind: 'away' });
      else if (told.kind === 'here') await tellWhoIsHere(told.board);
      else await tellWhereItStands(told.board, there, told.kind === 'record' ? 'record' : 'now');
    });
  }

  async function tellWhereItStands(board: string, to: readonly Stream[], what: 'record' | 'now'): Promise<void> {
    const row = await db<{ id: string; revision: number; removed_at: Date | null }>('boards')
      .first('revision', 'removed_at')
      .where({ id: board });
    if (row === undefined || row.removed_at !== null) send(to, { kind: 'away' });
    else send(to, { kind: 'at', revision: row.revision, by: null, what });
  }

  async function tellWhoIsHere(board: string): Promise<void> {
    const visitors = await othersOn(db, board);
    for (const stream of on(board)) {
      const others = visitors.filter(({ tab }) => tab !== stream.tab).map(({ person, device }) => ({ person, device }));
      const here = JSON.stringify(others);
      if (here === stream.lastHere) continue;
      stream.lastHere = here;
      stream.send({ kind: 'here', others });
    }
  }

  const send = (to: readonly Stream[], event: LiveEvent): void => to.forEach((stream) => stream.send(event));

  return {
    join(visitor, sendOne, end) {
      if (streams.size >= MAX_STREAMS) return null;
      const stream: Stream = { ...visitor, send: sendOne, end, lastHere: '[]' };
      streams.add(stream);
      void quietly(async () => {
        await tellWhereItStands(visitor.boardId, [stream], 'now');
        await arrive(db, visitor);
      });
      return () => {
        streams.delete(stream);
        // A tab that has come back meanwhile, after a moment without a network, is still here.
        const isBack = [...streams].some(({ tab, boardId }) => tab === visitor.tab && boardId === visitor.boardId);
        if (!isBack) void quietly(() => leave(db, visitor));
      };
    },
    async close() {
      clearInterval(beating);
      const left = [...streams];
      streams.clear();
      for (const stream of left) stream.end();
      await quietly(() => Promise.all(left.map((stream) => leave(db, stream))));
      await channel.close();
    },
  };
}

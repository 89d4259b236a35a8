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

export const openHub = (db: Knex, databaseUrl: string, log: Logger): Hub => new OpenHub(db, databaseUrl, log);

class OpenHub implements Hub {
  private readonly streams = new Set<Stream>();
  private readonly channel: ReturnType<typeof listenTo>;
  private readonly beating: NodeJS.Timeout;

  constructor(
    private readonly db: Knex,
    databaseUrl: string,
    private readonly log: Logger,
  ) {
    this.channel = listenTo(databaseUrl, log, {
      heard: (told) => void this.pass(told),
      again: () => this.boards().forEach((board) => void this.quietly(() => this.tellAll(board))),
    });
    this.beating = setInterval(() => void this.quietly(() => this.beat()), BEAT_MS);
  }

  join(visitor: Visitor, send: Stream['send'], end: () => void): (() => void) | null {
    if (this.streams.size >= MAX_STREAMS) return null;
    const stream: Stream = { ...visitor, send, end, lastHere: '[]' };
    this.streams.add(stream);
    void this.quietly(async () => {
      await this.tellWhereItStands(visitor.boardId, [stream], 'now');
      await arrive(this.db, visitor);
    });
    return () => {
      this.streams.delete(stream);
      // A tab that has come back meanwhile, after a moment without a network, is still here.
      const isBack = [...this.streams].some(({ tab, boardId }) => tab === visitor.tab && boardId === visitor.boardId);
      if (!isBack) void this.quietly(() => leave(this.db, visitor));
    };
  }

  async close(): Promise<void> {
    clearInterval(this.beating);
    const left = [...this.streams];
    this.streams.clear();
    for (const stream of left) stream.end();
    await this.quietly(() => Promise.all(left.map((stream) => leave(this.db, stream))));
    await this.channel.close();
  }

  private on(board: string): Stream[] {
    return [...this.streams].filter(({ boardId }) => boardId === board);
  }
  private boards(): string[] {
    return [...new Set([...this.streams].map(({ boardId }) => boardId))];
  }

  /** A database that is away just now says it all again when it is back. */
  private async quietly(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      this.log.debug(error);
    }
  }
  private async beat(): Promise<void> {
    await this.endOver();
    await beat(this.db, [...this.streams]);
    for (const board of this.boards()) await this.tellWhoIsHere(board);
  }

  private endThose(which: (stream: Stream) => boolean): void {
    [...this.streams].filter(which).forEach(({ end }) => end());
  }
  /** A session may end by itself, and whoever listens by it is told nothing more. */
  private async endOver(): Promise<void> {
    const ids = [...new Set([...this.streams].flatMap(({ sessionId }) => sessionId ?? []))];
    const alive = await aliveOf(this.db, ids);
    this.endThose(({ sessionId }) => sessionId !== null && !alive.has(sessionId));
  }

  private async pass(told: Told): Promise<void> {
    if (told.kind === 'signed-out') return this.endThose(({ sessionId }) => sessionId !== null);
    if (told.kind === 'session-ended') return this.endThose(({ sessionId }) => sessionId === told.session);
    const there = this.on(told.board);
    if (there.length === 0) return;
    await this.quietly(async () => {
      if (told.kind === 'plan') send(there, { kind: 'at', revision: told.revision, by: told.by, what: 'plan' });
      else if (told.kind === 'away') send(there, { kind: 'away' });
      else if (told.kind === 'here') await this.tellWhoIsHere(told.board);
      else await this.tellWhereItStands(told.board, there, told.kind === 'record' ? 'record' : 'now');
    });
  }

  private async tellAll(board: string): Promise<void> {
    await this.tellWhereItStands(board, this.on(board), 'now');
    await this.tellWhoIsHere(board);
  }
  private async tellWhereItStands(board: string, to: readonly Stream[], what: 'record' | 'now'): Promise<void> {
    const row = await this.db<{ id: string; revision: number; removed_at: Date | null }>('boards')
      .first('revision', 'removed_at')
      .where({ id: board });
    if (row === undefined || row.removed_at !== null) send(to, { kind: 'away' });
    else send(to, { kind: 'at', revision: row.revision, by: null, what });
  }
  private async tellWhoIsHere(board: string): Promise<void> {
    const visitors = await othersOn(this.db, board);
    for (const stream of this.on(board)) {
      const others = visitors.filter(({ tab }) => tab !== stream.tab).map(({ person, device }) => ({ person, device }));
      const here = JSON.stringify(others);
      if (here === stream.lastHere) continue;
      stream.lastHere = here;
      stream.send({ kind: 'here', others });
    }
  }
}

const send = (to: readonly Stream[], event: LiveEvent): void => to.forEach((stream) => stream.send(event));

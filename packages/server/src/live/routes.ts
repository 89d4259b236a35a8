import type { Knex } from 'knex';
import { BoardParams, type LiveEvent, LiveQuery } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, askerOf, guardedRoutes } from '../access/may';
import { isOnShelf } from '../boards/boards';
import { busy, noSuchBoard } from '../problems';
import type { Hub } from './hub';

/** A line that says nothing keeps what lies between from closing a silent stream. */
const SILENCE_MS = 20_000;

/** What others do on a board, as server-sent events. */
export function liveRoutes(db: Knex, hub: Hub): GuardedRoutes {
  const api = guardedRoutes();
  api.get('/boards/:boardId/live', 'look', async (req, res) => {
    const { boardId } = BoardParams.parse(req.params);
    const { tab } = LiveQuery.parse(req.query);
    if (!(await isOnShelf(db, boardId))) throw noSuchBoard();
    const device = /Mobi|Android/.test(req.get('user-agent') ?? '') ? 'phone' : 'desk';
    const { person, sessionId } = askerOf(res);
    const send = (event: LiveEvent): void => void res.write(`data: ${JSON.stringify(event)}\n\n`);
    const leave = hub.join({ boardId, tab, person, sessionId, device }, send, () => res.end());
    if (leave === null) throw busy();
    res.writeHead(200, { 'Content-Type': 'text/event-stream', 'X-Accel-Buffering': 'no' });
    res.write('retry: 1000\n\n');
    const silence = setInterval(() => void res.write(':\n\n'), SILENCE_MS);
    res.on('close', () => {
      clearInterval(silence);
      leave();
    });
  });
  return api;
}

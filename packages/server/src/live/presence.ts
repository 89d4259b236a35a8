import type { Knex } from 'knex';
import { tell } from './tell';

/** Somebody who has a board open. */
export interface Visitor {
  readonly boardId: string;
  /** The page's own name for its tab. */
  readonly tab: string;
  readonly person: string | null;
  /** Null where nobody signs in. */
  readonly sessionId: string | null;
  readonly device: 'desk' | 'phone';
}

/** A tab of which nothing was heard for so long is gone: its server may have been killed. */
const BELIEVED_S = 40;

export async function arrive(db: Knex, { boardId, tab, person, device }: Visitor): Promise<void> {
  await db('presence').insert({ board_id: boardId, tab, person, device, seen_at: db.fn.now() }).onConflict(['board_id', 'tab']).merge();
  await tell(db, { board: boardId, kind: 'here' });
}

export async function leave(db: Knex, { boardId, tab }: Visitor): Promise<void> {
  await db('presence').where({ board_id: boardId, tab }).delete();
  await tell(db, { board: boardId, kind: 'here' });
}

/** Says of tabs that they are still there. */
export async function beat(db: Knex, visitors: readonly Visitor[]): Promise<void> {
  const boards = visitors.map(({ boardId }) => boardId);
  const tabs = visitors.map(({ tab }) => tab);
  if (visitors.length === 0) return;
  await db.raw(
    `update presence set seen_at = now() from unnest(?::uuid[], ?::text[]) as alive (board_id, tab)
    where presence.board_id = alive.board_id and presence.tab = alive.tab`,
    [boards, tabs],
  );
}

/** Who has a board open, in the order they came. */
export async function othersOn(db: Knex, boardId: string): Promise<readonly Pick<Visitor, 'tab' | 'person' | 'device'>[]> {
  return (await db('presence')
    .select('tab', 'person', 'device')
    .where({ board_id: boardId })
    .whereRaw(`seen_at > now() - interval '${BELIEVED_S} seconds'`)
    .orderBy('tab')) as Pick<Visitor, 'tab' | 'person' | 'device'>[];
}

/** Forgets tabs that are long gone. */
export const sweepPresence = async (db: Knex): Promise<number> => db('presence').whereRaw("seen_at < now() - interval '1 day'").delete();

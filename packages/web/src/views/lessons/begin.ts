import { firstTile } from '@spare-acre/core/advice/tutorials';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { Log } from '@spare-acre/core/io/wire';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { call, createBoard, putAway } from '../../stores/device/client';
import type { Lessons } from '../../stores/board/lessons';
import { usePlan } from '../../stores/board/plan';

/** A fresh tile, and the first lesson on it. @throws Error in words, where the server does not take it */
export async function beginLessons(startsOn: string): Promise<Lessons> {
  const { id } = await createBoard({ plan: firstTile(await useCatalogue().load(), startsOn), record: NOTHING_DONE });
  return { boardId: id, startsOn, at: 0 };
}

/**
 * Puts the open tile away as if it had never been: ticks are taken back, so that shelf and rack have again what they had, and what was written of it teaches nobody's hand.
 * @throws Error in words, where the server is away
 */
export async function endLessons({ boardId }: Lessons): Promise<void> {
  const store = usePlan();
  if (store.boardId === boardId && store.plan !== null) {
    store.edit({ code: 'board/replace', plan: store.plan, record: NOTHING_DONE, why: 'End the lessons' });
    await store.saving.saveNow();
  }
  const { entries } = await call(Log, 'GET', `/boards/${boardId}/log`);
  for (const { id } of entries) await call(null, 'DELETE', `/boards/${boardId}/log/${id}`);
  if (entries.length > 0) await useCatalogue().renew();
  await putAway(boardId);
}

import { effectScope, watch } from 'vue';
import { useBench } from '../bench';
import { useLessons } from './lessons';
import { usePlan } from './plan';
import { useShelf } from '../workshop/shelf';

const scope = effectScope(true);
const followed = new WeakSet<object>();

/** What stands beside the plan and is heard once a board is on the page: what is done at the bench, what the shelf has, and lessons under way. */
export function standBeside(): ReturnType<typeof useLessons> {
  const [store, shelf] = [usePlan(), useShelf()];
  useBench();
  void shelf.load().then(() => {
    if (followed.has(shelf)) return;
    followed.add(shelf);
    scope.run(() => watch(() => shelf.free(store.boardId), store.takeShelf, { immediate: true }));
  });
  return useLessons();
}

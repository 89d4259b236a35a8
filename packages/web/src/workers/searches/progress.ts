/** Told how far a search is; answers whether to go on. The answer travels, so a cancel gets in between two steps. */
export type OnProgress = (done: number, of: number) => boolean | Promise<boolean>;

/** A search tells how far it is this often: an answer waits for whatever the page is drawing just then. */
const TELL_MS = 40;

/**
 * Goes through the steps of a search.
 * @param listIn what a step has found so far
 * @param onMore told of that as soon as it is longer, without an answer
 * @returns what the last step had found; null where it was told to stop
 */
export async function foundBy<Step extends { readonly done: number; readonly of: number }, Found>(
  steps: Iterable<Step>,
  listIn: (step: Step) => readonly Found[],
  onProgress: OnProgress,
  onMore: (found: readonly Found[]) => unknown = () => undefined,
): Promise<readonly Found[] | null> {
  let found: readonly Found[] = [];
  let toldMs = -Infinity;
  for (const step of steps) {
    const now = listIn(step);
    if (now.length > found.length) void onMore(now);
    found = now;
    if (step.done < step.of && performance.now() - toldMs < TELL_MS) continue;
    if (!(await onProgress(step.done, step.of))) return null;
    toldMs = performance.now();
  }
  return found;
}

// @ts-check
// A thread does not inherit the loader that reads TypeScript: it is brought in before the work is.
import { register } from 'tsx/esm/api';

register();
const work = await import('./work.ts');
/** What is given comes with the builder's own entries, against which plans are checked. @template Given, Answer @param {(given: Given) => Answer} task */
const settled =
  (task) =>
  /** @param {{ given: Given, kept: Parameters<typeof work.settle>[0] }} asked */
  ({ given, kept }) => {
    work.settle(kept);
    return task(given);
  };
export const newBoard = settled(work.newBoard);
export const boardFile = settled(work.boardFile);
export const save = settled(work.save);
export const storedPlan = settled(work.storedPlan);
export const exported = settled(work.exported);
export const picture = settled(work.picture);

import * as work from './work';

/** What a thread can be asked for: what is given comes with the builder's own entries, against which plans are checked. */
const settled =
  <Given, Answer>(task: (given: Given) => Answer) =>
  ({ given, kept }: { readonly given: Given; readonly kept: Parameters<typeof work.settle>[0] }): Answer => {
    work.settle(kept);
    return task(given);
  };
export const newBoard = settled(work.newBoard);
export const boardFile = settled(work.boardFile);
export const save = settled(work.save);
export const storedPlan = settled(work.storedPlan);
export const storedCard = settled(work.storedCard);
export const ownEntries = settled(work.ownEntries);
export const exported = settled(work.exported);
export const picture = settled(work.picture);

import { useStorage } from '@vueuse/core';
import type { BoardEntry } from '@spare-acre/core/io/wire';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { type StoredBoard, fetchBoard } from '../../stores/device/client';
import { type Summary, summarise } from '../../workers/summaries';

/** With more boards than this, a card is calculated when it is pointed at and not before: hundreds of plans would be fetched for nothing. */
export const MAX_AT_ONCE = 12;
/** Summaries kept on this device. */
const MAX_KEPT = 400;

/** What the plan of each board comes to: ready date and warnings, kept by its version. */
export function useSummaries() {
  const catalogues = useCatalogue();
  const kept = useStorage<Record<string, Summary>>('spare-acre/summaries', {});
  const keyOf = ({ id, revision, doneTasks, cutSheets }: BoardEntry): string => `${id}@${revision}+${doneTasks}+${cutSheets}`;
  const of = (board: BoardEntry): Summary | null => kept.value[keyOf(board)] ?? null;
  let waiting: Promise<void> = Promise.resolve();
  const asked = new Set<string>();

  /** Calculates what is not known of some boards, one after another. */
  function calculate(boards: readonly BoardEntry[]): void {
    const open = boards.filter((board) => !asked.has(keyOf(board)));
    for (const board of open) asked.add(keyOf(board));
    if (open.length > 0) waiting = waiting.then(() => run(open)).catch(() => undefined);
  }
  async function run(boards: readonly BoardEntry[]): Promise<void> {
    const catalogue = await catalogues.load();
    const keys = new Map(boards.map((board) => [board.id, keyOf(board)]));
    const plans: StoredBoard[] = [];
    // One that does not come is told when it is opened.
    for (const { id } of boards)
      await fetchBoard(id).then(
        (board) => plans.push(board),
        () => undefined,
      );
    for await (const [id, summary] of summarise(plans, (people) => catalogues.inHandsOf(catalogue, people)))
      kept.value = Object.fromEntries([...Object.entries(kept.value), [keys.get(id)!, summary]].slice(-MAX_KEPT));
  }
  return { of, calculate };
}

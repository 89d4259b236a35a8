import { tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import type { BoardEntry, UnreadableBoard } from '@spare-acre/core/wire';
import { ServerProblem, type StoredBoard, fetchBoard } from '../../document/client';

/** Ways to order the shelf. The server lists the last saved first. */
export const ORDERS = [
  { value: 'saved', text: 'last saved first' },
  { value: 'name', text: 'by name' },
  { value: 'size', text: 'largest table first' },
] as const;
export type Order = (typeof ORDERS)[number]['value'];

const areaOf = ({ plan: { table } }: StoredBoard): number => tableWidthMm(table) * tableDepthMm(table);

/** Boards whose name holds what is sought, whatever its case, in an order. */
export function onShelf(boards: readonly StoredBoard[], sought: string, order: Order): readonly StoredBoard[] {
  const word = sought.trim().toLocaleLowerCase();
  const found = boards.filter(({ plan }) => plan.name.toLocaleLowerCase().includes(word));
  switch (order) {
    case 'saved':
      return found;
    case 'name':
      return found.toSorted((a, b) => a.plan.name.localeCompare(b.plan.name));
    case 'size':
      return found.toSorted((a, b) => areaOf(b) - areaOf(a));
    default:
      throw order satisfies never;
  }
}

/** So many boards are asked for at once. */
const AT_ONCE = 4;

/** The boards of a list in its order, some at a time; one that does not come is told with its reason. @throws NoServer where none comes at all */
export async function* boardsOf(entries: readonly BoardEntry[]): AsyncGenerator<readonly (StoredBoard | UnreadableBoard)[]> {
  for (let from = 0; from < entries.length; from += AT_ONCE) {
    yield await Promise.all(
      entries.slice(from, from + AT_ONCE).map(({ id, name }) =>
        fetchBoard(id).catch((error: unknown): UnreadableBoard => {
          if (!(error instanceof ServerProblem)) throw error;
          const { issues, title, detail } = error.problem;
          return { id, name, issues: issues ?? [{ path: title, message: detail }] };
        }),
      ),
    );
  }
}

import { tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import type { StoredBoard } from '../../document/client';

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

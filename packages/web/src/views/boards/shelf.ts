import type { BoardEntry } from '@spare-acre/core/io/wire';

/** Ways to order the shelf. The server lists the last saved first. */
export const ORDERS = [
  { value: 'saved', text: 'last saved' },
  { value: 'name', text: 'by name' },
  { value: 'size', text: 'largest table first' },
] as const;
export type Order = (typeof ORDERS)[number]['value'];

const areaOf = ({ summary: { widthMm, depthMm } }: BoardEntry): number => widthMm * depthMm;

/** Boards whose name holds what is sought, whatever its case, in an order. */
export function onShelf(boards: readonly BoardEntry[], sought: string, order: Order): readonly BoardEntry[] {
  const word = sought.trim().toLocaleLowerCase();
  const found = boards.filter(({ name }) => name.toLocaleLowerCase().includes(word));
  switch (order) {
    case 'saved':
      return found;
    case 'name':
      return found.toSorted((a, b) => a.name.localeCompare(b.name));
    case 'size':
      return found.toSorted((a, b) => areaOf(b) - areaOf(a));
    default:
      throw order satisfies never;
  }
}

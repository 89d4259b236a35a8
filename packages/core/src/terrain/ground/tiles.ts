import { memoize } from '../../base/memory';
import type { Box } from '../../base/geometry';
import { type Table, tableDepthMm, tableWidthMm } from '../../plan';
import { type Figure, given, calculate, total } from '../../base/units';

/** One tile of the table. Columns are lettered from the left, rows numbered from the back: `B2`. */
export interface Tile {
  readonly id: string;
  readonly box: Box;
  readonly column: number;
  readonly row: number;
  /** The tile as its layers are cut: its box less half the seam allowance on each side that meets another tile, and less the rim all round. */
  readonly cutBox: Box;
}

/** All tiles, row by row from the back. */
export const tilesOf = memoize((table: Table): readonly Tile[] => {
  const columns = starts(table.columnWidthsMm);
  const rows = starts(table.rowDepthsMm);
  const half = table.seamAllowanceMm / 2;
  const rimMm = table.rim?.thicknessMm ?? 0;
  return rows.flatMap(([top, bottom], row) =>
    columns.map(([left, right], column): Tile => {
      const cutBox = {
        left: left + (column === 0 ? 0 : half) + rimMm,
        top: top + (row === 0 ? 0 : half) + rimMm,
        right: right - (column === columns.length - 1 ? 0 : half) - rimMm,
        bottom: bottom - (row === rows.length - 1 ? 0 : half) - rimMm,
      };
      return { id: tileName(column, row), column, row, box: { left, top, right, bottom }, cutBox };
    }),
  );
});

/** `A1` for the left back tile. */
export const tileName = (column: number, row: number): string => `${columnLetter(column)}${row + 1}`;
/** `A` for the left column. */
export const columnLetter = (column: number): string => String.fromCharCode(65 + column);

/** The whole table as a box. */
export const tableBox = memoize((table: Table): Box => ({ left: 0, top: 0, right: tableWidthMm(table), bottom: tableDepthMm(table) }));

/** Width × depth of the table, from the tile sizes of the plan. */
export const tableArea = memoize((table: Table): Figure<'mm²'> => {
  const side = (label: string, sizes: readonly number[], what: string): Figure<'mm'> =>
    total(
      label,
      'mm',
      sizes.map((size, i) => given(`${what} ${i + 1}`, size, 'mm', 'plan')),
    );
  const width = side('Table width', table.columnWidthsMm, 'Column');
  const depth = side('Table depth', table.rowDepthsMm, 'Row');
  return calculate('Table', 'mm²', width, '×', depth);
});

/** Share of the table that a tile is, 0 to 1. */
export const tileShare = ({ box }: Tile, { tableArea: whole }: { readonly tableArea: Figure<'mm²'> }): number =>
  ((box.right - box.left) * (box.bottom - box.top)) / whole.value;

function starts(sizes: readonly number[]): readonly (readonly [number, number])[] {
  let at = 0;
  return sizes.map((size) => [at, (at += size)] as const);
}

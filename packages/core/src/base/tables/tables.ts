import papaparse from 'papaparse';

/** Rows of a table with the lines they begin in. A line that is left empty is passed over. */
export function rowsOf(text: string): {
  readonly head: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
} {
  const parsed = papaparse.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  let line = 1;
  const lined = parsed.data.map((cells) => {
    const from = line;
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);
    return { line: from, cells: cells.map((cell) => cell.trim().replace(/^'(?=[=+\-@])/, '')) };
  });
  const [first, ...rows] = lined.filter(({ cells }) => cells.some((cell) => cell !== ''));
  return { head: first?.cells ?? [], rows };
}

/** What a spreadsheet would run as a formula: a number below zero is none. */
const FORMULA = /^(?![-+]?\d+(?:[.,]\d+)?$)[=+\-@\t\r]/;
/** A table as text. Cells that a spreadsheet would run as a formula are made text. */
export const csvOf = (rows: readonly (readonly string[])[]): string =>
  papaparse.unparse(rows as string[][], { newline: '\r\n', escapeFormulae: FORMULA });

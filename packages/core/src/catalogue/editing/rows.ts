import { csvOf, rowsOf } from '../../base/tables';
import type { Catalogue } from '../schema';
import { type OwnEntry, idFor, withEntry } from './entries';
import { type Field, type NamedField, fieldsOf } from './form';
import type { Kind } from './kinds';

/** A row that was not taken: its line in the file, from 1, the column, and what would do. */
export interface BadRow {
  readonly line: number;
  readonly column: string;
  readonly message: string;
}

/** Cells that hold more than one thing: words and numbers joined by this. */
const JOINT = '; ';
/** What a column of a table holds: where in an entry, and as what. */
interface Column {
  readonly at: readonly string[];
  readonly field: Field;
  /** Left empty for nothing. */
  readonly mayBeEmpty: boolean;
}

/** The columns of a kind. Figures have three, told apart by their end; what has shapes of its own has the columns of all of them. */
function columnsOf(fields: readonly NamedField[], at: readonly string[] = [], mayBeEmpty = false): readonly Column[] {
  return fields.flatMap(({ key, field }) => columnOf(field, [...at, key], mayBeEmpty));
}
function columnOf(field: Field, at: readonly string[], mayBeEmpty: boolean): readonly Column[] {
  switch (field.is) {
    case 'maybe':
      return columnOf(field.inner, at, true);
    case 'figure': {
      const number: Field = { is: 'number', unit: field.unit, least: 0, most: 1e7, isWhole: false, isAbove: false };
      return ['value', 'low', 'high'].map((key) => ({ at: [...at, key], field: number, mayBeEmpty: mayBeEmpty || key !== 'value' }));
    }
    case 'group':
      return columnsOf(field.fields, at, mayBeEmpty);
    case 'one-of': {
      const words: Field = { is: 'choice', of: field.options.map(({ word }) => word) };
      const inner = field.options.flatMap(({ fields }) => columnsOf(fields, at, true));
      const once = inner.filter((column, i) => inner.findIndex((other) => other.at.join() === column.at.join()) === i);
      return [{ at: [...at, field.key], field: words, mayBeEmpty }, ...once];
    }
    default:
      return [{ at, field, mayBeEmpty }];
  }
}
const headOf = ({ at }: Column): string => at.join('.');

/** Entries of a kind as a table, a line each. Cells that a spreadsheet would run as a formula are made text. */
export function entriesCsv(kind: Kind, entries: readonly object[]): string {
  const columns = columnsOf(fieldsOf(kind));
  const rows = entries.map((entry) => columns.map(({ at, field }) => cellOf(field, valueAt(entry, at))));
  return csvOf([columns.map(headOf), ...rows]);
}

function valueAt(entry: object, at: readonly string[]): unknown {
  let value: unknown = entry;
  for (const key of at) value = typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[key] : undefined;
  return value;
}

function cellOf(field: Field, value: unknown): string {
  if (value === null || value === undefined) return '';
  if (field.is === 'tick') return value === true ? 'yes' : 'no';
  if (field.is !== 'list') return String(value as string | number);
  const all = value as readonly unknown[];
  if (field.of.is === 'group' || field.of.is === 'one-of') return all.length === 0 ? '' : JSON.stringify(all);
  return all.map((one) => String(one as string | number)).join(JOINT);
}

/**
 * Entries of a kind from a table as {@link entriesCsv} writes it. Columns may stand in any order and be left out where an entry of the same id is there: what is not said stays as it
 * is. Rows that do not do are told by line and column, the others are taken.
 * @param catalogue what rows may refer to; an entry may refer to one above it
 */
export function readEntries(
  kind: Kind,
  text: string,
  catalogue: Catalogue,
): { readonly entries: readonly OwnEntry[]; readonly bad: readonly BadRow[] } {
  const columns = new Map(columnsOf(fieldsOf(kind)).map((column) => [headOf(column), column]));
  const { head, rows } = rowsOf(text);
  const unknown = head.filter((name) => name !== '' && !columns.has(name));
  if (head.length === 0) return { entries: [], bad: [{ line: 1, column: '', message: 'the file is empty. Use a line of columns' }] };
  const bad: BadRow[] = unknown.map((column) => ({
    line: 1,
    column,
    message: `no column of that name. Enter ${[...columns.keys()].slice(0, 6).join(', ')}, …`,
  }));
  if (!head.includes('name') && !head.includes('id'))
    return { entries: [], bad: [...bad, { line: 1, column: 'name', message: 'missing. Use a column “id” or “name”' }] };
  const entries: OwnEntry[] = [];
  let known = catalogue;
  for (const { line, cells } of rows) {
    const read = readRow(kind, head, cells, columns, known);
    if ('message' in read) {
      bad.push({ line, ...read });
      continue;
    }
    const tried = withEntry(known, read);
    if (tried.ok) {
      known = tried.catalogue;
      entries.push(read);
    } else bad.push(...tried.issues.slice(0, 3).map(({ path, message }) => ({ line, column: path, message })));
  }
  return { entries, bad };
}

function readRow(
  kind: Kind,
  head: readonly string[],
  cells: readonly string[],
  columns: ReadonlyMap<string, Column>,
  catalogue: Catalogue,
): OwnEntry | Omit<BadRow, 'line'> {
  const said = new Map<string, string>();
  head.forEach((name, i) => columns.has(name) && said.set(name, cells[i] ?? ''));
  const [saidId, saidName] = [said.get('id') ?? '', said.get('name')];
  const there = named(kind, saidId, saidName, catalogue);
  const id = saidId !== '' ? saidId : (there?.id ?? idFor(catalogue, kind, saidName ?? ''));
  const body: Record<string, unknown> = there === undefined ? {} : structuredClone(there);
  for (const [name, text] of said) {
    if (name === 'id') continue;
    const { at, field, mayBeEmpty } = columns.get(name)!;
    const read = readCell(field, text, mayBeEmpty);
    if (!read.ok) return { column: name, message: read.message };
    if (read.value !== undefined || isCleared(name, text, mayBeEmpty)) setAt(body, at, read.value);
  }
  return { kind, id, body: completed({ is: 'group', fields: fieldsOf(kind) }, { ...body, id }) };
}

/** An empty cell takes a value away; an end of a range that says nothing is the value itself. */
const isCleared = (name: string, text: string, mayBeEmpty: boolean): boolean => text === '' && mayBeEmpty && !/\.(low|high)$/.test(name);
/** The entry that a row is about: by its id, or by its name where it says none. */
function named(kind: Kind, id: string, name: string | undefined, catalogue: Catalogue): { readonly id: string } | undefined {
  const list = catalogue[kind] as readonly { readonly id: string; readonly name?: string }[];
  return list.find((one) => (id === '' ? one.name !== undefined && one.name === name : one.id === id));
}

type Cell = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly message: string };
/** @returns undefined for a cell that says nothing */
function readCell(field: Field, text: string, mayBeEmpty: boolean): Cell {
  const refuse = (would: string): Cell => refused(text, would);
  if (text === '') return mayBeEmpty ? { ok: true, value: undefined } : emptyCell(field);
  switch (field.is) {
    case 'number':
    case 'money': {
      const value = Number(text.replace(',', '.'));
      return Number.isFinite(value) ? { ok: true, value } : refuse(wouldDo(field));
    }
    case 'tick':
      return /^(yes|true|1)$/i.test(text)
        ? { ok: true, value: true }
        : /^(no|false|0)$/i.test(text)
          ? { ok: true, value: false }
          : refuse('yes or no');
    case 'choice':
      return field.of.includes(text) ? { ok: true, value: text } : refuse(wouldDo(field));
    case 'list':
      return listCell(field.of, text);
    default:
      return { ok: true, value: text };
  }
}
const refused = (text: string, would: string): Cell => ({
  ok: false,
  message: `got ${text === '' ? 'nothing' : `“${text}”`}. Enter ${would}`,
});
function emptyCell(field: Field): Cell {
  if (field.is === 'list' && field.least === 0) return { ok: true, value: [] };
  if (field.is === 'words' && field.mayBeEmpty) return { ok: true, value: '' };
  return refused('', wouldDo(field));
}
/** Things of several figures as JSON, all else one after another. */
function listCell(of: Field, text: string): Cell {
  if (of.is === 'group' || of.is === 'one-of')
    try {
      return { ok: true, value: JSON.parse(text) as unknown };
    } catch {
      return refused(text, 'a list such as [{"amount":500,"priceMinor":520}]');
    }
  const parts = text.split(/\s*;\s*/).filter((part) => part !== '');
  const read = parts.map((part) => readCell(of, part, false));
  return read.find(({ ok }) => !ok) ?? { ok: true, value: read.map((one) => (one.ok ? one.value : null)) };
}
function wouldDo(field: Field): string {
  switch (field.is) {
    case 'number':
      return `a number${field.unit === '' ? '' : ` in ${field.unit}`}`;
    case 'money':
      return 'a price in minor units, such as 520';
    case 'choice':
      return field.of.slice(0, 8).join(', ');
    case 'list':
      return 'at least one';
    case 'words':
      return 'a name';
    case 'colour':
      return 'a colour such as #7a6f52';
    default:
      return 'something';
  }
}

function setAt(body: Record<string, unknown>, at: readonly string[], value: unknown): void {
  let inner = body;
  for (const key of at.slice(0, -1)) {
    const next = inner[key];
    inner[key] = typeof next === 'object' && next !== null ? next : {};
    inner = inner[key] as Record<string, unknown>;
  }
  const last = at.at(-1)!;
  inner[last] = value;
}

/** What a table left open: nothing where there may be nothing, the value itself as the range of a figure that has none. */
function completed(field: Field, value: unknown): unknown {
  if (field.is === 'maybe') return isNothing(value) ? (field.isLeftOut ? undefined : null) : completed(field.inner, value);
  if (field.is === 'list') return value ?? (field.least === 0 ? [] : undefined);
  if (typeof value !== 'object' || value === null) return value;
  const data = value as Record<string, unknown>;
  switch (field.is) {
    case 'figure':
      return completedFigure(data);
    case 'group':
      return within(field.fields, data);
    case 'one-of': {
      const option = field.options.find(({ word }) => word === data[field.key]);
      return option === undefined ? data : { [field.key]: option.word, ...within(option.fields, data) };
    }
    default:
      return value;
  }
}
const completedFigure = ({ value, low = value, high = value, origin = 'yours' }: Readonly<Record<string, unknown>>) => ({
  value,
  low: Math.min(Number(low), Number(value)),
  high: Math.max(Number(high), Number(value)),
  origin,
});
const within = (fields: readonly NamedField[], data: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(
    fields.flatMap(({ key, field }) => {
      const value = completed(field, data[key]);
      return value === undefined ? [] : [[key, value]];
    }),
  );
/** Nothing at all, or a shape of which nothing was said. */
const isNothing = (value: unknown): boolean =>
  value === null ||
  value === undefined ||
  (typeof value === 'object' && !Array.isArray(value) && Object.values(value).every((inner) => isNothing(inner)));

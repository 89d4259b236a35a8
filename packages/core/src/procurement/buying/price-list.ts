import type { Catalogue } from '../../catalogue';
import { type Stocked, stockedIn } from '../stock';
import { csvOf, rowsOf } from '../../base/tables';
import { fromMinor, minorDigits, toMinor } from '../../base/units';
import type { Offer } from './offers';

/** A row that was not taken: its line in the file, from 1, the column, and what would do. */
export interface BadPrice {
  readonly line: number;
  readonly column: string;
  readonly message: string;
}
export interface PriceList {
  readonly offers: readonly Omit<Offer, 'shopId'>[];
  readonly bad: readonly BadPrice[];
}

export const PRICE_COLUMNS = ['item', 'pack', 'price', 'from', 'from_price', 'in_stock'] as const;
const MAX_ROWS = 5_000;

/**
 * Prices from a table: `item` by its name or its place in the catalogue, `pack` as `500 g`, `1 l` or a bare count, `price` in whole money, and where there is one a lower price `from` so many
 * on and how many are `in_stock`. Rows that do not do are told by line and column; the good ones are kept. The same pack again replaces the one above.
 */
export function readPriceList(text: string, catalogue: Catalogue): PriceList {
  const { head, rows } = rowsOf(text);
  const heads = head.map((name) => name.toLowerCase().replaceAll(' ', '_'));
  const missing = ['item', 'pack', 'price'].find((name) => !heads.includes(name));
  if (missing !== undefined)
    return {
      offers: [],
      bad: [
        { line: 1, column: missing, message: `the first line is “${head.join(', ').slice(0, 60)}”. Enter ${PRICE_COLUMNS.join(', ')}` },
      ],
    };
  const stocked = stockedIn(catalogue);
  const byName = new Map([...stocked.values()].map((one) => [one.name.toLowerCase(), one]));
  const offers = new Map<string, Omit<Offer, 'shopId'>>();
  const bad: BadPrice[] = [];
  for (const { line, cells } of rows.slice(0, MAX_ROWS)) {
    const cell = (name: string): string => cells[heads.indexOf(name)] ?? '';
    const read = readRow(cell, stocked.get(cell('item')) ?? byName.get(cell('item').toLowerCase()), catalogue.currency);
    if ('message' in read) bad.push({ line, ...read });
    else offers.set(`${read.stockId} ${read.amount}`, read);
  }
  return { offers: [...offers.values()], bad };
}

function readRow(
  cell: (name: string) => string,
  stock: Stocked | undefined,
  currency: string,
): Omit<Offer, 'shopId'> | Omit<BadPrice, 'line'> {
  const refuse = (column: string, would: string): Omit<BadPrice, 'line'> => ({
    column,
    message: `got ${cell(column) === '' ? 'nothing' : `“${cell(column)}”`}. Enter ${would}`,
  });
  if (stock === undefined) return refuse('item', 'Enter a catalogue entry, such as White glue');
  const amount = packOf(cell('pack'), stock.unit);
  if (amount === null) return refuse('pack', stock.unit === '1' ? 'a count such as 10' : `an amount such as 500 ${stock.unit}`);
  const price = moneyOf(cell('price'), currency);
  if (price === null) return refuse('price', 'money such as 5.20');
  const [from, fromPrice] = [cell('from'), cell('from_price')];
  const steps: { fromCount: number; priceMinor: number }[] = [];
  if (from !== '' || fromPrice !== '') {
    const fromCount = Number(from);
    if (!Number.isInteger(fromCount) || fromCount < 2) return refuse('from', 'a whole number from 2 on');
    const priceMinor = moneyOf(fromPrice, currency);
    if (priceMinor === null || priceMinor >= price) return refuse('from_price', 'money that is less than the price');
    steps.push({ fromCount, priceMinor });
  }
  const inStock = cell('in_stock');
  const count = Number(inStock);
  if (inStock !== '' && !(Number.isInteger(count) && count >= 0)) return refuse('in_stock', 'a whole number, or nothing,');
  return { stockId: stock.id, amount, priceMinor: price, steps, stock: inStock === '' ? null : count };
}

const IN: Readonly<Record<string, readonly [unit: Stocked['unit'], times: number]>> = {
  g: ['g', 1],
  kg: ['g', 1_000],
  ml: ['ml', 1],
  cl: ['ml', 10],
  l: ['ml', 1_000],
  m: ['m', 1],
  cm: ['m', 0.01],
  '': ['1', 1],
  pc: ['1', 1],
  pcs: ['1', 1],
};
function packOf(words: string, unit: Stocked['unit']): number | null {
  const match = /^(\d+(?:[.,]\d+)?)\s*([a-z]*)$/i.exec(words);
  const known = match === null ? undefined : IN[match[2]!.toLowerCase()];
  if (match === null || known === undefined || (known[0] !== unit && match[2] !== '')) return null;
  const amount = Number(match[1]!.replace(',', '.')) * (match[2] === '' ? 1 : known[1]);
  return amount > 0 && amount < 1e7 ? amount : null;
}
function moneyOf(words: string, currency: string): number | null {
  const value = Number(words.replace(',', '.').replace(/\s*[A-Z]{3}$|^[A-Z]{3}\s*/, ''));
  const minor = words === '' || !Number.isFinite(value) ? 0 : toMinor(value, currency);
  return minor > 0 && minor < 1e7 ? minor : null;
}

/** Prices as {@link readPriceList} reads them. */
export function priceListCsv(offers: readonly Omit<Offer, 'shopId'>[], catalogue: Catalogue): string {
  const money = (minor: number): string => fromMinor(minor, catalogue.currency).toFixed(minorDigits(catalogue.currency));
  return csvOf([
    PRICE_COLUMNS,
    ...offers.map(({ stockId, amount, priceMinor, steps: [step], stock }) => {
      const unit = stockedIn(catalogue).get(stockId)?.unit ?? '1';
      const pack = unit === '1' ? String(amount) : `${amount} ${unit}`;
      const from = step === undefined ? ['', ''] : [String(step.fromCount), money(step.priceMinor)];
      return [stockId, pack, money(priceMinor), ...from, stock === null ? '' : String(stock)];
    }),
  ]);
}

import Papa from 'papaparse';
import { type Judged, FAULT_WORDS } from '../../schedule/air';
import { type Result, fail, ok } from '../../base/result';

/** A row that was not taken, and why. */
export interface BadRow {
  readonly line: number;
  readonly message: string;
}
export interface ReadRows {
  readonly readings: readonly { readonly atMs: number; readonly airC: number; readonly humidityPct: number }[];
  readonly bad: readonly BadRow[];
}
export interface ReadingsProblem {
  readonly code: 'readings/unreadable';
  readonly message: string;
}

const HEADS = ['time', 'air °C', 'humidity %'] as const;
/** How a column is told from its head, whatever the device calls it. */
const TIME = /time|date|when|zeit/i;
const AIR = /temp|air|°?c$/i;
const HUMIDITY = /hum|rh|%/i;
const MAX_ROWS = 20_000;

/**
 * Readings from a CSV of whatever device: a time, degrees Celsius and per cent, told by their heads. Rows that can not be read are told by line; the good ones are kept.
 * @param offsetMin of the builder's clock from universal time, for times that name no zone
 */
export function readingsFromCsv(text: string, offsetMin: number): Result<ReadRows, ReadingsProblem> {
  const unreadable = (message: string): Result<never, ReadingsProblem> => fail({ code: 'readings/unreadable', message });
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const [heads = [], ...rows] = data;
  const [time, air, humidity] = [TIME, AIR, HUMIDITY].map((head) => heads.findIndex((name) => head.test(name.trim())));
  if (time === -1 || air === -1 || humidity === -1)
    return unreadable(`the first line is “${heads.join(', ').slice(0, 60)}”. Enter ${HEADS.join(', ')}.`);
  const readings: { atMs: number; airC: number; humidityPct: number }[] = [];
  const bad: BadRow[] = [];
  rows.slice(0, MAX_ROWS).forEach((row, i) => {
    const line = i + 2;
    const atMs = momentOf(row[time!] ?? '', offsetMin);
    const [airC, humidityPct] = [numberOf(row[air!]), numberOf(row[humidity!])];
    if (atMs === null) bad.push({ line, message: `“${row[time!] ?? ''}” is not a date and time. Enter 2026-11-30 19:30, for example` });
    else if (airC === null) bad.push({ line, message: `“${row[air!] ?? ''}” is not a temperature` });
    else if (humidityPct === null) bad.push({ line, message: `“${row[humidity!] ?? ''}” is not a humidity` });
    else readings.push({ atMs, airC, humidityPct });
  });
  if (readings.length === 0)
    return unreadable(bad[0] === undefined ? 'there are no rows under the first line.' : `line ${bad[0].line}: ${bad[0].message}.`);
  return ok({ readings, bad });
}
/** A comma may stand for the point. */
function numberOf(cell: string | undefined): number | null {
  const value = Number(
    (cell ?? '')
      .trim()
      .replace(',', '.')
      .replace(/\s*(°C|%)$/, ''),
  );
  return (cell ?? '').trim() === '' || !Number.isFinite(value) ? null : value;
}
const MOMENT = /^(\d{4})-(\d\d)-(\d\d)[ T](\d\d):(\d\d)(?::(\d\d)(?:\.\d+)?)?(Z|[+-]\d\d:?\d\d)?$/;
function momentOf(cell: string, offsetMin: number): number | null {
  const match = MOMENT.exec(cell.trim());
  if (match === null) return null;
  const [, year, month, day, hour, minute, second = '00', zone] = match;
  const iso = `${year}-${month}-${day}T${hour}:${minute}:${second}`;
  const unix = Date.parse(
    zone === undefined ? `${iso}Z` : `${iso}${zone === 'Z' || zone.includes(':') ? zone : `${zone.slice(0, 3)}:${zone.slice(3)}`}`,
  );
  return Number.isNaN(unix) ? null : zone === undefined ? unix - offsetMin * 60_000 : unix;
}

/** Readings as a CSV that is read in again; those that are not believed say why. */
export const readingsCsv = (readings: readonly Judged[]): string =>
  Papa.unparse({
    fields: [...HEADS, 'not used: it'],
    data: readings.map(({ atMs, airC, humidityPct, fault }) => [
      new Date(atMs).toISOString(),
      airC,
      humidityPct,
      fault === null ? '' : FAULT_WORDS[fault],
    ]),
  });

import { toMinor } from '../../base/units';
import { minutesAt } from '../../base/dates';
import type { Weight } from './weigh';

/** What a way has to keep to. */
export interface Limits {
  readonly most: Partial<Weight>;
  /** Nothing of this name may be in it. */
  readonly without: readonly string[];
  /** Words that could not be read. */
  readonly unread: readonly string[];
}
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const DAY_END_MIN = 1_439;

/**
 * Reads limits as they are typed: `under 120 EUR, ready by 19 Dec, under 30 h, under 12 kg, no resin`.
 * @param startsOn the first day of the board, from which a month without a year is the next one
 */
export function limitsFrom(typed: string, currency: string, startsOn: string): Limits {
  const most: { -readonly [K in keyof Weight]?: number } = {};
  const without: string[] = [];
  const unread: string[] = [];
  for (const said of typed.split(/[,;]/).map((one) => one.trim())) {
    if (said === '') continue;
    const no = /^(?:no|without)\s+(.+)$/i.exec(said);
    const under = /^(?:under|at most|up to|<)\s*(\d+(?:\.\d+)?)\s*([a-z%]+)$/i.exec(said);
    const by = /^(?:ready\s+)?by\s+(?:(\d{4})-(\d\d)-(\d\d)|(\d{1,2})\s+([a-z]{3})[a-z]*)$/i.exec(said);
    const day = by === null ? null : dayOf(by, startsOn);
    if (no !== null) without.push(no[1]!.toLowerCase());
    else if (day !== null) most.readyMin = minutesAt(startsOn, { day, atMin: DAY_END_MIN });
    else if (under !== null && !putUnder(most, Number(under[1]), under[2]!, currency)) unread.push(said);
    else if (under === null) unread.push(said);
  }
  return { most, without, unread };
}

function putUnder(most: { -readonly [K in keyof Weight]?: number }, value: number, unit: string, currency: string): boolean {
  if (unit.toUpperCase() === currency) most.costMinor = toMinor(value, currency);
  else if (/^h(ours?)?$/i.test(unit)) most.handsOnMin = value * 60;
  else if (/^min(utes?)?$/i.test(unit)) most.handsOnMin = value;
  else if (/^kg$/i.test(unit)) most.massG = value * 1_000;
  else if (/^g$/i.test(unit)) most.massG = value;
  else return false;
  return true;
}

function dayOf(by: RegExpExecArray, startsOn: string): string | null {
  if (by[1] !== undefined) return `${by[1]}-${by[2]!}-${by[3]!}`;
  const month = MONTHS.indexOf(by[5]!.toLowerCase());
  if (month < 0 || Number(by[4]) < 1 || Number(by[4]) > 31) return null;
  const year = Number(startsOn.slice(0, 4));
  const tail = `-${String(month + 1).padStart(2, '0')}-${by[4]!.padStart(2, '0')}`;
  const day = `${year}${tail}`;
  return day >= startsOn ? day : `${year + 1}${tail}`;
}

/** Whether a way keeps to limits. @param takes names of all that it takes */
export const keepsTo = ({ most, without }: Limits, weight: Weight, takes: readonly string[]): boolean =>
  Object.entries(most).every(([aim, value]) => weight[aim as keyof Weight] <= value) &&
  without.every((word) => takes.every((name) => !name.toLowerCase().includes(word)));

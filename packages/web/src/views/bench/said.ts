import { type Bare, parseNumber } from '@spare-acre/core/base/units';
import type { Usage } from '@spare-acre/core/schedule/bench-tasks';

/** What is said of a task beside that it is done, as it was typed. */
export interface Said {
  minutes: string;
  /** By the place of a take in its list. */
  amounts: Record<number, string>;
  note: string;
  photos: readonly File[];
}
export const NOTHING_SAID = (): Said => ({ minutes: '', amounts: {}, note: '', photos: [] });

/** The same as numbers; `problem` says what is wrong with it, or nothing. */
export function readSaid(
  { minutes, amounts }: Said,
  takes: readonly Bare<Pick<Usage, 'name' | 'amount'>>[],
): { readonly minutes: number | null; readonly amounts: readonly (number | null)[]; readonly problem: string } {
  let problem = '';
  const read = (typed: string | undefined, name: string, unit: string): number | null => {
    if (typed === undefined || typed.trim() === '') return null;
    const parsed = parseNumber(typed, name, unit, { min: 0.01, max: 1e6 });
    if (!parsed.ok) problem ||= parsed.problem.message;
    return parsed.ok ? parsed.value : null;
  };
  return {
    minutes: read(minutes, 'Minutes', 'min'),
    amounts: takes.map(({ name, amount }, i) => read(amounts[i], name, amount.unit)),
    get problem() {
      return problem;
    },
  };
}

import { type Days, type Shift, shiftOf } from '@spare-acre/core/days';
import type { Plan } from '@spare-acre/core/plan';

/** Plans of evenings kept, more than the edits of one change in sight. */
const MOST = 40;

/** Remembers the last plans of evenings, so that a change of the date can be opened to what made it. */
export class ReadyDates {
  private seen: Days[] = [];

  forget(): void {
    this.seen = [];
  }
  note(days: Days): void {
    if (this.seen.at(-1) !== days) this.seen = [...this.seen, days].slice(-MOST);
  }
  /** Why the board is ready at another time than when it was ready at `fromMin`; null where that is no longer known. */
  since(fromMin: number, { calendar }: Plan): Shift | null {
    const now = this.seen.at(-1);
    const before = this.seen.findLast(({ ready }) => ready?.at.value === fromMin);
    return now === undefined || before === undefined ? null : shiftOf(before, now, calendar);
  }
}

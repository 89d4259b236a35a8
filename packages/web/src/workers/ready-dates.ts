import type { Days, Shift } from '@spare-acre/core/schedule/tasks';
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
  async since(fromMin: number, { calendar }: Plan): Promise<Shift | null> {
    const now = this.seen.at(-1);
    const before = this.seen.findLast(({ ready }) => ready?.at.value === fromMin);
    if (now === undefined || before === undefined) return null;
    return (await import('@spare-acre/core/schedule/tasks')).shiftOf(before, now, calendar);
  }
}

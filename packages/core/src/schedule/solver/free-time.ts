import { SLACK_MIN, type Window } from './problem';

const CHANGED = 0;
const SPLIT = 1;
const REMOVED = 2;

/** What of someone's time is not taken yet: plain lists of numbers, since thousands of orders are tried. */
export class FreeTime {
  from: number[] = [];
  to: number[] = [];
  /** Whose work ends where the free time begins; −1 for nobody's. */
  behind: number[] = [];
  private readonly allFrom: readonly number[];
  private readonly allTo: readonly number[];
  private readonly nobody: readonly number[];
  readonly longestMin: number;
  /** Changes one after another: what was done, where, and what stood there. */
  private readonly journal: number[] = [];

  constructor(windows: readonly Window[]) {
    this.allFrom = windows.map(({ fromMin }) => fromMin);
    this.allTo = windows.map(({ toMin }) => toMin);
    this.nobody = windows.map(() => -1);
    this.longestMin = windows.reduce((most, { fromMin, toMin }) => Math.max(most, toMin - fromMin), 0);
  }

  /** All of it free again. */
  clear(): void {
    this.from = [...this.allFrom];
    this.to = [...this.allTo];
    this.behind = [...this.nobody];
    this.journal.length = 0;
  }
  /** What was done since is taken back by going back to this. */
  get mark(): number {
    return this.journal.length;
  }
  backTo(mark: number): void {
    const { journal, from, to, behind } = this;
    while (journal.length > mark) {
      const who = journal.pop()!;
      const end = journal.pop()!;
      const start = journal.pop()!;
      const i = journal.pop()!;
      const kind = journal.pop()!;
      if (kind === REMOVED) {
        from.splice(i, 0, start);
        to.splice(i, 0, end);
        behind.splice(i, 0, who);
        continue;
      }
      if (kind === SPLIT) {
        from.splice(i + 1, 1);
        to.splice(i + 1, 1);
        behind.splice(i + 1, 1);
      }
      from[i] = start;
      to[i] = end;
      behind[i] = who;
    }
  }

  /** The first free stretch that ends after a time; the length of the lists when there is none. */
  at(timeMin: number): number {
    let low = 0;
    let high = this.to.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.to[middle]! > timeMin + SLACK_MIN) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /** Takes time out of free stretches; what of it was not free stays as it is. */
  take(job: number, fromMin: number, toMin: number): void {
    let i = this.at(fromMin);
    while (i < this.from.length && this.from[i]! < toMin - SLACK_MIN) {
      const leavesBefore = fromMin - this.from[i]! > SLACK_MIN;
      const leavesAfter = this.to[i]! - toMin > SLACK_MIN;
      const kind = leavesBefore && leavesAfter ? SPLIT : leavesBefore || leavesAfter ? CHANGED : REMOVED;
      this.journal.push(kind, i, this.from[i]!, this.to[i]!, this.behind[i]!);
      if (kind === SPLIT) {
        this.from.splice(i + 1, 0, toMin);
        this.to.splice(i + 1, 0, this.to[i]!);
        this.behind.splice(i + 1, 0, job);
        this.to[i] = fromMin;
        return;
      }
      if (leavesBefore) this.to[i++] = fromMin;
      else if (leavesAfter) {
        this.from[i] = toMin;
        this.behind[i] = job;
        return;
      } else {
        this.from.splice(i, 1);
        this.to.splice(i, 1);
        this.behind.splice(i, 1);
      }
    }
  }
}

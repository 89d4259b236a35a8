import type { Calendar } from '../plan';
import { type Window, windowsOf } from './calendar';

/** Slack against the last bits of sums of minutes. */
export const SLACK_MIN = 1e-6;

/** Where work was put: its stretches, and what took the time just before it. */
export interface Booking {
  readonly stretches: readonly Window[];
  /** The task whose work ended where this one begins; null where the bench opened or was free before. */
  readonly behind: number | null;
}

/**
 * The free time of one pair of hands: windows less what is booked, kept sorted, drawn from the endless calendar as needed. Kept in plain lists of numbers: some
 * hundred orders of work are tried for every plan.
 */
export class BenchTime {
  private readonly coming: Generator<Window, never, void>;
  private readonly windows: Window[] = [];
  private readonly longestMin: number;
  private from: number[] = [];
  private to: number[] = [];
  /** Whose work ends where the window begins; −1 for nobody's. */
  private behind: number[] = [];
  private drawn = 0;

  constructor(calendar: Calendar) {
    this.coming = windowsOf(calendar);
    this.longestMin = Math.max(...calendar.hours.map(({ fromMin, toMin }) => toMin - fromMin));
  }

  /** All of it free again; the calendar is not drawn anew. */
  clear(): void {
    [this.from, this.to, this.behind, this.drawn] = [[], [], [], 0];
  }

  /** Books work at the earliest time from `readyMin` on, in one go unless it is longer than any window. @returns when it ends */
  end(task: number, readyMin: number, workMin: number): number {
    if (workMin > this.longestMin) return this.endInStretches(task, readyMin, workMin);
    for (let i = this.firstEndingAfter(readyMin); ; i++) {
      this.drawTo(i);
      const start = Math.max(this.from[i]!, readyMin);
      if (this.to[i]! - start < workMin - SLACK_MIN) continue;
      const end = Math.min(this.to[i]!, start + workMin);
      this.take(task, i, start, end);
      return end;
    }
  }

  /** The same, told in full. */
  book(task: number, readyMin: number, workMin: number): Booking {
    if (workMin > this.longestMin) return this.bookInStretches(task, readyMin, workMin);
    for (let i = this.firstEndingAfter(readyMin); ; i++) {
      this.drawTo(i);
      const start = Math.max(this.from[i]!, readyMin);
      if (this.to[i]! - start < workMin - SLACK_MIN) continue;
      const end = Math.min(this.to[i]!, start + workMin);
      const behind = start > this.from[i]! || this.behind[i]! < 0 ? null : this.behind[i]!;
      this.take(task, i, start, end);
      return { stretches: [{ fromMin: start, toMin: end }], behind };
    }
  }

  /** Books work from `readyMin` on, broken off wherever the free time ends. */
  bookInStretches(task: number, readyMin: number, workMin: number): Booking {
    const stretches: Window[] = [];
    let behind: number | null = null;
    let left = workMin;
    while (left > SLACK_MIN) {
      const i = this.firstEndingAfter(stretches.at(-1)?.toMin ?? readyMin);
      const start = Math.max(this.from[i]!, readyMin);
      const end = Math.min(this.to[i]!, start + left);
      if (stretches.length === 0 && start === this.from[i]! && this.behind[i]! >= 0) behind = this.behind[i]!;
      this.take(task, i, start, end);
      stretches.push({ fromMin: start, toMin: end });
      left -= end - start;
    }
    return { stretches, behind };
  }

  /** The same, told by when it ends. */
  endInStretches(task: number, readyMin: number, workMin: number): number {
    let [left, end] = [workMin, readyMin];
    while (left > SLACK_MIN) {
      const i = this.firstEndingAfter(end);
      const start = Math.max(this.from[i]!, readyMin);
      end = Math.min(this.to[i]!, start + left);
      this.take(task, i, start, end);
      left -= end - start;
    }
    return end;
  }

  private draw(): void {
    if (this.drawn === this.windows.length) this.windows.push(this.coming.next().value);
    const { fromMin, toMin } = this.windows[this.drawn]!;
    this.drawn += 1;
    this.from.push(fromMin);
    this.to.push(toMin);
    this.behind.push(-1);
  }
  private drawTo(i: number): void {
    while (i >= this.from.length) this.draw();
  }

  private firstEndingAfter(timeMin: number): number {
    while (this.to.length === 0 || this.to[this.to.length - 1]! <= timeMin + SLACK_MIN) this.draw();
    let low = 0;
    let high = this.to.length - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.to[middle]! > timeMin + SLACK_MIN) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  private take(task: number, i: number, fromMin: number, toMin: number): void {
    const leavesBefore = fromMin - this.from[i]! > SLACK_MIN;
    const leavesAfter = this.to[i]! - toMin > SLACK_MIN;
    if (leavesBefore && leavesAfter) {
      this.from.splice(i + 1, 0, toMin);
      this.to.splice(i + 1, 0, this.to[i]!);
      this.behind.splice(i + 1, 0, task);
      this.to[i] = fromMin;
    } else if (leavesBefore) this.to[i] = fromMin;
    else if (leavesAfter) [this.from[i], this.behind[i]] = [toMin, task];
    else {
      this.from.splice(i, 1);
      this.to.splice(i, 1);
      this.behind.splice(i, 1);
    }
  }
}

import { type Hold, SLACK_MIN } from './problem';

/** When something that is in the way is gone, and which job it is of. @param by −1 where nothing would ever fit */
export interface Blocked {
  readonly freeMin: number;
  readonly by: number;
}

/** What lies in one store, as it was put there; `until` is when the last of all up to each is gone. */
export class StoreRoom {
  private readonly from: number[] = [];
  private readonly to: number[] = [];
  private readonly until: number[] = [];
  private readonly amount: number[] = [];
  private readonly job: number[] = [];

  constructor(private readonly capacity: number) {}

  get count(): number {
    return this.from.length;
  }
  keepFirst(count: number): void {
    if (this.from.length > count) this.from.length = this.to.length = this.until.length = this.amount.length = this.job.length = count;
  }
  put(job: number, { amount, afterMin, pace }: Hold, startMin: number, endMin: number): void {
    const toMin = pace.after(endMin, afterMin);
    this.from.push(startMin);
    this.to.push(toMin);
    this.until.push(Math.max(this.until.at(-1) ?? -Infinity, toMin));
    this.amount.push(amount);
    this.job.push(job);
  }

  /** Null where there is room for all of a hold; else when something that is in the way is gone. */
  blockedFor({ amount, afterMin, pace }: Hold, startMin: number, endMin: number): Blocked | null {
    const { capacity } = this;
    if (amount > capacity + SLACK_MIN) return { freeMin: Infinity, by: -1 };
    const until = pace.after(endMin, afterMin);
    // All that was put there before has gone by then.
    let first = this.from.length;
    while (first > 0 && this.until[first - 1]! > startMin + SLACK_MIN) first--;
    let most = amount;
    for (let i = first; i < this.from.length; i++) if (this.isThere(i, startMin, until)) most += this.amount[i]!;
    return most <= capacity + SLACK_MIN ? null : this.firstTooFull(amount, startMin, until, first);
  }
  private isThere(i: number, fromMin: number, untilMin: number): boolean {
    return this.from[i]! < untilMin - SLACK_MIN && this.to[i]! > fromMin + SLACK_MIN;
  }
  private isThereAt(i: number, atMin: number): boolean {
    return this.from[i]! <= atMin + SLACK_MIN && this.to[i]! > atMin + SLACK_MIN;
  }
  /** It can only be too full where the hold begins or where something in between does. */
  private firstTooFull(amount: number, beginMin: number, untilMin: number, first: number): Blocked | null {
    const there: number[] = [];
    for (let i = first; i < this.from.length; i++) if (this.isThere(i, beginMin, untilMin)) there.push(i);
    for (const at of [beginMin, ...there.map((i) => this.from[i]!)]) {
      if (at < beginMin) continue;
      let sum = amount;
      for (const i of there) if (this.isThereAt(i, at)) sum += this.amount[i]!;
      if (sum <= this.capacity + SLACK_MIN) continue;
      // Until the first of what is there goes, nothing changes.
      let [freeMin, by] = [Infinity, -1];
      for (const i of there) if (this.isThereAt(i, at) && this.to[i]! < freeMin) [freeMin, by] = [this.to[i]!, this.job[i]!];
      return { freeMin: Math.max(freeMin, beginMin + SLACK_MIN), by };
    }
    return null;
  }
}

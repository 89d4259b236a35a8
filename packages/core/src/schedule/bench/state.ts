import type { BoardRecord, DoneTask } from '../../plan/workshop';
import type { Deed, KeptDeed, Timer } from './deed';

/** Two deeds on one task, done without knowing of each other, that cannot both be right. The later of the journal holds until somebody says. */
export interface Clash {
  readonly taskId: string;
  readonly name: string;
  readonly deeds: readonly [Deed, Deed];
}
/** A task that is being worked on, or was. */
export interface Worked {
  readonly taskId: string;
  /** Under way since then; null while it rests. */
  readonly sinceMs: number | null;
  /** Worked before that. */
  readonly beforeMs: number;
}
/** The bench as all deeds together leave it. */
export interface BenchState {
  readonly doneTasks: BoardRecord['doneTasks'];
  readonly worked: readonly Worked[];
  readonly timers: readonly Timer[];
  /** The pot life of the batch in hand, mix by mix of a task, also where its timer was heard and put away; not where it was stopped in time. */
  readonly batches: readonly Timer[];
  readonly clashes: readonly Clash[];
  /** Cautions and first tries that were read, as `caution:blade`. */
  readonly read: ReadonlySet<string>;
}

/** What was said of a task. */
interface Word {
  readonly kept: KeptDeed;
  readonly task: DoneTask | null;
}

/**
 * What deeds come to, in the order of their turns, those of this device that wait last. The same deed twice counts once, so that every device that has heard
 * the same tells the same.
 */
export function benchAfter(kept: readonly KeptDeed[]): BenchState {
  const bench = new BenchSoFar();
  const seen = new Set<string>();
  for (const one of inTurn(kept)) {
    if (seen.has(one.deed.id)) continue;
    seen.add(one.deed.id);
    bench.take(one);
  }
  return bench.state();
}

class BenchSoFar {
  private readonly words = new Map<string, readonly Word[]>();
  private readonly clashes = new Map<string, Clash>();
  private readonly worked = new Map<string, Worked>();
  private readonly timers = new Map<string, Timer>();
  private readonly batches = new Map<string, Timer>();
  private readonly read = new Set<string>();

  take(one: KeptDeed): void {
    const { atMs, act } = one.deed;
    switch (act.kind) {
      case 'tick':
        this.rest(act.taskId, atMs);
        return this.say(one, act.taskId, act.name, act.task);
      case 'untick':
        return this.say(one, act.taskId, act.name, null);
      case 'begin':
        return this.begin(act.taskId, atMs);
      case 'pause':
        return this.rest(act.taskId, atMs);
      case 'timer':
        this.timers.set(act.timer.id, act.timer);
        return act.timer.use === 'pot' ? this.nextBatch(act.timer) : undefined;
      case 'timer-off':
        return this.endTimer(act.timerId, atMs);
      case 'read':
        return void this.read.add(act.what);
      case 'note':
        return;
    }
  }
  state(): BenchState {
    return {
      doneTasks: Object.fromEntries(
        [...this.words].flatMap(([taskId, said]) => {
          const { task } = said.at(-1)!;
          return task === null ? [] : [[taskId, task] as const];
        }),
      ),
      worked: [...this.worked.values()],
      timers: [...this.timers.values()].sort((a, b) => a.dueMs - b.dueMs),
      batches: [...this.batches.values()],
      clashes: [...this.clashes.values()],
      read: this.read,
    };
  }

  private begin(taskId: string, atMs: number): void {
    const own = this.worked.get(taskId);
    if (own?.sinceMs == null) this.worked.set(taskId, { taskId, sinceMs: atMs, beforeMs: own?.beforeMs ?? 0 });
  }
  private rest(taskId: string, atMs: number): void {
    const own = this.worked.get(taskId);
    if (own?.sinceMs == null) return;
    this.worked.set(taskId, { taskId, sinceMs: null, beforeMs: own.beforeMs + Math.max(0, atMs - own.sinceMs) });
  }
  private say(one: KeptDeed, taskId: string, name: string, task: DoneTask | null): void {
    const said = this.words.get(taskId) ?? [];
    // What others said of it without this device knowing; the last of it is their word.
    const apart = said.findLast(({ kept: before }) => isApart(before, one));
    this.clashes.delete(taskId);
    let holds = task;
    if (apart !== undefined && contradicts(apart.task, task))
      this.clashes.set(taskId, { taskId, name, deeds: [apart.kept.deed, one.deed] });
    else if (apart?.task != null && task !== null) holds = both(apart.task, task);
    this.words.set(taskId, [...said, { kept: one, task: holds }]);
  }
  /** A batch that was mixed after the one before had ended takes its place, and its timer's. */
  private nextBatch(timer: Timer): void {
    const before = this.batches.get(mixOf(timer));
    if (before !== undefined && before.id !== timer.id && before.dueMs <= timer.fromMs) this.timers.delete(before.id);
    this.batches.set(mixOf(timer), timer);
  }
  private endTimer(timerId: string, atMs: number): void {
    const off = this.timers.get(timerId);
    this.timers.delete(timerId);
    if (off?.use === 'pot' && atMs < off.dueMs) this.batches.delete(mixOf(off));
  }
}

const mixOf = ({ taskId, name }: Timer): string => JSON.stringify([taskId, name]);

/** Batches of a task whose pot life is over, and no other was mixed since: what is left of them is not to be used. @param nowMs since 1970 */
export const spentBatches = ({ batches }: BenchState, taskId: string, nowMs: number): readonly Timer[] =>
  batches.filter((batch) => batch.taskId === taskId && batch.dueMs <= nowMs);

/** Minutes at a task by the clock so far. @param nowMs since 1970 */
export function workedMin({ worked }: BenchState, taskId: string, nowMs: number): number {
  const own = worked.find((one) => one.taskId === taskId);
  if (own === undefined) return 0;
  return (own.beforeMs + (own.sinceMs === null ? 0 : Math.max(0, nowMs - own.sinceMs))) / MINUTE_MS;
}
export const MINUTE_MS = 60_000;

/** By turn, then what waits in the order in which it was done. */
const inTurn = (kept: readonly KeptDeed[]): readonly KeptDeed[] =>
  kept.toSorted((a, b) => (a.turn ?? Infinity) - (b.turn ?? Infinity) || 0);
/** Whether whoever did a deed knew of what has that turn; nobody knows of what still waits elsewhere. */
const knewOf = ({ seen }: Deed, turn: number | null): boolean => turn !== null && seen >= turn;
/** Done on another device without knowing of the one before it. */
const isApart = (before: KeptDeed, { deed }: KeptDeed): boolean => before.deed.device !== deed.device && !knewOf(deed, before.turn);

/** All of it done beside a part of it is no contradiction: somebody finished it. */
function contradicts(a: DoneTask | null, b: DoneTask | null): boolean {
  if (a === null || b === null) return a !== b;
  return a.part !== null && b.part !== null && (a.part.done !== b.part.done || a.part.of !== b.part.of);
}
/** Ticked on both: one tick, the whole before a part, the earlier before the later. */
function both(a: DoneTask, b: DoneTask): DoneTask {
  if ((a.part === null) !== (b.part === null)) return a.part === null ? a : b;
  const [first, second] = a.at.day < b.at.day || (a.at.day === b.at.day && a.at.atMin <= b.at.atMin) ? [a, b] : [b, a];
  return { ...first, workedMin: first.workedMin ?? second.workedMin, uses: a.uses };
}

import type { Random } from '@spare-acre/core/base/random';
import { type Deed, type KeptDeed, benchAfter } from '@spare-acre/core/schedule/bench';
import { WORKSHOP_CATALOGUE } from '@spare-acre/core/catalogue/workshop';
import { newFeature } from '@spare-acre/core/plan/features';
import { type Board, type Plan, changesBetween, newPlan } from '@spare-acre/core/plan';
import { mergePlans } from '@spare-acre/core/plan/stored/merge';
import { applied } from '@spare-acre/core/plan/edits';
import { rectangle } from '@spare-acre/core/plan/shapes';
import { type CutSheet, doneAt } from '@spare-acre/core/plan/workshop';
import { type Stored, adoptStored, bothRecords, includesAllChanges, recoverDraft } from '../sync/adopt';
import type { Base, Draft } from '../sync/drafts';
import { NO_HISTORY, type Travel, type UndoHistory, changesOf, redoLast, undoLast, withStep } from '../sync/history';
import { sheetEvents } from '../sync/sheets';

/**
 * A model of two to four devices on one board: pages that use what the stores use (history, drafts, merging, sheet events, the journal), and a server that keeps the rules of ours. Whatever
 * they do in whatever order (edits, ticks, sheets, undo, redo, going offline, being killed, lost answers, letters that arrive twice), {@link broken} tells what was lost.
 */

const FEATURES = 5;
const TASKS = 6;
const PLAN: Plan = {
  ...newPlan(
    { name: 'Model', units: 'metric', widthMm: 600, depthMm: 400, columns: 2, rows: 1, figureHeightMm: 28, startsOn: '2026-12-01' },
    WORKSHOP_CATALOGUE,
  ),
};
const START: Plan = {
  ...PLAN,
  features: Array.from({ length: FEATURES }, (_, i) => ({
    ...newFeature(PLAN, 'raised', rectangle({ x: 100 * i, y: 0 }, { x: 100 * i + 50, y: 50 }), `f${i}`, WORKSHOP_CATALOGUE),
    name: `start ${i}`,
  })),
};
const clone = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const nameOf = ({ plan }: Board, i: number): string => plan.features.find(({ id }) => id === `f${i}`)!.name;

class ModelServer {
  private revision = 1;
  private plan = START;
  private readonly sheets = new Map<string, CutSheet>();
  readonly journal: (KeptDeed & { readonly turn: number })[] = [];

  get(): Stored {
    const record = { cutSheets: [...this.sheets.values()], doneTasks: benchAfter(this.journal).doneTasks };
    return clone({ revision: this.revision, plan: this.plan, record });
  }
  /** @returns the revision, or null where somebody saved first */
  save(revision: number, plan: Plan): number | null {
    if (revision !== this.revision) return null;
    this.plan = clone(plan);
    return (this.revision += 1);
  }
  keepSheet = (sheet: CutSheet): void => void this.sheets.set(sheet.id, clone(sheet));
  dropSheet = (id: string): void => void this.sheets.delete(id);
  take(deeds: readonly Deed[]): void {
    for (const deed of deeds)
      if (!this.journal.some((kept) => kept.deed.id === deed.id)) this.journal.push({ turn: this.journal.length + 1, deed: clone(deed) });
  }
}

/** What somebody meant a place to be, and what stood there when they did. */
interface Intent {
  readonly place: string;
  readonly from: string;
  readonly to: string;
}

/** One run of chance. */
export class Model {
  readonly server = new ModelServer();
  readonly intents: Intent[] = [];
  /** Names that a merge told as changed by both. */
  readonly clashes = new Set<string>();
  readonly deeds: Deed[] = [];
  readonly faults: string[] = [];
  readonly devices: Device[];
  private count = 0;

  constructor(readonly random: Random) {
    this.devices = Array.from({ length: 2 + this.below(3) }, (_, i) => new Device(this, i));
  }
  below = (n: number): number => Math.floor(this.random() * n);
  next = (): number => (this.count += 1);

  run(steps: number): void {
    for (let i = 0; i < steps; i++) this.devices[this.below(this.devices.length)]!.doSomething();
    // Everybody comes back, and says what waits until nobody has anything to say.
    for (const device of this.devices) device.comeBack();
    for (let round = 0; round < 16; round++) for (const device of this.devices) device.sync();
  }

  /** What was lost, undone by another or told differently; none where all is well. */
  broken(): readonly string[] {
    const { plan, record } = this.server.get();
    const found = [...this.faults];
    for (const device of this.devices) {
      const apart = changesBetween({ plan, record }, device.board);
      if (apart.length > 0) found.push(`device ${device.index} differs: ${JSON.stringify(apart).slice(0, 200)}`);
    }
    return [...found, ...this.lostNames({ plan, record }), ...this.lostDeeds(), ...this.lostSheets(record)];
  }

  private lostNames({ plan, record }: Board): readonly string[] {
    const found: string[] = [];
    for (let i = 0; i < FEATURES; i++) {
      const own = this.intents.filter(({ place }) => place === `f${i}`);
      const seen = new Set(own.map(({ from }) => from));
      const final = nameOf({ plan, record }, i);
      for (const { to } of own)
        if (to !== final && !seen.has(to) && !this.clashes.has(to))
          found.push(`f${i}: “${to}” was lost, “${final}” stands and nobody knew of it`);
    }
    return found;
  }
  private lostDeeds(): readonly string[] {
    return this.deeds
      .filter(({ id }) => this.server.journal.filter((kept) => kept.deed.id === id).length !== 1)
      .map(({ id, act }) => `${act.kind} ${id} is not in the journal once`);
  }
  private lostSheets(record: Board['record']): readonly string[] {
    const found: string[] = [];
    const there = new Set(record.cutSheets.map(({ id }) => id));
    const sheets = this.intents.filter(({ place }) => place.startsWith('sheet'));
    for (const place of new Set(sheets.map((one) => one.place))) {
      const own = sheets.filter((one) => one.place === place);
      const [kept, dropped] = [own.filter(({ to }) => to === 'kept').length, own.filter(({ to }) => to === 'dropped').length];
      if (dropped === 0 && !there.has(place)) found.push(`${place} was ticked off and is lost`);
      if (kept === 1 && dropped > 0 && there.has(place)) found.push(`${place} was taken back and is there again`);
    }
    return found;
  }
}

class Device {
  board: Board;
  private base: Base;
  private revision: number;
  private history: UndoHistory = NO_HISTORY;
  private journal: readonly (KeptDeed & { readonly turn: number })[] = [];
  /** What stays when the page is killed: what was told last, the draft, the queue. */
  private told: Stored;
  private draft: Draft | null = null;
  private queue: readonly Deed[] = [];
  private isOnline = true;
  private atMs = 0;

  constructor(
    private readonly model: Model,
    readonly index: number,
  ) {
    this.told = model.server.get();
    [this.board, this.base, this.revision] = [this.told, this.told, this.told.revision];
  }
  private get isDirty(): boolean {
    return this.board.plan !== this.base.plan || sheetEvents(this.base.record, this.board.record).length > 0;
  }

  doSomething(): void {
    const { below } = this.model;
    const deeds: readonly (() => void)[] = [
      () => this.rename(below(FEATURES)),
      () => this.rename(below(FEATURES)),
      () => this.tick(`t${below(TASKS)}`),
      () => this.cutSheet(),
      () => this.dropSheet(),
      () => this.travel(undoLast(this.board, this.history)),
      () => this.travel(undoLast(this.board, this.history)),
      () => this.travel(redoLast(this.board, this.history)),
      () => this.sync(),
      () => this.sync(),
      () => this.sync(),
      () => void (this.isOnline = !this.isOnline),
      () => this.kill(),
    ];
    deeds[below(deeds.length)]!();
  }

  private become(next: Board): void {
    const before = this.board;
    this.board = next;
    this.note(before);
    this.keep();
    this.tell(before);
  }
  private keep(): void {
    this.draft = clone({ baseRevision: this.revision, base: this.base, ...this.board });
  }
  private did(next: Board): void {
    this.history = withStep(this.history, { name: 'step', gesture: null, before: this.board, after: next });
    this.become(next);
  }
  /** Writes down what was meant, for the reckoning at the end. */
  private note(before: Board): void {
    for (let i = 0; i < FEATURES; i++)
      if (nameOf(before, i) !== nameOf(this.board, i))
        this.model.intents.push({ place: `f${i}`, from: nameOf(before, i), to: nameOf(this.board, i) });
    for (const event of sheetEvents(before.record, this.board.record))
      this.model.intents.push(
        event.kind === 'keep' ? { place: event.sheet.id, from: 'none', to: 'kept' } : { place: event.sheetId, from: 'kept', to: 'dropped' },
      );
  }
  /** Ticks that changed become deeds, as at the bench. */
  private tell(before: Board): void {
    const [was, now] = [before.record.doneTasks, this.board.record.doneTasks];
    for (const taskId of new Set([...Object.keys(was), ...Object.keys(now)])) {
      const task = now[taskId];
      if (JSON.stringify(was[taskId]) === JSON.stringify(task)) continue;
      const act =
        task === undefined ? ({ kind: 'untick', taskId, name: taskId } as const) : ({ kind: 'tick', taskId, task, name: taskId } as const);
      const deed: Deed = {
        ...{ id: uuid(this.model.next()), device: uuid(900 + this.index), seen: this.journal.at(-1)?.turn ?? 0 },
        ...{ atMs: (this.atMs += 1), day: '2026-12-01', act },
      };
      this.queue = [...this.queue, deed];
      this.model.deeds.push(deed);
    }
  }

  private rename(i: number): void {
    this.did(applied(this.board, { code: 'feature/set', featureId: `f${i}`, change: { name: `n${this.model.next()}` }, what: 'Rename' }));
  }
  private tick(taskId: string): void {
    const { [taskId]: known, ...others } = this.board.record.doneTasks;
    const doneTasks = known === undefined ? { ...others, [taskId]: doneAt({ day: '2026-12-01', atMin: 600 }) } : others;
    this.did({ ...this.board, record: { ...this.board.record, doneTasks } });
  }
  private cutSheet(): void {
    const places = [{ partId: 'p', xMm: 0, yMm: 0, boxWidthMm: 9, boxDepthMm: 9, areaMm2: 81, turned: false, half: false }];
    const sheet = {
      id: `sheet${this.model.next()}`,
      materialId: 'mdf',
      thicknessMm: 6,
      number: 1,
      widthMm: 99,
      depthMm: 99,
      offcutId: null,
      places,
    };
    this.did({ ...this.board, record: { ...this.board.record, cutSheets: [...this.board.record.cutSheets, sheet] } });
  }
  private dropSheet(): void {
    const { cutSheets } = this.board.record;
    if (cutSheets.length === 0) return;
    this.did({ ...this.board, record: { ...this.board.record, cutSheets: cutSheets.toSpliced(this.model.below(cutSheets.length), 1) } });
  }
  /** Undo or redo: only my own places may change. */
  private travel(travel: Travel | null): void {
    if (travel === null) return;
    this.history = travel.history;
    if (travel.blocked.length > 0) return;
    const next = applied(this.board, { code: 'board/change', changes: travel.changes, why: 'Undo' });
    const own = new Set(changesOf(travel.step).map(({ at }) => JSON.stringify(at)));
    const others = changesBetween(this.board, next).filter(({ at }) => !own.has(JSON.stringify(at)));
    if (others.length > 0)
      this.model.faults.push(`device ${this.index} undid what is not its own: ${JSON.stringify(others).slice(0, 200)}`);
    this.become(next);
  }

  /** Sends what waits and takes over what others did, if the server is there. */
  sync(): void {
    if (!this.isOnline) return;
    const { server, random } = this.model;
    server.take(this.queue);
    if (random() < 0.2) server.take(this.queue);
    // The answer may be lost: then it is sent again the next time.
    if (random() < 0.85) this.queue = [];
    this.hear();
    if (this.isDirty) this.save();
    if (!this.isDirty) {
      this.told = server.get();
      const { plan, record } = adoptStored(this.board, this.told);
      this.board = { plan, record };
      [this.base, this.revision, this.draft] = [this.board, this.told.revision, null];
      this.hear();
    }
  }
  private hear(): void {
    this.journal = clone(this.model.server.journal);
    const { doneTasks } = benchAfter([...this.journal, ...this.queue.map((deed) => ({ turn: null, deed }))]);
    const isClean = this.board.plan === this.base.plan;
    this.board = { ...this.board, record: { ...this.board.record, doneTasks } };
    if (isClean) this.base = { ...this.base, plan: this.board.plan };
  }
  private save(): void {
    const { server, random } = this.model;
    for (const event of sheetEvents(this.base.record, this.board.record)) {
      if (event.kind === 'keep') server.keepSheet(event.sheet);
      else server.dropSheet(event.sheetId);
    }
    this.base = { ...this.base, record: this.board.record };
    this.keep();
    if (this.board.plan === this.base.plan) return;
    const revision = server.save(this.revision, this.board.plan);
    // It reached the server, and its answer did not reach the page.
    if (revision !== null && random() < 0.15) return;
    if (revision !== null) [this.revision, this.base] = [revision, this.board];
    else this.merge(server.get());
  }
  private merge(stored: Stored): void {
    const { plan: base } = this.base;
    if (base !== null && includesAllChanges(base, this.board.plan, stored.plan)) {
      [this.revision, this.base] = [stored.revision, { plan: stored.plan, record: this.base.record }];
      return;
    }
    const { plan, clashes } = mergePlans(base, this.board.plan, stored.plan);
    for (const clash of clashes) this.model.clashes.add(clash);
    for (const { id, name } of stored.plan.features)
      if (clashes.includes(this.board.plan.features.find((one) => one.id === id)!.name)) this.model.clashes.add(name);
    const record = bothRecords(this.base.record, this.board.record, stored.record);
    [this.revision, this.base] = [stored.revision, stored];
    this.board = { plan, record };
    this.keep();
  }

  /** The page is gone, and opened again: with the server, or with what was told last. */
  private kill(): void {
    const stored = this.isOnline ? this.model.server.get() : this.told;
    this.told = stored;
    const recovery = this.draft === null ? null : recoverDraft(this.draft, stored, this.draft.base?.plan ?? null);
    this.board = recovery?.board ?? { plan: stored.plan, record: stored.record };
    [this.base, this.revision, this.history] = [recovery?.base ?? stored, recovery?.revision ?? stored.revision, NO_HISTORY];
    this.hearKept();
  }
  private hearKept(): void {
    if (this.isOnline) this.journal = clone(this.model.server.journal);
    const isClean = this.board.plan === this.base.plan;
    const { doneTasks } = benchAfter([...this.journal, ...this.queue.map((deed) => ({ turn: null, deed }))]);
    this.board = { ...this.board, record: { ...this.board.record, doneTasks } };
    if (isClean) this.base = { ...this.base, plan: this.board.plan };
  }
  comeBack(): void {
    this.isOnline = true;
  }
}

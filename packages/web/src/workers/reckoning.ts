import type { Remote } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Figure } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import { type Board, changesBetween } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/plan/workshop';
import type { Answer, Place } from './answering';
import type { Reckoner } from './derive.worker';
import deriveWorkerUrl from './derive.worker.ts?sharing';
import { type Mortal, WorkerDied, wrapMortal } from './mortal';
import type { Look } from './slices';

/** What becomes of an answer: `version` counts the edits it has seen. */
export interface Listener {
  readonly answered: (answer: Answer, version: number) => void;
  readonly failed: (error: unknown) => void;
  /** The worker died, and so did the one that was started in its place: nothing is calculated until the page is loaded again. */
  readonly died: () => void;
  readonly busy: (isBusy: boolean) => void;
}

/** While changes keep coming the evenings are left for later, but never for longer than this. */
const MAX_BEHIND_MS = 250;
/** An answer that takes longer than this does not come any more: the most crowded board takes a hundredth of it. */
const PATIENCE_MS = 30_000;

/** A board with all that it is derived with. */
interface Whole {
  readonly board: Board;
  readonly catalogue: Catalogue;
  readonly stock: Stock;
}

/**
 * The worker at the other end of the desk. One question at a time: edits made meanwhile wait and go together, so that a
 * fast drag is answered as often as the worker can, and never out of order. A worker that dies is started again once with the whole board.
 */
export class Reckoning {
  private mortal: Mortal<Reckoner>;
  private restarts = 0;
  private opening: (() => Promise<Answer>) | null = null;
  /** What the worker has, and what it is to have: what lies between is told once, however many edits it was. */
  private told: Board | null = null;
  private whole: Whole | null = null;
  private stock: Stock | null = null;
  private looking: Look | null = null;
  private lastLook: Look = { slices: [], chosen: [] };
  private isRunning = false;
  /** When the shown schedule became stale; null while it is current. */
  private behindSinceMs: number | null = null;
  private hasRest = false;
  private version = 0;

  constructor(private readonly listener: Listener) {
    this.mortal = startWorker();
  }
  private get remote(): Remote<Reckoner> {
    return this.mortal.remote;
  }

  open(board: Board, catalogue: Catalogue, stock: Stock, look: Look): void {
    this.whole = { board, catalogue, stock };
    [this.stock, this.looking, this.hasRest] = [null, null, false];
    this.lastLook = look;
    this.openWhole();
    this.ask();
  }
  private openWhole(): void {
    const { board, catalogue, stock } = this.whole!;
    this.told = board;
    this.opening = () => this.remote.open(board, catalogue, stock, this.lastLook) as Promise<Answer>;
  }

  /** Tells what the rack holds now, once the board it is for has been opened. */
  shelve(stock: Stock): void {
    this.stock = stock;
    if (this.whole !== null) this.whole = { ...this.whole, stock };
    this.ask();
  }

  change(board: Board): void {
    if (this.whole !== null) this.whole = { ...this.whole, board };
    this.ask();
  }

  /** Tells what is looked at now. */
  look(look: Look): void {
    [this.looking, this.lastLook] = [look, look];
    this.ask();
  }

  /** The working of a figure that was told without it; null where it is another by now. */
  working(place: Place, label: string): Promise<Figure | null> {
    return this.remote.working(place, label) as Promise<Figure | null>;
  }

  /** Why the board is ready at another time than when it was ready at `fromMin`; null where that is no longer known. */
  shift(fromMin: number): Promise<Shift | null> {
    return this.remote.shift(fromMin) as Promise<Shift | null>;
  }

  close(): void {
    this.mortal.worker.terminate();
  }

  private ask(): void {
    this.version += 1;
    void this.run();
  }

  private async run(): Promise<void> {
    if (this.isRunning) return;
    this.isRunning = true;
    this.listener.busy(true);
    for (let ask = this.next(); ask !== null; ask = this.next()) {
      const version = this.version;
      try {
        const answer = await this.answered(ask());
        this.listener.answered(answer, version);
        this.hasRest = answer.isWhole === false;
        this.behindSinceMs = this.hasRest ? (this.behindSinceMs ?? performance.now()) : null;
        // The worker has its checks by then.
        if (answer.isComplete === false) this.looking ??= this.lastLook;
        this.restarts = 0;
      } catch (error) {
        if (!(error instanceof WorkerDied)) this.listener.failed(error);
        else if (!this.restart()) {
          this.listener.died();
          break;
        }
      }
    }
    this.isRunning = false;
    this.listener.busy(false);
  }

  /** An answer, unless the worker dies over it. */
  private async answered(answer: Promise<Answer>): Promise<Answer> {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new WorkerDied()), PATIENCE_MS);
    });
    try {
      return await Promise.race([answer, late]);
    } finally {
      clearTimeout(timer);
    }
  }

  /** Starts another worker with the board as it is now. @returns false where one was started just before, and died as well */
  private restart(): boolean {
    this.mortal.worker.terminate();
    if (this.restarts > 0 || this.whole === null) return false;
    this.restarts += 1;
    this.mortal = startWorker();
    [this.stock, this.looking, this.hasRest] = [null, null, false];
    this.openWhole();
    return true;
  }

  /** What is to be asked next, and no longer waits; null when nothing is. */
  private next(): (() => Promise<Answer>) | null {
    const { opening, stock, looking, told, whole } = this;
    if (opening !== null) {
      this.opening = null;
      return opening;
    }
    if (stock !== null) {
      this.stock = null;
      return () => this.remote.shelve(stock) as Promise<Answer>;
    }
    if (looking !== null) {
      this.looking = null;
      return () => this.remote.look(looking) as Promise<Answer>;
    }
    if (told !== null && whole !== null && told !== whole.board) {
      this.told = whole.board;
      const changes = changesBetween(told, whole.board);
      const isEarly = this.behindSinceMs === null || performance.now() - this.behindSinceMs < MAX_BEHIND_MS;
      return () => this.remote.change(changes, isEarly) as Promise<Answer>;
    }
    if (!this.hasRest) return null;
    this.hasRest = false;
    return () => this.remote.rest() as Promise<Answer>;
  }
}

const startWorker = (): Mortal<Reckoner> => wrapMortal(new Worker(deriveWorkerUrl, { type: 'module' }));

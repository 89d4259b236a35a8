import { type Remote, wrap } from 'comlink';
import type { Patch } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Figure } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/days';
import type { Board } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/shop';
import type { Answer, Place } from './answering';
import type { Reckoner } from './derive.worker';
import deriveWorkerUrl from './derive.worker.ts?sharing';
import type { Look } from './slices';

/** What becomes of an answer: `version` counts the edits it has seen. */
export interface Listener {
  readonly answered: (answer: Answer, version: number) => void;
  readonly failed: (error: unknown) => void;
  readonly busy: (isBusy: boolean) => void;
}

/** While changes keep coming the evenings are left for later, but never for longer than this. */
const MOST_BEHIND_MS = 250;

/**
 * The worker at the other end of the desk. One question at a time: edits made meanwhile wait and go together, so that a
 * fast drag is answered as often as the worker can, and never out of order.
 */
export class Reckoning {
  private readonly remote: Remote<Reckoner>;
  private readonly worker: Worker;
  private opening: (() => Promise<Answer>) | null = null;
  private patches: Patch[] = [];
  private stock: Stock | null = null;
  private looking: Look | null = null;
  private lastLook: Look = { slices: [], chosen: [] };
  private isRunning = false;
  /** Since when the evenings that were told are those of an earlier board; null while they are this one's. */
  private behindSinceMs: number | null = null;
  private hasRest = false;
  private version = 0;

  constructor(private readonly listener: Listener) {
    this.worker = new Worker(deriveWorkerUrl, { type: 'module' });
    this.remote = wrap<Reckoner>(this.worker);
  }

  open(board: Board, catalogue: Catalogue, stock: Stock, look: Look): void {
    [this.patches, this.stock, this.looking, this.hasRest] = [[], null, null, false];
    this.lastLook = look;
    this.opening = () => this.remote.open(board, catalogue, stock, look) as Promise<Answer>;
    this.ask();
  }

  /** Tells what the rack holds now, once the board it is for has been opened. */
  shelve(stock: Stock): void {
    this.stock = stock;
    this.ask();
  }

  change(patches: readonly Patch[]): void {
    this.patches.push(...patches);
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
    this.worker.terminate();
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
        const answer = await ask();
        this.listener.answered(answer, version);
        this.hasRest = answer.isWhole === false;
        this.behindSinceMs = this.hasRest ? (this.behindSinceMs ?? performance.now()) : null;
        // The worker has its checks by then.
        if (answer.isJudged === false) this.looking ??= this.lastLook;
      } catch (error) {
        this.listener.failed(error);
      }
    }
    this.isRunning = false;
    this.listener.busy(false);
  }

  /** What is to be asked next, and no longer waits; null when nothing is. */
  private next(): (() => Promise<Answer>) | null {
    const { opening, stock, looking, patches } = this;
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
    if (patches.length > 0) {
      this.patches = [];
      const isEarly = this.behindSinceMs === null || performance.now() - this.behindSinceMs < MOST_BEHIND_MS;
      return () => this.remote.change(patches, isEarly) as Promise<Answer>;
    }
    if (!this.hasRest) return null;
    this.hasRest = false;
    return () => this.remote.rest() as Promise<Answer>;
  }
}

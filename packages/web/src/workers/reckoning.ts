import type { Remote } from 'comlink';
import type { Figure } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import type { Answer, Place } from './answering';
import type { Reckoner } from './derive.worker';
import deriveWorkerUrl from './derive.worker.ts?sharing';
import { type Mortal, WorkerDied, wrapMortal } from './mortal';
import type { Look } from './slices';
import { type News, Told, type Whole } from './told';

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

/**
 * The worker at the other end of the desk. One question at a time: edits made meanwhile wait and go together, so that a
 * fast drag is answered as often as the worker can, and never out of order. A worker that dies is started again once with the whole board.
 */
export class Reckoning {
  private mortal: Mortal<Reckoner>;
  private restarts = 0;
  private readonly told = new Told();
  /** What is looked at and not asked for yet. */
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

  open(whole: Whole, look: Look): void {
    this.told.open(whole);
    this.hasRest = false;
    this.look(look);
  }

  /** Tells what of the open board is another by now. */
  change(parts: Partial<Whole>): void {
    this.told.become(parts);
    if (this.told.isOpen) this.ask();
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
    if (this.restarts > 0 || !this.told.isOpen) return false;
    this.restarts += 1;
    this.mortal = startWorker();
    [this.looking, this.hasRest] = [this.lastLook, false];
    this.told.forget();
    return true;
  }

  /** What is to be asked next, and no longer waits; null when nothing is. */
  private next(): (() => Promise<Answer>) | null {
    const [news, looking] = [this.told.news(), this.looking];
    this.looking = null;
    if (news !== null || looking !== null) {
      const isEdit = looking === null && Object.keys(news!).join() === 'board';
      const isEarly = isEdit && (this.behindSinceMs === null || performance.now() - this.behindSinceMs < MAX_BEHIND_MS);
      return () => this.tell(news ?? {}, looking, isEarly);
    }
    if (!this.hasRest) return null;
    this.hasRest = false;
    return () => this.tell({}, null, false);
  }
  private tell(news: News, look: Look | null, isEarly: boolean): Promise<Answer> {
    return this.remote.tell(news, look, isEarly) as Promise<Answer>;
  }
}

const startWorker = (): Mortal<Reckoner> => wrapMortal(new Worker(deriveWorkerUrl, { type: 'module' }));

import { type Remote, wrap } from 'comlink';
import type { Patch } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Offcut } from '@spare-acre/core/cutting';
import type { Plan } from '@spare-acre/core/plan';
import type { Answer, Reckoner } from './derive.worker';

/** What becomes of an answer: `version` counts the edits it has seen. */
export interface Listener {
  readonly answered: (answer: Answer, version: number) => void;
  readonly failed: (error: unknown) => void;
  readonly busy: (isBusy: boolean) => void;
}

/**
 * The worker at the other end of the desk. One question at a time: edits made meanwhile wait and go together, so that a
 * fast drag is answered as often as the worker can, and never out of order.
 */
export class Reckoning {
  private readonly remote: Remote<Reckoner>;
  private readonly worker: Worker;
  private waiting: (() => Promise<Answer>) | null = null;
  private patches: Patch[] = [];
  private rack: readonly Offcut[] | null = null;
  private isRunning = false;
  private version = 0;

  constructor(private readonly listener: Listener) {
    this.worker = new Worker(new URL('./derive.worker.ts', import.meta.url), { type: 'module' });
    this.remote = wrap<Reckoner>(this.worker);
  }

  open(plan: Plan, catalogue: Catalogue, rack: readonly Offcut[]): void {
    this.patches = [];
    this.rack = null;
    this.version += 1;
    this.waiting = () => this.remote.open(plan, catalogue, rack) as Promise<Answer>;
    void this.run();
  }

  /** Tells what the rack holds now, once the board it is for has been opened. */
  shelve(rack: readonly Offcut[]): void {
    this.rack = rack;
    this.version += 1;
    void this.run();
  }

  change(patches: readonly Patch[]): void {
    this.patches.push(...patches);
    this.version += 1;
    void this.run();
  }

  close(): void {
    this.worker.terminate();
  }

  private async run(): Promise<void> {
    if (this.isRunning) return;
    this.isRunning = true;
    this.listener.busy(true);
    while (this.waiting !== null || this.patches.length > 0 || this.rack !== null) {
      const version = this.version;
      const ask = this.waiting ?? this.changesSoFar();
      this.waiting = null;
      try {
        this.listener.answered(await ask(), version);
      } catch (error) {
        this.listener.failed(error);
      }
    }
    this.isRunning = false;
    this.listener.busy(false);
  }

  private changesSoFar(): () => Promise<Answer> {
    const { rack } = this;
    if (rack !== null) {
      this.rack = null;
      return () => this.remote.shelve(rack) as Promise<Answer>;
    }
    const patches = this.patches;
    this.patches = [];
    return () => this.remote.change(patches) as Promise<Answer>;
  }
}

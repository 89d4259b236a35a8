import { seeded } from '@spare-acre/core/base/random';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type CutJob, searchJob } from '@spare-acre/core/build/cutting/job';
import type { LayoutProgress } from '@spare-acre/core/build/cutting/nesting';

/** A search for a layout of one job, gone on with a slice of time after another. One seed and one number of moves are always the same layout. */
export class LayoutSlices {
  private steps: Generator<LayoutProgress, void, void> | null = null;
  private last: LayoutProgress | null = null;
  /** Nothing is left to look for. */
  isEnded = false;

  begin(job: CutJob, catalogue: Catalogue, seed: number): void {
    this.steps = searchJob(job, catalogue, seeded(seed));
    this.last = null;
  }
  /** @returns the best so far, or null where there is nothing to lay out */
  goOn(ms: number): LayoutProgress | null {
    const until = performance.now() + ms;
    do {
      const step = this.steps?.next();
      if (step === undefined || step.done === true) {
        this.isEnded = true;
        break;
      }
      this.last = step.value;
    } while (performance.now() < until);
    return this.last;
  }
}

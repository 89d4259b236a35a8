import type { Figure } from '@spare-acre/core/base/units';
import { derivePipeline } from '@spare-acre/core/pipeline';
import type { Derivation } from '@spare-acre/core/pipeline/derive';
import { Answering, type Place, figureAt } from '../workers/answering';
import type { Listener } from '../workers/reckoning';
import type { Look } from '../workers/slices';
import type { Whole } from '../workers/told';

/** What the worker answers, answered at once and without a thread: for views that show what is reckoned. */
export class Reckoning {
  private readonly derive = derivePipeline();
  private readonly answering = new Answering();
  private whole: Whole | null = null;
  private looked: Look = { slices: [], chosen: [] };
  private version = 0;

  constructor(private readonly listener: Listener) {}

  open(whole: Whole, look: Look): void {
    [this.whole, this.looked] = [whole, look];
    this.answer();
  }
  change(parts: Partial<Whole>): void {
    if (this.whole === null) return;
    this.whole = { ...this.whole, ...parts };
    this.answer();
  }
  look(look: Look): void {
    this.looked = look;
    this.answer();
  }
  working(place: Place, label: string): Promise<Figure | null> {
    return Promise.resolve(figureAt(place, label, this.derived(), this.looked.chosen));
  }
  close(): void {
    this.whole = null;
  }

  private derived(): Derivation {
    const { board, catalogue, stock } = this.whole!;
    return this.derive(board.plan, catalogue, { ...stock, ...board.record });
  }
  private answer(): void {
    this.version += 1;
    if (this.whole !== null) this.listener.answered(this.answering.answer(this.derived(), this.looked), this.version);
  }
}

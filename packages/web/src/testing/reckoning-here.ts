import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Figure } from '@spare-acre/core/base/units';
import { derivePipeline } from '@spare-acre/core/pipeline';
import type { Derivation } from '@spare-acre/core/pipeline/derive';
import type { Board } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/plan/workshop';
import { Answering, type Place, figureAt } from '../workers/answering';
import type { Listener } from '../workers/reckoning';
import type { Look } from '../workers/slices';

/** What the worker answers, answered at once and without a thread: for views that show what is reckoned. */
export class Reckoning {
  private readonly derive = derivePipeline();
  private readonly answering = new Answering();
  private board: Board | null = null;
  private catalogue: Catalogue | null = null;
  private stock: Stock | null = null;
  private looked: Look = { slices: [], chosen: [] };
  private version = 0;

  constructor(private readonly listener: Listener) {}

  open(board: Board, catalogue: Catalogue, stock: Stock, look: Look): void {
    [this.board, this.catalogue, this.stock, this.looked] = [board, catalogue, stock, look];
    this.answer();
  }
  change(board: Board): void {
    this.board = board;
    this.answer();
  }
  shelve(stock: Stock): void {
    this.stock = stock;
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
    this.board = null;
  }

  private derived(): Derivation {
    return this.derive(this.board!.plan, this.catalogue!, { ...this.stock!, ...this.board!.record });
  }
  private answer(): void {
    this.version += 1;
    if (this.board !== null) this.listener.answered(this.answering.answer(this.derived(), this.looked), this.version);
  }
}

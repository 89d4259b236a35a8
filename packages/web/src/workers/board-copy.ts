import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Derivation, LoadedUnits, type UnitName, pipelineWith } from '@spare-acre/core/pipeline/derive';
import { type Board, type Change, type Plan, withChanges } from '@spare-acre/core/plan';
import { EMPTY_STOCK, type WorkshopState, type Stock } from '@spare-acre/core/plan/workshop';

/** A worker's own copy of the open board, kept up by changes: parts that did not change stay the same objects, so their stages need not run again. */
export class BoardCopy {
  private derive;
  private board: Board | null = null;
  private known: Catalogue | null = null;
  private stock: Stock = EMPTY_STOCK;

  constructor(private readonly units = new LoadedUnits()) {
    this.derive = pipelineWith(units);
  }

  /** Takes a whole board; what was kept of an earlier one goes. */
  open(board: Board, catalogue: Catalogue, stock: Stock): void {
    this.derive = pipelineWith(this.units);
    [this.board, this.known, this.stock] = [board, catalogue, stock];
  }
  shelve(stock: Stock): void {
    this.stock = stock;
  }
  change(changes: readonly Change[]): void {
    this.board = withChanges(this.board!, changes);
  }
  load(unit: UnitName): Promise<void> {
    return this.units.load(unit);
  }

  get plan(): Plan {
    return this.board!.plan;
  }
  get catalogue(): Catalogue {
    return this.known!;
  }
  get shop(): WorkshopState {
    return { ...this.stock, ...this.board!.record };
  }
  derived(): Derivation {
    return this.derive(this.plan, this.catalogue, this.shop);
  }
}

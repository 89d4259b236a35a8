import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Derivation, LoadedUnits, type UnitName, pipelineWith } from '@spare-acre/core/pipeline/derive';
import { type Plan, withChanges } from '@spare-acre/core/plan';
import type { WorkshopState } from '@spare-acre/core/plan/workshop';
import type { News, Whole } from './told';

/** A worker's own copy of the open board, kept up by changes: parts that did not change stay the same objects, so their stages need not run again. */
export class BoardCopy {
  private derive;
  private has: Whole | null = null;

  constructor(private readonly units = new LoadedUnits()) {
    this.derive = pipelineWith(units);
  }

  /** Takes what it is told. With a whole board, what was kept of an earlier one goes. */
  take({ whole, board, catalogue, stock }: News): void {
    if (whole !== undefined) {
      this.derive = pipelineWith(this.units);
      this.has = whole;
    }
    this.has = {
      board: withChanges(this.has!.board, board ?? []),
      catalogue: withChanges(this.has!.catalogue, catalogue ?? []),
      stock: stock ?? this.has!.stock,
    };
  }
  load(unit: UnitName): Promise<void> {
    return this.units.load(unit);
  }

  get plan(): Plan {
    return this.has!.board.plan;
  }
  get catalogue(): Catalogue {
    return this.has!.catalogue;
  }
  get shop(): WorkshopState {
    return { ...this.has!.stock, ...this.has!.board.record };
  }
  derived(): Derivation {
    return this.derive(this.plan, this.catalogue, this.shop);
  }
}

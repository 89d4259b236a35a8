import { type Patch, applyPatches, enablePatches } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Derivation, derivePipeline } from '@spare-acre/core/pipeline';
import type { Board, Plan } from '@spare-acre/core/plan';
import type { Offcut } from '@spare-acre/core/shop';

enablePatches();

/** A worker's own copy of the open board, kept up by patches: parts that did not change stay the same objects, so their stages need not run again. */
export class BoardCopy {
  private reckon = derivePipeline();
  private board: Board | null = null;
  private known: Catalogue | null = null;
  private offcuts: readonly Offcut[] = [];

  /** Takes a whole board; what was remembered of an earlier one goes. */
  open(board: Board, catalogue: Catalogue, offcuts: readonly Offcut[]): void {
    this.reckon = derivePipeline();
    [this.board, this.known, this.offcuts] = [board, catalogue, offcuts];
  }
  shelve(offcuts: readonly Offcut[]): void {
    this.offcuts = offcuts;
  }
  change(patches: readonly Patch[]): void {
    this.board = applyPatches(this.board!, patches);
  }

  get plan(): Plan {
    return this.board!.plan;
  }
  get catalogue(): Catalogue {
    return this.known!;
  }
  get shop(): { readonly offcuts: readonly Offcut[]; readonly cutSheets: Board['record']['cutSheets'] } {
    return { offcuts: this.offcuts, cutSheets: this.board!.record.cutSheets };
  }
  derived(): Derivation {
    return this.reckon(this.plan, this.catalogue, this.shop);
  }
}

import { type Patch, applyPatches, enablePatches } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Derivation, type Finish, derivePipeline } from '@spare-acre/core/pipeline';
import type { MakePieces } from '@spare-acre/core/pieces';
import type { Board, Plan } from '@spare-acre/core/plan';
import type { Offcut } from '@spare-acre/core/shop';

enablePatches();

/** A worker's own copy of the open board, kept up by patches: parts that did not change stay the same objects, so their stages need not run again. */
export class BoardCopy {
  private reckon = derivePipeline();
  private board: Board | null = null;
  private known: Catalogue | null = null;
  private offcuts: readonly Offcut[] = [];
  private making: MakePieces | null = null;
  private finishing: Finish | null = null;

  /** Takes a whole board; what was remembered of an earlier one goes. */
  open(board: Board, catalogue: Catalogue, offcuts: readonly Offcut[]): void {
    this.reckon = derivePipeline(this.making, this.finishing);
    [this.board, this.known, this.offcuts] = [board, catalogue, offcuts];
  }
  shelve(offcuts: readonly Offcut[]): void {
    this.offcuts = offcuts;
  }
  change(patches: readonly Patch[]): void {
    this.board = applyPatches(this.board!, patches);
  }

  /** Fetches what makes pieces, once the board has some, and what reckons coats to the last, once they are looked at: a first look at a table needs none of it. */
  async ready(looksAtCoats = false): Promise<void> {
    const wantsPieces = this.making === null && this.plan.pieces.length > 0;
    const wantsCoats = this.finishing === null && looksAtCoats;
    if (!wantsPieces && !wantsCoats) return;
    if (wantsPieces) this.making = (await import('@spare-acre/core/pieces')).makePieces;
    if (wantsCoats) this.finishing = await import('@spare-acre/core/finish');
    this.reckon = derivePipeline(this.making, this.finishing);
  }
  get makePieces(): MakePieces | null {
    return this.making;
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

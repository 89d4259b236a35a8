import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Derivation, type Given, pipelineWith } from '@spare-acre/core/pipeline/derive';
import type { MakePieces } from '@spare-acre/core/build/pieces';
import { type Board, type Change, type Plan, withChanges } from '@spare-acre/core/plan';
import { EMPTY_STOCK, type Shop, type Stock } from '@spare-acre/core/plan/workshop';

/** A worker's own copy of the open board, kept up by changes: parts that did not change stay the same objects, so their stages need not run again. */
export class BoardCopy {
  private given: Given = { makePieces: null, finish: null, evenings: null, surelyFor: null, checks: null };
  private reckon = pipelineWith(this.given);
  private board: Board | null = null;
  private known: Catalogue | null = null;
  private stock: Stock = EMPTY_STOCK;

  /** Takes a whole board; what was remembered of an earlier one goes. */
  open(board: Board, catalogue: Catalogue, stock: Stock): void {
    this.reckon = pipelineWith(this.given);
    [this.board, this.known, this.stock] = [board, catalogue, stock];
  }
  shelve(stock: Stock): void {
    this.stock = stock;
  }
  change(changes: readonly Change[]): void {
    this.board = withChanges(this.board!, changes);
  }

  /** Fetches what makes pieces, once the board has some, what reckons coats to the last, once they are looked at, and the evenings and the checks: a first look needs none of it. */
  async ready(wants: { readonly finish: boolean; readonly checks: boolean }): Promise<void> {
    const { makePieces, finish, evenings, surelyFor, checks } = this.given;
    const given: Given = {
      makePieces: makePieces ?? (this.plan.pieces.length === 0 ? null : (await import('@spare-acre/core/build/pieces')).makePieces),
      finish: finish ?? (wants.finish ? await import('@spare-acre/core/finish') : null),
      evenings: evenings ?? (wants.checks ? await import('@spare-acre/core/schedule/tasks') : null),
      surelyFor: surelyFor ?? (wants.checks ? (await import('@spare-acre/core/procurement/supplies/certainty')).surelyFor : null),
      checks: checks ?? (wants.checks ? await import('@spare-acre/core/advice/checks') : null),
    };
    if (given.makePieces === makePieces && given.finish === finish && given.checks === checks) return;
    this.given = given;
    this.reckon = pipelineWith(given);
  }
  get makePieces(): MakePieces | null {
    return this.given.makePieces;
  }

  get plan(): Plan {
    return this.board!.plan;
  }
  get catalogue(): Catalogue {
    return this.known!;
  }
  get shop(): Shop {
    return { ...this.stock, ...this.board!.record };
  }
  derived(): Derivation {
    return this.reckon(this.plan, this.catalogue, this.shop);
  }
}

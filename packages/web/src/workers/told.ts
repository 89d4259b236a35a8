import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Board, type Change, changesBetween } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/plan/workshop';

/** A board with all that it is derived with. */
export interface Whole {
  readonly board: Board;
  readonly catalogue: Catalogue;
  readonly stock: Stock;
}
/** What a worker is told: all of it once, and after that only what became another. */
export interface News {
  readonly whole?: Whole;
  readonly board?: readonly Change[];
  readonly catalogue?: readonly Change[];
  readonly stock?: Stock;
}

/** What a worker has of the open board, and what it is to have. What lies between is told once, however many edits it was. */
export class Told {
  private has: Whole | null = null;
  private present: Whole | null = null;

  get isOpen(): boolean {
    return this.present !== null;
  }
  open(whole: Whole): void {
    [this.has, this.present] = [null, whole];
  }
  /** Parts of the open board are others; nothing happens where none is open. */
  become(parts: Partial<Whole>): void {
    if (this.present !== null) this.present = { ...this.present, ...parts };
  }
  /** The worker is gone: the next is told all of it. */
  forget(): void {
    this.has = null;
  }
  /** What the worker does not know yet, which counts as told from now on; null where it knows all. */
  news(): News | null {
    const { has, present } = this;
    if (present === null || has === present) return null;
    this.has = present;
    if (has === null) return { whole: present };
    const board = has.board === present.board ? [] : changesBetween(has.board, present.board);
    const catalogue = has.catalogue === present.catalogue ? [] : changesBetween(has.catalogue, present.catalogue);
    const news: News = {
      ...(board.length > 0 && { board }),
      ...(catalogue.length > 0 && { catalogue }),
      ...(has.stock !== present.stock && { stock: present.stock }),
    };
    return Object.keys(news).length === 0 ? null : news;
  }
}

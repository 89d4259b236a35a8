import { v4 as uuid } from 'uuid';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { type StockTransaction, type StockTransactionKind, freeFor, shelfOf } from '@spare-acre/core/procurement/stock';
import { Ledger } from '@spare-acre/core/io/wire';
import { today } from '../../ui/dates';
import { useCatalogue } from './catalogue';
import { call } from '../device/client';

/** What lies on the shelf, for all boards: the ledger, and what it comes to. */
export const useShelf = defineStore('shelf', () => {
  const catalogues = useCatalogue();
  const moves = shallowRef<readonly StockTransaction[]>([]);
  const fault = ref('');
  const shelved = computed(() => (catalogues.catalogue === null ? [] : shelfOf(moves.value, catalogues.catalogue, today())));

  async function attempt(ask: () => Promise<{ readonly moves: readonly StockTransaction[] }>): Promise<void> {
    fault.value = '';
    try {
      moves.value = (await ask()).moves;
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  }
  const load = (): Promise<void> => attempt(() => call(Ledger, 'GET', '/shelf'));
  /** Writes down what happened today. */
  const add = (
    lines: readonly {
      readonly stockId: string;
      readonly kind: StockTransactionKind;
      readonly amount: number;
      readonly boardId?: string | null;
      readonly note?: string;
      readonly paidMinor?: number | null;
    }[],
  ): Promise<void> => {
    const day = today();
    const written = lines.map((line) => ({ boardId: null, note: '', paidMinor: null, ...line, id: uuid(), day }));
    return attempt(() => call(Ledger, 'POST', '/shelf', { moves: written }));
  };
  const remove = (id: string): Promise<void> => attempt(() => call(Ledger, 'DELETE', `/shelf/${id}`));
  /** What a board may take of each thing. */
  const free = (boardId: string | null): Readonly<Record<string, number>> => freeFor(shelved.value, boardId);
  return { moves, shelved, fault, load, add, remove, free };
});

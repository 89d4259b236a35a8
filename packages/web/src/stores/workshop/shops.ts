import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { PriceList } from '@spare-acre/core/procurement/buying';
import { type WorkshopState, type ShopPlays, type ShopTerms, Shops } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { call } from '../device/client';

/** Shops and what they ask, as the server last heard it. */
export const useShops = defineStore('shops', () => {
  const shops = shallowRef<readonly WorkshopState[]>([]);
  const nowMs = ref(0);
  const fault = ref('');
  const isBusy = ref(false);

  async function attempt(method: string, path: string, body?: unknown): Promise<void> {
    [fault.value, isBusy.value] = ['', true];
    try {
      const told = await call(Shops, method, path, body);
      [shops.value, nowMs.value] = [told.shops, told.nowMs];
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
    isBusy.value = false;
  }
  return {
    shops,
    nowMs,
    fault,
    isBusy,
    load: () => attempt('GET', '/shops'),
    ask: () => attempt('POST', '/shops/ask'),
    add: (terms: z.infer<typeof ShopTerms>) => attempt('POST', '/shops', terms),
    setTerms: (id: string, terms: z.infer<typeof ShopTerms>) => attempt('PUT', `/shops/${id}`, terms),
    setOffers: (id: string, offers: PriceList['offers']) => attempt('PUT', `/shops/${id}/offers`, { offers }),
    play: (id: string, plays: ShopPlays) => attempt('PUT', `/shops/${id}/plays`, { plays }),
    remove: (id: string) => attempt('DELETE', `/shops/${id}`),
  };
});

import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { inHand } from '@spare-acre/core/hand';
import { type OwnedCatalogue, fetchCatalogue } from './client';

/** The catalogue, asked for once. */
export const useCatalogue = defineStore('catalogue', () => {
  const catalogue = shallowRef<Catalogue | null>(null);
  /** What of it is the builder's own, and what of that it cannot take. */
  const own = shallowRef<OwnedCatalogue['own']>([]);
  const leftOut = shallowRef<OwnedCatalogue['leftOut']>([]);
  /** How what the catalogue says comes out in the builder's hand. */
  const hand = shallowRef<OwnedCatalogue['hand']>([]);
  /** What boards are reckoned with. */
  const inUse = computed(() => (catalogue.value === null ? null : inHand(catalogue.value, hand.value)));
  const pictures = shallowRef<OwnedCatalogue['pictures']>([]);
  const terms = shallowRef<OwnedCatalogue['terms']>('british');
  let asked: Promise<Catalogue> | null = null;

  function load(): Promise<Catalogue> {
    asked ??= fetchCatalogue().then(
      (loaded) => {
        [own.value, leftOut.value, hand.value, pictures.value, terms.value] = [
          loaded.own,
          loaded.leftOut,
          loaded.hand,
          loaded.pictures,
          loaded.terms,
        ];
        return (catalogue.value = loaded.catalogue);
      },
      (error: unknown) => {
        asked = null;
        throw error;
      },
    );
    return asked;
  }

  /** Asks for it again: a figure in it is another. */
  function renew(): Promise<Catalogue> {
    asked = null;
    return load();
  }

  return { catalogue, inUse, hand, own, leftOut, pictures, terms, load, renew };
});

import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type * as Hands from '@spare-acre/core/learning/calibration';
import { type OwnedCatalogue, fetchCatalogue, fetchCatalogueAfter } from '../device/client';
import { toldAnew } from '../device/offline';

/** The catalogue, asked for once. */
export const useCatalogue = defineStore('catalogue', () => {
  const catalogue = shallowRef<Catalogue | null>(null);
  /** What of it is the builder's own, and what of that it cannot take. */
  const own = shallowRef<OwnedCatalogue['own']>([]);
  const leftOut = shallowRef<OwnedCatalogue['leftOut']>([]);
  /** How what the catalogue says comes out in each builder's hand. */
  const hand = shallowRef<OwnedCatalogue['hand']>([]);
  /** What tells how a hand bears on the catalogue: fetched with the first that is known. */
  const handed = shallowRef<typeof Hands | null>(null);
  /** Who builds the open board. */
  const builders = shallowRef<readonly string[]>([]);
  /** What the board is reckoned with. */
  const inUse = computed(() => (catalogue.value === null ? null : inHandsOf(catalogue.value, builders.value)));
  function inHandsOf(bare: Catalogue, people: readonly string[]): Catalogue {
    return handed.value === null ? bare : handed.value.inHand(bare, handed.value.handOf(people, hand.value));
  }
  const pictures = shallowRef<OwnedCatalogue['pictures']>([]);
  const terms = shallowRef<OwnedCatalogue['terms']>('british');
  let asked: Promise<Catalogue> | null = null;
  /** The last answer, which later ones only change. */
  let last: OwnedCatalogue | null = null;

  const load = (): Promise<Catalogue> =>
    (asked ??= fetched().catch((error: unknown) => {
      asked = null;
      throw error;
    }));
  async function fetched(): Promise<Catalogue> {
    const loaded = await (last === null ? fetchCatalogue() : fetchCatalogueAfter(last));
    if (loaded.hand.length > 0) handed.value ??= await import('@spare-acre/core/learning/calibration');
    if (last !== null) void toldAnew('/api/catalogue', loaded);
    last = loaded;
    [own.value, leftOut.value, hand.value, pictures.value, terms.value] = [
      loaded.own,
      loaded.leftOut,
      loaded.hand,
      loaded.pictures,
      loaded.terms,
    ];
    return (catalogue.value = loaded.catalogue);
  }

  /** Asks for what changed in it: a figure in it is another. */
  function renew(): Promise<Catalogue> {
    asked = null;
    return load();
  }

  return { catalogue, inUse, inHandsOf, builders, hand, own, leftOut, pictures, terms, load, renew };
});

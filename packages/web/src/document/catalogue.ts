import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type OwnedCatalogue, fetchCatalogue } from './client';

/** The catalogue, asked for once. */
export const useCatalogue = defineStore('catalogue', () => {
  const catalogue = shallowRef<Catalogue | null>(null);
  /** What of it is the builder's own, and what of that it cannot take. */
  const own = shallowRef<OwnedCatalogue['own']>([]);
  const leftOut = shallowRef<OwnedCatalogue['leftOut']>([]);
  const pictures = shallowRef<OwnedCatalogue['pictures']>([]);
  const terms = shallowRef<OwnedCatalogue['terms']>('british');
  let asked: Promise<Catalogue> | null = null;

  function load(): Promise<Catalogue> {
    asked ??= fetchCatalogue().then(
      (loaded) => {
        [own.value, leftOut.value, pictures.value, terms.value] = [loaded.own, loaded.leftOut, loaded.pictures, loaded.terms];
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

  return { catalogue, own, leftOut, pictures, terms, load, renew };
});

import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { fetchCatalogue } from './client';

/** The catalogue, asked for once. */
export const useCatalogue = defineStore('catalogue', () => {
  const catalogue = shallowRef<Catalogue | null>(null);
  let asked: Promise<Catalogue> | null = null;

  function load(): Promise<Catalogue> {
    asked ??= fetchCatalogue().then(
      (loaded) => (catalogue.value = loaded),
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

  return { catalogue, load, renew };
});

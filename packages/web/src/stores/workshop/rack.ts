import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { NewOffcut, RackOffcut } from '@spare-acre/core/io/wire';
import { addOffcut, fetchRack, removeOffcut } from '../device/client';

/** The rack of offcuts, shared by all boards. */
export const useRack = defineStore('rack', () => {
  const offcuts = shallowRef<readonly RackOffcut[]>([]);
  const fault = ref('');

  /** A server that does not answer leaves the rack as it was last seen: a board opens without it. */
  const load = (): Promise<void> => attempt(async () => void (offcuts.value = await fetchRack()));

  const add = (offcut: NewOffcut): Promise<void> =>
    attempt(async () => {
      const added = await addOffcut(offcut);
      // The same piece of the same sheet again changes its size.
      offcuts.value = [...offcuts.value.filter(({ id }) => id !== added.id), added];
    });

  const remove = (id: string): Promise<void> =>
    attempt(async () => {
      await removeOffcut(id);
      offcuts.value = offcuts.value.filter((one) => one.id !== id);
    });

  async function attempt(ask: () => Promise<void>): Promise<void> {
    fault.value = '';
    try {
      await ask();
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  }

  return { offcuts, fault, load, add, remove };
});

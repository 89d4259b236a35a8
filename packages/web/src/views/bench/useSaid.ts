import { useStorage } from '@vueuse/core';
import { type Ref, ref, watch } from 'vue';
import { NOTHING_SAID, type Said } from './said';

type Typed = Omit<Said, 'photos'>;
const isSomething = ({ minutes, amounts, note }: Typed): boolean =>
  [minutes, note, ...Object.values(amounts)].some((one) => one.trim() !== '');

/**
 * What is typed of a task, kept on this device until it is written down: a phone drops a page that is out of sight. Photos that are chosen and not yet sent
 * are the page's own.
 * @param key which task of which board
 */
export function useSaid(key: () => string): Ref<Said> {
  const kept = useStorage<Record<string, Typed>>('spare-acre/half-said', {});
  const said = ref(NOTHING_SAID());
  watch(key, (now) => (said.value = { ...NOTHING_SAID(), ...plain(kept.value[now]) }), { immediate: true });
  watch(
    said,
    (now) => {
      const { [key()]: _before, ...others } = kept.value;
      kept.value = isSomething(now) ? { ...others, [key()]: plain(now)! } : others;
    },
    { deep: true },
  );
  return said;
}
const plain = (one: Typed | undefined): Typed | undefined =>
  one === undefined ? undefined : { minutes: one.minutes, amounts: { ...one.amounts }, note: one.note };

import { useDocumentVisibility, useEventSource } from '@vueuse/core';
import { type Ref, computed, watch } from 'vue';
import { LiveEvent } from '@spare-acre/core/io/wire';
import { shortId } from '../device/name';

/** Who else has a board open. */
export type Here = Extract<LiveEvent, { kind: 'here' }>;

const AGAIN_MS = 2_000;

/**
 * Hears what others do on the open board, for as long as this page is looked at: a browser grants an address few connections, and a page that comes back is
 * told where its board stands.
 */
export function useLive(boardId: Readonly<Ref<string | null>>, heard: (event: LiveEvent) => void): void {
  const tab = shortId();
  const visibility = useDocumentVisibility();
  const url = computed(() =>
    boardId.value === null || visibility.value === 'hidden' ? undefined : `/api/boards/${boardId.value}/live?tab=${tab}`,
  );
  const { data } = useEventSource(url, [], {
    autoReconnect: { retries: -1, delay: AGAIN_MS },
    // Read into something new each time: the same told twice is told twice.
    serializer: { read: (text) => LiveEvent.safeParse(parsed(text ?? null)).data ?? null },
  });
  // At once: of two that come together none may be missed.
  watch(data, (event) => event !== null && heard(event), { flush: 'sync' });
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}

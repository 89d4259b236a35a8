import { type VueWrapper, mount } from '@vue/test-utils';
import { type Component, reactive } from 'vue';
import { vi } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import type { Plan } from '@spare-acre/core/plan';
import { usePlan } from '../stores/board/plan';
import { BOARD_ID, CATALOGUE, CATALOGUE_ANSWER, aServer, aStoredBoard } from './world';

/** An address bar without a browser: what `useRoute` and `useRouter` give. */
export const address = reactive<{ query: Record<string, string> }>({ query: {} });
export const routerMock = {
  useRoute: () => address,
  useRouter: () => ({ replace: ({ query }: { query: Record<string, string> }) => void (address.query = query) }),
  createRouter: vi.fn(),
  createWebHistory: vi.fn(),
};

/** The plan store with a board open. */
export async function anOpenBoard(plan: Plan = brinefold(CATALOGUE)): Promise<ReturnType<typeof usePlan>> {
  address.query = {};
  localStorage.clear(); // no draft of an earlier test
  aServer(({ path, method }) => {
    if (path.endsWith('/catalogue')) return { status: 200, body: CATALOGUE_ANSWER };
    if (path.endsWith('/rack')) return { status: 200, body: { offcuts: [] } };
    return method === 'GET' ? { status: 200, body: aStoredBoard(plan) } : null;
  });
  const store = usePlan();
  await store.open(BOARD_ID);
  return store;
}

/** A component of the ground view on its own. */
export const shown = (component: Component, props: Record<string, unknown> = {}): VueWrapper =>
  mount(component, { props, global: { stubs: { RouterLink: true } } });

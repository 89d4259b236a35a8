import { type Component, defineAsyncComponent, defineComponent, getCurrentInstance, h } from 'vue';
import LoadFailed from './LoadFailed.vue';
import ViewSkeleton from './ViewSkeleton.vue';

type Load<C extends Component> = () => Promise<{ default: C }>;
/** What has not been fetched yet and will be wanted, should the server go away meanwhile. */
const ahead = new Set<() => Promise<unknown>>();
const memoize = <C extends Component>(load: Load<C>): Load<C> => {
  // In a component's setup each visit would add another, and keep all of that visit in memory.
  if (getCurrentInstance() !== null) throw new Error('Name lazy parts outside of setup, in a script of the module.');
  const once: Load<C> = () => {
    ahead.delete(once);
    return load();
  };
  ahead.add(once);
  return once;
};

/** A whole view fetched when it is gone to: its shape at once, itself when it is there, and plain words where it does not come. */
export function viewLazily(load: Load<Component>): Component {
  const view = defineAsyncComponent({ loader: memoize(load), loadingComponent: ViewSkeleton, delay: 0, errorComponent: LoadFailed });
  return defineComponent({ render: () => h(view) });
}

/** A part of a view fetched when it is first shown. */
export const partLazily = <C extends Component>(load: Load<C>): C =>
  defineAsyncComponent<C>({ loader: memoize(load), errorComponent: LoadFailed });
/** The same for a part so heavy that it is not fetched before it is asked for. */
export const heavyPartLazily = <C extends Component>(load: Load<C>): C =>
  defineAsyncComponent<C>({ loader: load, errorComponent: LoadFailed });

/** Fetches what is still missing, one by one and only while the page is at rest: an edit must go on without its server. */
export async function fetchAhead(): Promise<void> {
  for (const load of ahead) {
    await rest();
    // Tried again when it is shown, and told there.
    await load().catch(() => undefined);
  }
}

/** A browser that draws nothing may never call itself idle: then a moment has to do. */
const MAX_WAIT_MS = 1_000;
const rest = (): Promise<unknown> =>
  new Promise((rested) => {
    if ('requestIdleCallback' in window) window.requestIdleCallback(rested, { timeout: MAX_WAIT_MS });
    else setTimeout(rested);
  });

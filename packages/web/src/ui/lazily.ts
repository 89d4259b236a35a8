import { type Component, defineAsyncComponent, defineComponent, h } from 'vue';
import LoadFailed from './LoadFailed.vue';
import ViewSkeleton from './ViewSkeleton.vue';

/** A whole view fetched when it is gone to: its shape at once, itself when it is there, and plain words where it does not come. */
export function viewLazily(load: () => Promise<{ default: Component }>): Component {
  const view = defineAsyncComponent({ loader: load, loadingComponent: ViewSkeleton, delay: 0, errorComponent: LoadFailed });
  return defineComponent({ render: () => h(view) });
}

/** A part of a view fetched when it is first shown. */
export const partLazily = <C extends Component>(load: () => Promise<{ default: C }>): C =>
  defineAsyncComponent<C>({ loader: load, errorComponent: LoadFailed });

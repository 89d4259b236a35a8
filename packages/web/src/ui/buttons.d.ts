/** Buttons of ours: see styles/_buttons.scss. */
import 'bootstrap-vue-next';

declare module 'bootstrap-vue-next' {
  interface BaseButtonVariant {
    key: unknown;
    bare: unknown;
  }
}

import type { FeatureKind } from '@spare-acre/core/plan';

/** What the hand does on the plan: take hold of things, or draw one kind of feature. */
export type ToolId = 'hold' | 'raise' | 'dig' | 'pool' | 'channel' | 'track';
export interface Tool {
  readonly id: ToolId;
  readonly name: string;
  readonly key: string;
  /** null for taking hold. */
  readonly draws: { readonly kind: FeatureKind; readonly form: 'area' | 'strip' } | null;
  readonly hint: string;
}

const AREA_HINT = 'Drag a rectangle, or click corner after corner and press Enter. Esc gives up.';
const STRIP_HINT = 'Click along the middle line, then press Enter or double-click. Esc gives up.';

export const TOOLS: readonly Tool[] = [
  { id: 'hold', name: 'Take hold', key: 'v', draws: null, hint: '' },
  { id: 'raise', name: 'Raise', key: 'r', draws: { kind: 'raised', form: 'area' }, hint: AREA_HINT },
  { id: 'dig', name: 'Dig', key: 'd', draws: { kind: 'pit', form: 'area' }, hint: AREA_HINT },
  { id: 'pool', name: 'Pool', key: 'p', draws: { kind: 'water', form: 'area' }, hint: AREA_HINT },
  { id: 'channel', name: 'Channel', key: 'c', draws: { kind: 'water', form: 'strip' }, hint: STRIP_HINT },
  { id: 'track', name: 'Track', key: 't', draws: { kind: 'route', form: 'strip' }, hint: STRIP_HINT },
];

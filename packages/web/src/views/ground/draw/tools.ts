import type { FeatureKind } from '@spare-acre/core/plan/features';

/** What the hand does on the plan: take hold of things, or draw one kind of feature. */
export type ToolId =
  | 'hold'
  | 'raise'
  | 'hill'
  | 'bank'
  | 'ramp'
  | 'dig'
  | 'pool'
  | 'channel'
  | 'crater'
  | 'track'
  | 'wall'
  | 'plot'
  | 'field'
  | 'patch'
  | 'clear'
  | 'lights'
  | 'measure';
export interface Tool {
  readonly id: ToolId;
  readonly name: string;
  readonly key: string;
  /** null for what draws nothing. */
  readonly draws: { readonly kind: FeatureKind; readonly form: 'area' | 'strip' | 'round' } | null;
  /** Takes two points and makes nothing of them. */
  readonly measures?: true;
  readonly hint: string;
}

const TYPED = 'You can also type a point: x, y, or +x, +y from the last point.';
const AREA_HINT = `Drag to draw, or click each point and press Enter. ${TYPED} Esc cancels.`;
const STRIP_HINT = `Click along the centre line, then press Enter or double-click. ${TYPED} Esc cancels.`;
const ROUND_HINT = `Drag from the centre outwards, or click the centre and the rim. ${TYPED} Esc cancels.`;

/** In the order of the work: up, down, along, on top. Keys are letters of the name where one is free. */
export const TOOLS: readonly Tool[] = [
  { id: 'hold', name: 'Select', key: 's', draws: null, hint: '' },
  { id: 'raise', name: 'Raise', key: 'r', draws: { kind: 'raised', form: 'area' }, hint: AREA_HINT },
  { id: 'hill', name: 'Hill', key: 'h', draws: { kind: 'hill', form: 'area' }, hint: AREA_HINT },
  { id: 'bank', name: 'Bank', key: 'b', draws: { kind: 'bank', form: 'strip' }, hint: STRIP_HINT },
  { id: 'ramp', name: 'Ramp', key: 'm', draws: { kind: 'ramp', form: 'strip' }, hint: `Draw from foot to top. ${STRIP_HINT}` },
  { id: 'dig', name: 'Dig', key: 'd', draws: { kind: 'pit', form: 'area' }, hint: AREA_HINT },
  { id: 'pool', name: 'Pool', key: 'p', draws: { kind: 'water', form: 'area' }, hint: AREA_HINT },
  { id: 'channel', name: 'Channel', key: 'c', draws: { kind: 'water', form: 'strip' }, hint: STRIP_HINT },
  { id: 'crater', name: 'Crater', key: 'x', draws: { kind: 'crater', form: 'round' }, hint: ROUND_HINT },
  { id: 'track', name: 'Track', key: 't', draws: { kind: 'route', form: 'strip' }, hint: STRIP_HINT },
  { id: 'wall', name: 'Wall', key: 'w', draws: { kind: 'wall', form: 'strip' }, hint: STRIP_HINT },
  { id: 'plot', name: 'Plot', key: 'o', draws: { kind: 'plot', form: 'area' }, hint: AREA_HINT },
  { id: 'field', name: 'Field', key: 'f', draws: { kind: 'field', form: 'area' }, hint: AREA_HINT },
  { id: 'patch', name: 'Patch', key: 'a', draws: { kind: 'patch', form: 'area' }, hint: AREA_HINT },
  { id: 'clear', name: 'Keep clear', key: 'k', draws: { kind: 'clear', form: 'area' }, hint: AREA_HINT },
  { id: 'lights', name: 'Lights', key: 'g', draws: { kind: 'light', form: 'strip' }, hint: `Start at the battery box. ${STRIP_HINT}` },
];
/** Two points of a picture whose distance is known. */
export const MEASURE: Tool = {
  id: 'measure',
  name: 'Two points',
  key: '',
  draws: null,
  measures: true,
  hint: `Click two points whose true distance you know. ${TYPED} Esc cancels.`,
};

/** Reliefs a surface can have, as its swatch shows them. */
export const RELIEFS = [
  'flat',
  'earth',
  'sand',
  'rubble',
  'rock',
  'slate',
  'cobble',
  'flag',
  'brick',
  'plank',
  'corrugated',
  'turf',
  'furrows',
] as const;
export type Relief = (typeof RELIEFS)[number];

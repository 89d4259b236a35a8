import type { LISTS } from '../load';

/** A kind of entry: the list of the catalogue it stands in. */
export type Kind = (typeof LISTS)[number];

/** What a kind is called, in the order in which a builder looks for them. */
export const KINDS: Readonly<Record<Kind, { readonly one: string; readonly many: string }>> = {
  materials: { one: 'material', many: 'Materials' },
  sheets: { one: 'sheet size', many: 'Sheet sizes' },
  lengths: { one: 'strip, rod or tube', many: 'Strips, rods, tubes' },
  adhesives: { one: 'adhesive', many: 'Adhesives' },
  coatings: { one: 'coating', many: 'Coatings' },
  stuffs: { one: 'ingredient', many: 'Ingredients' },
  paints: { one: 'colour', many: 'Colours' },
  patterns: { one: 'pattern', many: 'Patterns of paving' },
  claddings: { one: 'cladding', many: 'Claddings' },
  fills: { one: 'loose fill', many: 'Rubble, clay, soil' },
  castings: { one: 'way of casting', many: 'Casting' },
  tools: { one: 'tool', many: 'Tools' },
  batchWays: { one: 'way of cutting equal parts', many: 'Cutting equal parts' },
  methods: { one: 'method', many: 'Methods' },
  layings: { one: 'way of cladding', many: 'Ways of cladding' },
  joins: { one: 'tile connector', many: 'Tile connectors' },
  batteries: { one: 'battery box', many: 'Battery boxes' },
  lamps: { one: 'lamp', many: 'Lamps' },
  passages: { one: 'passage', many: 'Doors, boots, shelves' },
  placeKinds: { one: 'kind of place', many: 'Kinds of place' },
  airs: { one: 'way of moving air', many: 'Air movement' },
  yardsticks: { one: 'yardstick', many: 'Size references' },
  cautions: { one: 'caution', many: 'Cautions' },
};
export const ALL_KINDS = Object.keys(KINDS) as readonly Kind[];
export const isKind = (word: string): word is Kind => word in KINDS;

import type { Catalogue } from '../schema';
import { adhesives } from './adhesives';
import { batchWays } from './parts/batch-ways';
import { batteries, joins, lamps, passages, yardsticks } from './parts/fittings';
import { castings } from './parts/castings';
import { claddings, layings } from './parts/claddings';
import { fills } from './parts/fills';
import { guides } from './guides';
import { lengths } from './parts/lengths';
import { materials } from './materials';
import { sheets } from './sheets';
import { airs, bench, cautions, methods, placeKinds, tools } from './methods';
import { starter } from './starter';
import { coatings } from './coatings';
import { paints } from './paints';
import { patterns } from './patterns';
import { stuffs } from './stuffs';

/** The catalogue that ships: starting figures, every one with its range and origin, all prices invented. */
export const WORKSHOP_CATALOGUE: Catalogue = {
  version: 1,
  currency: 'EUR',
  materials,
  sheets,
  adhesives,
  stuffs,
  coatings,
  paints,
  patterns,
  methods,
  tools,
  batchWays,
  airs,
  placeKinds,
  cautions,
  joins,
  passages,
  batteries,
  lamps,
  yardsticks,
  lengths,
  claddings,
  layings,
  castings,
  fills,
  guides,
  bench,
  starter,
};

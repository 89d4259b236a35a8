import type { Catalogue } from '../schema';
import { about } from './estimate';

/** Units that ground is laid in, by their real size. */
export const patterns: Catalogue['patterns'] = [
  { id: 'cobbles', name: 'Cobbles', unitName: 'cobble', unitsName: 'cobbles', bond: 'cobbles', longMm: 260, wideMm: 240, jointMm: 30, strays: 0.3, m2PerH: about(0.12, 0.08, 0.2) },
  { id: 'setts', name: 'Setts', unitName: 'sett', unitsName: 'setts', bond: 'running', longMm: 320, wideMm: 200, jointMm: 25, strays: 0.12, m2PerH: about(0.12, 0.08, 0.2) },
  { id: 'flags', name: 'Flags', unitName: 'flag', unitsName: 'flags', bond: 'random-lengths', longMm: 900, wideMm: 600, jointMm: 30, strays: 0.3, m2PerH: about(0.25, 0.15, 0.4) },
  { id: 'squares', name: 'Squares', unitName: 'square', unitsName: 'squares', bond: 'stacked', longMm: 600, wideMm: 600, jointMm: 20, strays: 0, m2PerH: about(0.3, 0.2, 0.5) },
  { id: 'boards', name: 'Boards', unitName: 'board', unitsName: 'boards', bond: 'random-lengths', longMm: 2_400, wideMm: 200, jointMm: 15, strays: 0.35, m2PerH: about(0.3, 0.2, 0.5) },
  { id: 'fans', name: 'Setts in fans', unitName: 'sett', unitsName: 'setts', bond: 'fan', longMm: 240, wideMm: 200, jointMm: 25, strays: 0.1, m2PerH: about(0.08, 0.05, 0.12) },
];

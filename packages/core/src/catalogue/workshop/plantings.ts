import { DAY_MIN } from '../../base/units';
import type { Coating } from '../schema';
import { AT_ONCE, HOUR, coating, packs, thin } from './coating';
import { about } from './estimate';

type Range = readonly [number, number, number];
const byMass = (id: string, name: string, gPerM2: Range, hex: string, sizes: readonly (readonly [number, number])[]): Coating =>
  coating({
    id,
    name,
    family: 'planting',
    spread: { by: 'mass', gPerM2: about(...gPerM2) },
    lossPct: about(15, 5, 30),
    densityGPerMl: about(0.08, 0.05, 0.12),
    solidsPct: about(100),
    drying: thin(2 * HOUR, [4 * HOUR, 2 * HOUR, 8 * HOUR], DAY_MIN / 2),
    sold: packs('g', ...sizes),
    staysBare: true,
    look: { hex, hides: 0.9, gloss: 0 },
  });
const byCount = (
  id: string,
  name: string,
  { perM2, sizeMm, hex }: { readonly perM2: Range; readonly sizeMm: readonly [number, number]; readonly hex: string },
  sizes: readonly (readonly [number, number])[],
): Coating =>
  coating({
    id,
    name,
    family: 'planting',
    spread: { by: 'count', perM2: about(...perM2), sizeMm: { least: sizeMm[0], most: sizeMm[1] }, gEach: about(0.1, 0.05, 0.2) },
    lossPct: about(5, 0, 10),
    densityGPerMl: about(0.1),
    solidsPct: about(100),
    drying: thin(HOUR, [2 * HOUR, HOUR, 4 * HOUR], DAY_MIN / 2),
    sold: packs('each', ...sizes),
    staysBare: true,
    look: { hex, hides: 1, gloss: 0 },
  });

/** What grows on a board; prices invented. */
export const plantings: readonly Coating[] = [
  byMass('flock', 'Flock', [150, 100, 250], '#5c6a35', [
    [30, 390],
    [100, 990],
  ]),
  byMass('fine-turf', 'Fine turf', [120, 80, 200], '#6a7440', [
    [30, 420],
    [100, 1090],
  ]),
  byMass('static-grass', 'Static grass of 2 mm', [150, 100, 250], '#7c8446', [
    [20, 350],
    [100, 1190],
  ]),
  byMass('leaf-litter', 'Leaves, scattered', [60, 30, 120], '#7d5a2f', [
    [10, 490],
    [40, 1490],
  ]),
  byCount('tufts', 'Tufts', { perM2: [60, 30, 120], sizeMm: [4, 8], hex: '#8b8a45' }, [
    [60, 590],
    [180, 1490],
  ]),
  byCount('row-plants', 'Plants for rows', { perM2: [900, 400, 2000], sizeMm: [4, 8], hex: '#65753a' }, [
    [100, 690],
    [400, 2290],
  ]),
  coating({
    ...byMass('moss-clumps', 'Moss in clumps', [70, 30, 140], '#56652f', [
      [20, 390],
      [80, 1190],
    ]),
    drying: AT_ONCE,
  }),
];

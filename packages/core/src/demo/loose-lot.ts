import type { Catalogue } from '../catalogue';
import { type Plan, newPlan } from '../plan';
import { pieceMaker } from './pieces';

/** Three pieces for a club night, made without a table: a counted set of walls, a ruin and a basin. */
export function looseLot(catalogue: Catalogue): Plan {
  const blank = newPlan(
    {
      name: 'Loose lot for the club night',
      units: 'metric',
      widthMm: 0,
      depthMm: 0,
      columns: 0,
      rows: 0,
      figureHeightMm: 28,
      startsOn: '2026-12-02',
    },
    catalogue,
  );
  const a = pieceMaker({ figureMm: 28, baseMm: 25 }, catalogue);
  return {
    ...blank,
    pieces: [
      a(
        'walls',
        'field-walls',
        'Field walls',
        { heightMm: 15, gateHeightMm: 11, straights: 6, gates: 1, corners: 4, tees: 2, brokenEnds: 2 },
        { cladding: [{ shows: 'walls', claddingId: 'stone-blocks', layingId: 'scored' }] },
      ),
      a('ruin', 'mill-ruin', 'Burnt mill', {}, { count: 1 }),
      a('basin', 'dry-fountain', 'Dry fountain', { sides: 8 }),
    ],
  };
}

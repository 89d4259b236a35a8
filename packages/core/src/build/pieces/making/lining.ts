import { areaMm2 } from '../../../base/geometry';
import type { Assembly, FlatPart, StockSizes } from '../../shell';

/** Strips that line the reveals of openings: as wide as the wall is thick, once round, but not over the side that is open. A lining takes twice its thickness of the opening. */
export function liningsOf({ faces }: Assembly, stocks: StockSizes, role: string): readonly FlatPart[] {
  return faces.flatMap((face) => {
    const wideMm = stocks[face.role]!.thicknessMm;
    return (face.openings ?? []).flatMap(({ id, name, ring, onto, isLined }): FlatPart[] => {
      if (isLined !== true || areaMm2({ rings: [ring] }) === 0) return [];
      const low = Math.min(...ring.map(({ y }) => y));
      const longMm = ring.reduce((sum, from, i) => {
        const to = ring[(i + 1) % ring.length]!;
        const isOpen = onto !== undefined && from.y - low < SAME_MM && to.y - low < SAME_MM;
        return isOpen ? sum : sum + Math.hypot(to.x - from.x, to.y - from.y);
      }, 0);
      const outline = [
        { x: 0, y: 0 },
        { x: longMm, y: 0 },
        { x: longMm, y: wideMm },
        { x: 0, y: wideMm },
      ];
      const blank = { rings: [outline] };
      const none = { bodyIds: [], bevels: [], folds: [], scores: [], isBent: false };
      return [
        {
          id: `${face.id}-${id}-lining`,
          name: `Lining, ${name.toLowerCase()} of ${face.name.toLowerCase()}`,
          role,
          blank,
          drawn: [outline],
          far: [outline],
          ...none,
        },
      ];
    });
  });
}
const SAME_MM = 0.01;

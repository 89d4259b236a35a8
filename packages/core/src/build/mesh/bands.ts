import { type Catalogue, type Material, materialBy } from '../../catalogue';
import type { BoardStack } from '../stack';

/** One layer as it is seen on an upright face; heights over the ground, mm. */
export interface Band {
  readonly hatch: Material['hatch'];
  readonly bottomMm: number;
  readonly topMm: number;
}

/** What an upright face shows from the underside up: the layers under the whole table, then those of the highest raised ground. */
export function bandsOf({ base, ground, raised }: BoardStack, catalogue: Catalogue): readonly Band[] {
  const bands = base.map(({ materialId, bottomMm, topMm }): Band => {
    const { hatch } = materialBy(catalogue, materialId);
    return { hatch, bottomMm: bottomMm - ground.value, topMm: topMm - ground.value };
  });
  const heightOf = (baseMm: number, thicknesses: readonly number[]): number => thicknesses.reduce((sum, mm) => sum + mm, baseMm);
  const highest = raised.reduce<(typeof raised)[number] | null>((best, one) => {
    const mm = heightOf(one.land.baseMm, one.buildUp?.thicknessesMm ?? []);
    return best === null || mm > heightOf(best.land.baseMm, best.buildUp?.thicknessesMm ?? []) ? one : best;
  }, null);
  let topMm = 0;
  for (const { land, materialId, buildUp } of highest === null ? [] : [...hostsOf(highest, raised), highest]) {
    topMm = Math.max(topMm, land.baseMm);
    for (const thicknessMm of buildUp?.thicknessesMm ?? []) {
      bands.push({ hatch: materialBy(catalogue, materialId).hatch, bottomMm: topMm, topMm: topMm + thicknessMm });
      topMm += thicknessMm;
    }
  }
  return bands;
}

/** What raised ground stands on, from the ground up. */
function hostsOf({ land }: BoardStack['raised'][number], raised: BoardStack['raised']): BoardStack['raised'] {
  const host = raised.find((other) => other.land.id === land.hostId);
  return host === undefined ? [] : [...hostsOf(host, raised), host];
}

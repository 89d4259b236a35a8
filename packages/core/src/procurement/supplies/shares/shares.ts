import type { Bare, Unit } from '../../../base/units';
import { type Plan, tableDepthMm, tableWidthMm } from '../../../plan';
import type { Supply } from '../supplies';

export type CostStage = 'ground' | 'pieces' | 'texture' | 'paint' | 'water' | 'fittings';
const STAGE_OF: Readonly<Record<Supply['group'], CostStage>> = {
  sheets: 'ground',
  adhesive: 'ground',
  lengths: 'pieces',
  cladding: 'pieces',
  fills: 'pieces',
  casting: 'pieces',
  fixings: 'fittings',
  lights: 'fittings',
  stuffs: 'texture',
  texture: 'texture',
  grain: 'texture',
  planting: 'texture',
  sealer: 'paint',
  paint: 'paint',
  mask: 'paint',
  varnish: 'paint',
  water: 'water',
};

/** Where the money of a board goes. */
export interface CostShares {
  readonly stages: readonly {
    readonly stage: CostStage;
    readonly usedMinor: number;
    readonly leftMinor: number;
    readonly sharePct: number;
  }[];
  readonly usedMinor: number;
  readonly leftMinor: number;
  /** Of the table; null for a lot without one. */
  readonly perM2Minor: number | null;
  /** What of the packages bought is left, the dearest first. */
  readonly lying: readonly { readonly name: string; readonly amount: number; readonly unit: Unit; readonly minor: number }[];
}

/** Money by what it is for, the most first, and what lies on the shelf afterwards at what it cost. @param table of a lot without one: no columns */
export function costShares(
  rows: readonly Bare<Pick<Supply, 'group' | 'name' | 'need' | 'onShelf' | 'packs' | 'buy' | 'used'>>[],
  table: Pick<Plan['table'], 'columnWidthsMm' | 'rowDepthsMm'>,
): CostShares {
  const tableM2 = (tableWidthMm(table) * tableDepthMm(table)) / 1e6;
  const sums = new Map<CostStage, { used: number; left: number }>();
  const lying: CostShares['lying'][number][] = [];
  for (const row of rows) {
    const own = sums.get(STAGE_OF[row.group]) ?? { used: 0, left: 0 };
    const bought = row.group === 'sheets' ? 0 : row.packs.reduce((sum, { count, amount }) => sum + count * amount.value, 0);
    const left = Math.max(0, bought + (row.onShelf?.value ?? 0) - row.need.value);
    const leftMinor = bought === 0 ? 0 : (row.buy.value * Math.min(left, bought)) / bought;
    own.used += row.used.value;
    own.left += leftMinor;
    sums.set(STAGE_OF[row.group], own);
    if (leftMinor > 0) lying.push({ name: row.name, amount: left, unit: row.need.unit, minor: leftMinor });
  }
  const usedMinor = [...sums.values()].reduce((sum, { used }) => sum + used, 0);
  return {
    stages: [...sums]
      .map(([stage, { used, left }]) => ({
        stage,
        usedMinor: used,
        leftMinor: left,
        sharePct: usedMinor === 0 ? 0 : (100 * used) / usedMinor,
      }))
      .sort((a, b) => b.usedMinor - a.usedMinor),
    usedMinor,
    leftMinor: [...sums.values()].reduce((sum, { left }) => sum + left, 0),
    perM2Minor: tableM2 > 0 ? usedMinor / tableM2 : null,
    lying: lying.sort((a, b) => b.minor - a.minor),
  };
}

import { type Figure, given, calculate } from '../../../base/units';
import { blankOf, layoutCost, leastByArea, leastByClashes, leastByExactSearch } from '../nesting';
import { takenBy } from './bounds';
import { type CutJob, isCut, openOf } from './job';

/** Parts up to which all ways of cutting are looked at while somebody waits. */
const MAX_AT_ONCE = 8;
const SAME = 1e-6;

/** How near a layout is to what no layout can beat. */
export interface Optimality {
  /**
   * `search`: all ways of cutting were looked at; `area`: not even the area would go on less; `clashes`: parts no two of which share a sheet take as much; null: not
   * known to be the best.
   */
  readonly how: 'search' | 'area' | 'clashes' | null;
  /** What it lies over the bound, by its aim. */
  readonly gap: Figure<'money'> | Figure<'1'>;
}

/** Whether the layout of what of a job is not cut yet is known to be the best by its first aim, and the gap where it is not. Free placement is judged by its true areas alone. */
export function optimalityOf(job: CutJob): Optimality {
  const { name, parts, layout, stock, kerfMm, aim, tool, cost: spentMoney, sheetCount } = openOf(job);
  const spent = layoutCost(job.layout.sheets.filter(isCut), aim);
  const own = parts.filter(({ id }) => !layout.tooLarge.includes(id));
  const laid = own.map(blankOf);
  const cost = layoutCost(layout.sheets, aim);
  const isThrough = tool.cuts === 'through';
  const byArea = leastByArea(takenBy(own, tool, kerfMm), stock, kerfMm, aim);
  const byClashes = isThrough ? leastByClashes(laid, stock, kerfMm, aim) : 0;
  const exact =
    isThrough && laid.length <= MAX_AT_ONCE && cost > Math.max(byArea, byClashes) + SAME
      ? leastByExactSearch(laid, stock, kerfMm, aim)
      : null;
  const bound = Math.max(byArea, byClashes, exact ?? 0);
  const isByClashes = exact === null && byClashes > byArea + SAME;
  const unit = aim === 'cheapest' ? 'money' : '1';
  const taken = aim === 'cheapest' ? spentMoney : sheetCount;
  const least = given(
    `${name}: lower bound`,
    Math.min(taken.value, Math.floor(bound + spent + SAME)),
    unit,
    'layout',
    exact !== null ? 'all layouts checked' : isByClashes ? 'by parts that cannot share a sheet' : 'by area',
  );
  return {
    how: cost > bound + SAME ? null : exact !== null ? 'search' : isByClashes ? 'clashes' : 'area',
    gap: calculate(`${name}: above the lower bound`, unit, taken, '−', least) as Optimality['gap'],
  };
}

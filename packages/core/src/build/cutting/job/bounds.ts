import type { Tool } from '../../../catalogue';
import { type Figure, given, calculate } from '../../../base/units';
import { type LayoutTask, type PlacedSheet, type Stock, blankOf, isNew, leastByArea, roomOf, takenMm2 } from '../nesting';
import type { CutJob } from './job';
import type { Part } from '../parts';

/** What parts take of a sheet at least: their boxes with the kerf, or, where outlines may lie in each other's hollows, their true areas. */
export const takenBy = (parts: readonly Part[], tool: Tool, kerfMm: number): number =>
  tool.cuts === 'free' ? parts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0) : takenMm2(parts.map(blankOf), kerfMm);

/** Area bounds as figures, for what is laid out, and what was spent on the sheets that are cut on top. */
export function boundsOf(
  name: string,
  laid: readonly Part[],
  tool: Tool,
  task: LayoutTask,
  done: readonly PlacedSheet[],
): Pick<CutJob, 'fewest' | 'cheapest'> {
  const open = openBounds(name, laid, tool, task);
  if (done.length === 0) return open;
  const spent = done.filter(({ stock }) => isNew(stock));
  const cut = given(`${name}: new sheets cut`, spent.length, '1', 'logbook', 'ticked off');
  const paid = given(
    `${name}: paid for them`,
    spent.reduce((sum, { stock }) => sum + stock.priceMinor, 0),
    'money',
    'catalogue',
    'example price',
  );
  return {
    fewest: calculate(open.fewest.label, '1', { ...open.fewest, label: `${name}: fewest additional sheets` }, '+', cut),
    cheapest: calculate(open.cheapest.label, 'money', { ...open.cheapest, label: `${name}: lowest additional cost` }, '+', paid),
  };
}

/** New sheets by the largest size, money by the best set of sizes; 0 where the offcuts may do. */
function openBounds(name: string, laid: readonly Part[], tool: Tool, { stock, kerfMm }: LayoutTask): Pick<CutJob, 'fewest' | 'cheapest'> {
  const area = (one: Stock): number => {
    const { w, h } = roomOf(one, kerfMm);
    return w * h;
  };
  const takenArea = takenBy(laid, tool, kerfMm);
  const kinds = stock.filter(isNew);
  const offcuts = stock.filter((one) => !isNew(one)).reduce((sum, one) => sum + area(one), 0);
  const label = `${name}: fewest new sheets`;
  const cheapest = given(
    `${name}: lowest cost`,
    Math.floor(leastByArea(takenArea, stock, kerfMm, 'cheapest')),
    'money',
    'layout',
    'the cheapest sizes whose area would hold all parts, minus offcuts',
  );
  if (takenArea - offcuts <= 0 || kinds.length === 0) {
    return { fewest: given(label, 0, '1', 'layout', laid.length === 0 ? 'no part to lay out' : 'the offcuts have enough area'), cheapest };
  }
  const what = tool.cuts === 'free' ? 'true areas of all parts' : 'boxes of all parts, kerf on two sides';
  const taken = given(`${name}: ${what}`, takenArea, 'mm²', 'drawing');
  const left =
    offcuts === 0
      ? taken
      : calculate(`${name}: more than the offcuts hold`, 'mm²', taken, '−', given('Offcuts in the rack', offcuts, 'mm²', 'shelf'));
  const room = given(
    `${name}: the largest sheet minus edge trim`,
    Math.max(...kinds.map(area)),
    'mm²',
    'catalogue',
    'one kerf may hang over the trim',
  );
  return { fewest: calculate(label, '1', left, '⌈÷⌉', room), cheapest };
}

/** What no layout of a search can go under, as its aim counts: money, or new sheets. */
export const boundFigure = ({ aim, name }: CutJob, bound: number): Figure<'money'> | Figure<'1'> =>
  aim === 'cheapest'
    ? given(`${name}: lowest cost`, Math.floor(bound), 'money', 'layout', 'no layout of the search costs less')
    : given(`${name}: fewest new sheets`, Math.floor(bound), '1', 'layout', 'no layout of the search takes fewer');

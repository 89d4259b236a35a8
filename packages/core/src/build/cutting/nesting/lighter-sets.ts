import type { Random } from '../../../base/random';
import { type Shaped, blankOf } from './guillotine/blanks';
import { restBeside } from './freeform/apart';
import { convexPieces } from './freeform/convex';
import { type Layout, type LayoutTask, type PlacedSheet, type Placement, type Stock, ruleOf } from './layout';
import { SAME_COST, layoutCost } from './layout-cost';
import { type LyingOutline, liesOf, placedOutline } from './freeform/outline';
import { type Body, Separation, type BodySpot } from './freeform/separation';
import { fitsOn, isNew, placesAll, roomOf, setsUnder } from './stock';

/** Sets of sheets tried in turn. */
const MAX_TARGETS = 4;
/** Sweeps on one set before the next has its turn. */
const SWEEPS_A_TURN = 120;

/** Parts to be laid, none of them pinned, among all parts, with the pinned ones; `mayHalve` where they may be turned by half. */
interface PartsToLay {
  readonly parts: readonly Shaped[];
  readonly byId: ReadonlyMap<string, Shaped>;
  readonly mayHalve: boolean;
}
/** One try at a set of sheets, which goes on where it was left. */
interface Try {
  readonly stocks: readonly Stock[];
  readonly search: Separation;
}

/**
 * Looks for a lighter set of sheets that true outlines go on: all parts are laid on it at once, in each other, and taken apart. Yields null after each sweep, or the sheets where it has come
 * off; a lighter set than the best is tried from then on. Ends when no lighter set has the area.
 * @param best as it stands now
 */
export function* lighterSets(
  task: LayoutTask,
  { parts, byId, mayHalve }: PartsToLay,
  best: () => Layout,
  random: Random,
): Generator<readonly PlacedSheet[] | null, void, void> {
  const { stock, pinned, kerfMm, aim } = task;
  const lies = parts.map((part) => liesOf(part, mayHalve));
  const movable = lies.map((own): Body => ({ fixed: null, lies: own.map(bodyLie) }));
  const pins = pinned.flatMap(({ placements }, sheet) => placements.map((pin) => ({ pin, sheet })));
  const fixed = pins.map(({ pin, sheet }): Body => {
    const { trim } = pinned[sheet]!.stock;
    const { widthMm, depthMm } = pin;
    const pieces = convexPieces(placedOutline(byId.get(pin.blankId)!, pin));
    return { lies: [{ widthMm, depthMm, pieces }], fixed: { sheet, lie: 0, x: pin.xMm - trim.leftMm, y: pin.yMm - trim.topMm } };
  });
  const used = new Set(pinned.map((sheet) => sheet.stock.offcutId));
  const there = [...pinned.map((sheet) => sheet.stock), ...stock.filter((one) => !isNew(one) && !used.has(one.offcutId))];
  const blanks = parts.map(blankOf);
  const kinds = stock.filter((one) => isNew(one) && blanks.some((blank) => fitsOn(blank, one, kerfMm)));
  const isEnough = placesAll(blanks, kinds, there, kerfMm);
  const roomMm2 = there.reduce((sum, one) => sum + areaOf(one), 0) - pins.reduce((sum, { pin }) => sum + byId.get(pin.blankId)!.areaMm2, 0);
  const needMm2 = parts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0) - roomMm2;
  const tries = new Map<string, Try>();
  for (let turn = 0; ; turn++) {
    const cost = layoutCost(best().sheets, aim);
    const targets = setsUnder(kinds, needMm2, cost - layoutCost(pinned, aim) - SAME_COST, 0, aim)
      .filter(isEnough)
      .slice(0, MAX_TARGETS);
    if (targets.length === 0) return;
    const { counts } = targets[turn % targets.length]!;
    const own = tries.get(counts.join()) ?? begin(counts);
    tries.set(counts.join(), own);
    for (let sweep = 0; sweep < SWEEPS_A_TURN && layoutCost(best().sheets, aim) > cost - SAME_COST; sweep++) {
      own.search.sweep();
      if (!own.search.isClear) {
        yield null;
        continue;
      }
      tries.clear();
      yield laid(own);
      break;
    }
  }

  function begin(counts: readonly number[]): Try {
    const stocks = [...there, ...counts.flatMap((count, k) => Array<Stock>(count).fill(kinds[k]!))];
    const grounds = stocks.map((one) => roomOf(one, 0));
    const from = spotsIn(best(), stocks, parts, lies);
    return { stocks, search: new Separation([...movable, ...fixed], grounds, kerfMm, random, from) };
  }

  function laid({ stocks, search }: Try): readonly PlacedSheet[] {
    return stocks.flatMap((own, sheet): PlacedSheet[] => {
      const placements = parts.flatMap(({ id }, i): Placement[] => {
        const spot = search.found[i]!;
        if (spot.sheet !== sheet) return [];
        const { outline: _outline, ...lie } = lies[i]![spot.lie]!;
        return [{ blankId: id, xMm: own.trim.leftMm + spot.x, yMm: own.trim.topMm + spot.y, ...lie, pinned: false }];
      });
      const all = [...(pinned[sheet]?.placements ?? []), ...placements];
      return all.length === 0 ? [] : [{ stock: own, placements: all, rest: restBeside(all, ruleOf(own, kerfMm)) }];
    });
  }
}

const bodyLie = ({ widthMm, depthMm, outline }: LyingOutline): Body['lies'][number] => ({
  widthMm,
  depthMm,
  pieces: convexPieces(outline),
});
const areaOf = (one: Stock): number => {
  const { w, h } = roomOf(one, 0);
  return w * h;
};

/** Where parts lie already, on sheets of a set that are like theirs, the fullest first; null for those whose sheet the set has not. */
function spotsIn(
  { sheets }: Layout,
  stocks: readonly Stock[],
  parts: readonly Shaped[],
  lies: readonly (readonly LyingOutline[])[],
): readonly (BodySpot | null)[] {
  const free = new Set(stocks.keys());
  const spots = new Map<string, { readonly placement: Placement; readonly sheet: number }>();
  const fullest = sheets.toSorted((a, b) => filledMm2(b) - filledMm2(a));
  for (const { stock, placements } of fullest) {
    const sheet = [...free].find((i) => stocks[i]!.offcutId === stock.offcutId && areaOf(stocks[i]!) === areaOf(stock));
    if (sheet === undefined) continue;
    free.delete(sheet);
    for (const placement of placements) spots.set(placement.blankId, { placement, sheet });
  }
  return parts.map(({ id }, i) => {
    const own = spots.get(id);
    if (own === undefined) return null;
    const { placement, sheet } = own;
    const lie = lies[i]!.findIndex(({ turned, half }) => turned === placement.turned && half === placement.half);
    const { trim } = stocks[sheet]!;
    return lie < 0 ? null : { sheet, lie, x: placement.xMm - trim.leftMm, y: placement.yMm - trim.topMm };
  });
}
const filledMm2 = ({ placements }: PlacedSheet): number => placements.reduce((sum, { widthMm, depthMm }) => sum + widthMm * depthMm, 0);

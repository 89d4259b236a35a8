import { listedBy } from '../../../base/grouping';
import { memoize } from '../../../base/memory';
import type { Catalogue } from '../../../catalogue';
import type { Cutting, Split } from '../../../plan';
import type { Ground, TileLand } from '../../../terrain/ground';
import { type Aim, type Blank, type LayoutTask, type Stock, blankOf, fitsOn, layOut, layoutCost, leastCost, roomOf } from '../nesting';
import { MIN_PIECE_MM, type Part, asSplit, isAllowed, isNextLayer, isPieceOf } from '../parts';
import type { LayOut } from '../cut-sheets';
import { jobKey } from '../to-cut-with';
import { type Available, type AvailableInputs, availableFor } from '../too-large';

/** What joints that save sheets are sought from. */
export interface SavingInputs extends AvailableInputs, Pick<Cutting, 'aim' | 'keptWhole'> {
  /** Parts of the ground and of pieces; only the tiles' own layers are joined for a sheet. */
  readonly whole: readonly Part[];
  /** Splits of parts that go on no sheet. */
  readonly laid: readonly Split[];
  readonly ground: Pick<Ground, 'onTile'>;
  readonly layOutOnce?: LayOut;
}

const NONE: readonly Split[] = [];
/** Joints are sought for layers with no more parts than this: more are laid out well enough as they are. */
const MAX_PARTS = 40;
/** Savings of less than this, in minor units or sheets, are no reason for a joint. */
const SAME = 1e-3;
/** So many rounds, each on what the one before left. */
const ROUNDS = 3;

/**
 * Joints in parts of the tiles' own layers that make their sheets cheaper, or fewer, as the plan aims: the best single size and number of joints first, then again on
 * what that leaves. Sought at the sizes that just go on what other parts leave of a sheet, clear of pits, of worked edges and of the joints of the layers next to it.
 * @returns none where joints are not to be made, for a layer of which a sheet is cut already, and where none pays
 */
export function savingSplits({ whole, laid, ground, layOutOnce = layOut, ...inputs }: SavingInputs): readonly Split[] {
  if (inputs.joints !== 'saving') return NONE;
  const available = availableFor(inputs);
  const cutFrom = new Set(inputs.cut.map(({ materialId, thicknessMm }) => jobKey(materialId, thicknessMm)));
  const all = asSplit(asSplit(whole, inputs.splits), laid);
  const base = all.filter(({ stage }) => stage === 'base');
  const jobs = [...listedBy(base, ({ materialId, thicknessMm }) => jobKey(materialId, thicknessMm))];
  const found: Split[] = [];
  const { aim, keptWhole, catalogue } = inputs;
  // From the lowest layer up, so that each sees the joints of the one it lies on.
  for (const [key, parts] of jobs.sort(([, a], [, b]) => a[0]!.level - b[0]!.level)) {
    if (cutFrom.has(key) || parts.length > MAX_PARTS) continue;
    const { stock, kerfMm } = available(parts[0]!);
    const laidParts = parts.filter((part) => stock.some((one) => fitsOn(blankOf(part), one, kerfMm)));
    const costOf = (own: readonly Part[]): number =>
      layoutCost(layOutOnce({ blanks: own.map(blankOf), stock, kerfMm, aim, pinned: [] }).sheets, aim);
    // Where not even the area would go on less there is nothing to look for.
    if (costOf(laidParts) <= leastCost(laidParts.map(blankOf), stock, kerfMm, aim) + SAME) continue;
    const near = found.length === 0 ? base : asSplit(base, found);
    const blanks = laidParts.map(blankOf);
    const places = laidParts.map((part) =>
      isPieceOf(part) || keptWhole.includes(part.wholeId)
        ? ''
        : placesIn(part, {
            worthMm: (['x', 'y'] as const).map((along) => jointsWorth(sizeAlong(part, along), blanks, stock, kerfMm).join(' ')),
            near: near.filter((other) => isNextLayer(part, other)),
            lands: ground.onTile.get(part.workpieceId) ?? [],
            catalogue,
          }),
    );
    const jointWorthMinor = catalogue.bench.jointWorthMinor.value;
    const saving = savingOf(laidParts[0]!, { parts: laidParts, places, stock, kerfMm, aim, jointWorthMinor });
    // What else is cut from the same sheets may have had a use for what is left of them.
    const others = all.filter((part) => part.stage !== 'base' && jobKey(part.materialId, part.thicknessMm) === key);
    const isWorth = (): boolean =>
      others.length === 0 || costOf([...asSplit(laidParts, saving), ...others]) < costOf([...laidParts, ...others]) - SAME;
    if (saving.length > 0 && isWorth()) found.push(...saving);
  }
  return found;
}
const sizeAlong = ({ widthMm, depthMm }: Part, along: Split['along']): number => (along === 'x' ? widthMm : depthMm);

interface PlacesFrom {
  /** Along x and along y: sizes of the shorter piece, as words, so that they compare. */
  readonly worthMm: readonly string[];
  readonly near: readonly Part[];
  readonly lands: readonly TileLand[];
  readonly catalogue: Catalogue;
}
/**
 * Where a part may be joined at one of the sizes worth it, on whichever side of its middle: `x 120.5 489.5`, the shorter piece and the place. In words, so that a feature
 * that moves over a tile without touching such a place is no reason to search again.
 */
const placesIn = memoize((part: Part, { worthMm, near, lands, catalogue }: PlacesFrom): string => {
  const among = { parts: near, ground: { onTile: new Map([[part.workpieceId, lands]]) }, catalogue };
  return (['x', 'y'] as const)
    .flatMap((along, i) => {
      const isFree = isAllowed(part, along, among);
      return (worthMm[i] === '' ? [] : worthMm[i]!.split(' ')).flatMap((words) => {
        const shortMm = Number(words);
        const at = [shortMm, Math.round((sizeAlong(part, along) - shortMm) * 100) / 100].find((mm) => isFree(mm));
        return at === undefined ? [] : [`${along} ${shortMm} ${at}`];
      });
    })
    .join('|');
});

interface Search extends Available {
  readonly parts: readonly Part[];
  /** Where each of them may be joined. */
  readonly places: readonly string[];
  readonly aim: Aim;
  readonly jointWorthMinor: number;
}
interface Found {
  readonly splits: readonly Split[];
  readonly parts: readonly Part[];
  readonly cost: number;
  /** With what its joints are to save. */
  readonly worth: number;
}
/** One size of joint, with the split it makes of each part that it may be made in. */
interface Try {
  readonly splits: readonly Split[];
  readonly shortMm: number;
}
/** What joints have to save besides nothing: a single one is made wherever it saves at all, each further one for what its work is worth. */
const worthOf = (joints: number, { aim, jointWorthMinor }: Search): number =>
  Math.max(0, joints - 1) * (aim === 'cheapest' ? jointWorthMinor : SHEETS_A_JOINT);
/** Four joints are worth a sheet to whoever counts sheets. */
const SHEETS_A_JOINT = 0.25;

/** A search is remembered by its first part: while the parts of its job stay, and the places they may be joined at, so do their joints. */
const savingOf = memoize((_first: Part, search: Search): readonly Split[] => {
  const { parts, stock, kerfMm, aim } = search;
  const costs = new Map<string, number>();
  const costOf = (of: readonly Part[]): number => {
    const blanks = of.map(blankOf);
    const key = blanks
      .map(({ widthMm, depthMm, mayTurn }) => `${widthMm} ${depthMm} ${mayTurn ? 1 : 0}`)
      .sort()
      .join('|');
    let cost = costs.get(key);
    if (cost === undefined) {
      const task: LayoutTask = { blanks, stock, kerfMm, aim, pinned: [] };
      cost = layoutCost(layOut(task).sheets, aim);
      costs.set(key, cost);
    }
    return cost;
  };
  const tries = triesOf(search);
  const plain = costOf(parts);
  let best: Found = { splits: NONE, parts, cost: plain, worth: plain };
  for (let round = 0; round < ROUNDS; round++) {
    const next = bestJoint(best, tries, search, costOf);
    if (next === null) break;
    best = next;
  }
  return best.splits;
});

/** The joints of parts that are alike, size by size. */
function triesOf({ parts, places }: Search): readonly Try[] {
  const joints = parts.flatMap((part, i) =>
    places[i]!.split('|')
      .filter((words) => words !== '')
      .map((words) => {
        const [along, shortMm, at] = words.split(' ') as [Split['along'], string, string];
        const split: Split = { partId: part.id, wholeId: part.wholeId, along, atMm: [Number(at)] };
        return { split, shortMm: Number(shortMm), key: `${part.widthMm} ${part.depthMm} ${part.grain} ${along} ${shortMm}` };
      }),
  );
  return [...listedBy(joints, ({ key }) => key).values()].map((own) => ({
    splits: own.map(({ split }) => split),
    shortMm: own[0]!.shortMm,
  }));
}

/** The best of all joints of one size in one, two, three … parts that are alike; null where none is worth it. */
function bestJoint(now: Found, tries: readonly Try[], search: Search, costOf: (parts: readonly Part[]) => number): Found | null {
  const { stock, kerfMm, aim } = search;
  const floor = leastCost(now.parts.map(blankOf), stock, kerfMm, aim);
  if (now.cost <= floor + SAME) return null;
  const done = new Set(now.splits.map(({ wholeId }) => wholeId));
  let best: Found | null = null;
  const take = (splits: readonly Split[], count: number): number => {
    const worth = worthOf(now.splits.length + count, search);
    // What is saved has to be worth the work of every joint.
    const limit = (best?.worth ?? now.worth) - worth;
    if (count > splits.length || floor >= limit - SAME) return Infinity;
    const made = splits.slice(0, count);
    const parts = asSplit(now.parts, made);
    const cost = costOf(parts);
    if (cost < limit - SAME) best = { splits: [...now.splits, ...made], parts, cost, worth: cost + worth };
    return cost;
  };
  const ranked = tries
    .map(({ splits, shortMm }) => ({ splits: splits.filter(({ wholeId }) => !done.has(wholeId)), shortMm }))
    .map((one) => ({ ...one, cost: take(one.splits, 1) }))
    .sort((a, b) => a.cost - b.cost || b.shortMm - a.shortMm);
  // In several parts only at the sizes that do best in one.
  for (const { splits } of ranked.slice(0, TRIED_IN_SEVERAL)) for (const count of new Set([2, 3, 4, splits.length])) take(splits, count);
  return best;
}
const TRIED_IN_SEVERAL = 10;

/** Sizes of a piece that just go on what parts leave of a sheet along either of its sides, and the half. */
function jointsWorth(sizeMm: number, blanks: readonly Blank[], stock: readonly Stock[], kerfMm: number): readonly number[] {
  const sides = [...new Set(blanks.flatMap(({ widthMm, depthMm }) => [widthMm, depthMm]))].sort((a, b) => b - a).slice(0, MAX_SIDES);
  const found = new Set<number>([Math.round(sizeMm * 50) / 100]);
  const leave = (roomMm: number, from: number): void => {
    const pieceMm = Math.floor((roomMm - kerfMm) * 100 + 1e-6) / 100;
    if (pieceMm < MIN_PIECE_MM) return;
    // The same two pieces come of either.
    if (pieceMm <= sizeMm - MIN_PIECE_MM) found.add(Math.min(pieceMm, Math.round((sizeMm - pieceMm) * 100) / 100));
    for (let i = from; i < sides.length; i++) leave(roomMm - sides[i]! - kerfMm, i);
  };
  for (const one of stock) {
    const { w, h } = roomOf(one, kerfMm);
    for (const roomMm of [w, h]) leave(roomMm, 0);
  }
  return [...found];
}
/** More sizes than these are not combined. */
const MAX_SIDES = 5;

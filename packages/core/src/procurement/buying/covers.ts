import { type Offer, priceAt } from './offers';

/** Packages that hold all of one want. */
export interface Cover {
  readonly costMinor: number;
  /** What they hold beyond it, in what the thing is counted in. */
  readonly left: number;
  /** What is spent at each of the shops that are watched. */
  readonly spentMinor: readonly number[];
  /** Packages of each offer, as they are listed. */
  readonly counts: readonly number[];
}
interface Partial extends Omit<Cover, 'left'> {
  readonly amount: number;
}

/** Packages that may still be looked at, for all things together: with none left there is no answer. */
export interface Patience {
  left: number;
}

/** Less than this of a unit is a rounding of the machine. */
const TINY = 1e-9;

/**
 * Every way worth looking at to buy one thing: the cheapest, and all that cost at most `slackMinor` more and spend more at a shop that is watched. Of two that spend the same there
 * the dearer is left out, and of equals the one that leaves more over. The cheapest comes first; none where the offers do not hold enough.
 * @param patience counted down; none left: no covers
 * @param watched shops at which spending more may be worth something
 * @source offers in turn, from all counts of each only those kept that no other beats
 */
export function coversOf(
  amount: number,
  offers: readonly Offer[],
  watched: readonly string[],
  slackMinor: number,
  patience: Patience = { left: Infinity },
): readonly Cover[] {
  const units = offers.map((offer) => Math.min(offer.priceMinor, ...offer.steps.map(({ priceMinor }) => priceMinor)) / offer.amount);
  const unit = Math.min(...units);
  const order = offers.map((_, i) => i).sort((a, b) => offers[b]!.amount - offers[a]!.amount || units[a]! - units[b]!);
  const search: CoverSearch = { amount, unit, slackMinor, patience, dearest: alone(amount, offers) + slackMinor };
  let partials: readonly Partial[] = [{ costMinor: 0, amount: 0, spentMinor: watched.map(() => 0), counts: offers.map(() => 0) }];
  for (const i of order) {
    if (patience.left < 0) return [];
    const offer = offers[i]!;
    const at = watched.indexOf(offer.shopId);
    const grown = partials.flatMap((partial) => [...withOffer(partial, { offer, i, at }, search)]);
    if (grown.length > MAX_AT_ONCE && patience.left < Infinity) patience.left = Math.min(patience.left, -1);
    else partials = unbeaten(grown, amount);
  }
  if (patience.left < 0) return [];
  return partials
    .filter((one) => one.amount >= amount - TINY && one.costMinor <= search.dearest)
    .map(({ costMinor, amount: held, spentMinor, counts }) => ({ costMinor, left: Math.max(0, held - amount), spentMinor, counts }))
    .sort((a, b) => a.costMinor - b.costMinor || a.left - b.left);
}

/** What covers are looked for, and the dearest that is still worth anything: it falls as cheaper ones are found. */
interface CoverSearch {
  readonly amount: number;
  /** The cheapest that one unit is sold for. */
  readonly unit: number;
  readonly slackMinor: number;
  readonly patience: Patience;
  dearest: number;
}
/** A basket with every number of packages of one offer that may be worth it. @param at which of the watched shops it is from, −1 for none */
function* withOffer(
  partial: Partial,
  { offer, i, at }: { readonly offer: Offer; readonly i: number; readonly at: number },
  search: CoverSearch,
): Generator<Partial> {
  const { amount } = search;
  const lastStep = offer.steps.at(-1)?.fromCount ?? 0;
  const enough = Math.max(0, Math.ceil((amount - partial.amount) / offer.amount - TINY));
  // Beyond what is needed only a step of price or a shop that is watched is worth anything.
  const beyond = at >= 0 ? Infinity : Math.max(0, ...offer.steps.map(({ fromCount }) => fromCount));
  const most = Math.min(offer.stock ?? Infinity, Math.max(enough, beyond));
  for (let count = 0; count <= most; count++) {
    const added = count * (count === 0 ? 0 : priceAt(offer, count));
    const costMinor = partial.costMinor + added;
    const held = partial.amount + count * offer.amount;
    const least = costMinor + Math.max(0, amount - held) * search.unit;
    // Steps make a larger count cheaper at times, so one that is too dear ends nothing before the last step.
    if (least > search.dearest + 1e-6) {
      if (count >= lastStep) return;
      continue;
    }
    if (held >= amount - TINY) search.dearest = Math.min(search.dearest, costMinor + search.slackMinor);
    search.patience.left -= 1;
    yield {
      costMinor,
      amount: held,
      spentMinor: at < 0 ? partial.spentMinor : partial.spentMinor.with(at, partial.spentMinor[at]! + added),
      counts: count === 0 ? partial.counts : partial.counts.with(i, count),
    };
  }
}

/** Comparing more with one another would take longer than anybody waits. */
const MAX_AT_ONCE = 4_000;

/** What one offer alone would cost, the cheapest of them; without end where none has enough. */
const alone = (amount: number, offers: readonly Offer[]): number =>
  Math.min(
    ...offers.map((offer) => {
      const count = Math.ceil(amount / offer.amount - TINY);
      return count > (offer.stock ?? Infinity) ? Infinity : count * priceAt(offer, count);
    }),
  );

/** None beats another: for less money at least as much of it, and as much spent where that counts; for the same money and spending just as much of it. */
function unbeaten(partials: readonly Partial[], enough: number): readonly Partial[] {
  const sorted = [...partials].sort((a, b) => a.costMinor - b.costMinor || a.amount - b.amount);
  const kept: Partial[] = [];
  for (const one of sorted) {
    const isBeaten = kept.some((other) => {
      if (one.spentMinor.some((spent, i) => other.spentMinor[i]! < spent)) return false;
      if (other.costMinor < one.costMinor) return other.amount >= Math.min(one.amount, enough) - TINY;
      return other.amount === one.amount || (other.amount >= enough - TINY && one.amount >= other.amount);
    });
    if (!isBeaten) kept.push(one);
  }
  return kept;
}

import { listedBy } from '../../base/grouping';
import { type Cover, type Patience, coversOf } from './covers';
import { type Basket, type Offer, type Terms, type Want, basketOf, priceAt, unitPrices } from './offers';

/** The cheapest way to buy, and another that costs a little more. */
export interface LeastCost {
  readonly cheapest: Basket;
  /** No way costs less, and none that costs the same leaves less over. */
  readonly isProven: boolean;
  /** No way costs less than this. */
  readonly boundMinor: number;
  /** From fewer shops for a few per cent more; null where there is none. */
  readonly second: Basket | null;
  /** What no shop has enough of, and how much of it there is. */
  readonly unmet: readonly { readonly stockId: string; readonly amount: number; readonly most: number }[];
}

/** A second choice costs so much more at the most. */
const SECOND_SHARE = 0.05;
/** With more shops than this only the ones with the most to offer are looked at. */
const MAX_SHOPS = 10;

/** One want, its offers, and its best cover by the shops that may be bought from. */
interface Asked extends Want {
  readonly unitMinor: number;
  /** Offers by their place in the whole list. */
  readonly at: readonly number[];
  readonly shops: number;
}
/** Buying from some shops and no other. */
interface Choice {
  readonly shops: readonly Terms[];
  /** Shops as bits. */
  readonly set: number;
  readonly covers: readonly Cover[];
  /** No basket from these shops costs less; what the covers cost as they are, with what is sent for nothing by chance. */
  readonly leastMinor: number;
  readonly totalMinor: number;
  readonly leftMinor: number;
  /** Sent for nothing from so much on, and not reached as it is: all that couples one thing with another. */
  readonly near: readonly Terms[];
  /** All that send for nothing from so much on. */
  readonly thresholds: readonly Terms[];
}

/**
 * Everything that is wanted at the least money over all shops, packages, steps of price, deliveries and limited stock; of ways that cost the same the one that leaves least over.
 * What no shop has enough of is left out and told.
 * @source once it is settled which shops are bought from, and which of them send for nothing from so much on, each thing is bought for itself but for that: a knapsack of one cover for
 * each thing, by labels of money, spending and what is left over
 */
export function leastCost(wants: readonly Want[], shops: readonly Terms[], offers: readonly Offer[]): LeastCost {
  const selling = shops.filter(({ id }) => offers.some(({ shopId, stock }) => shopId === id && stock !== 0));
  const sellers = mostUseful(selling, offers);
  const bitOf = new Map(sellers.map(({ id }, i) => [id, 1 << i]));
  const here = offers.filter(({ stock, shopId }) => stock !== 0 && bitOf.has(shopId));
  const prices = unitPrices(here);
  const all = [...listedBy(wants, ({ stockId }) => stockId)].map(([stockId, own]): Asked => {
    const at = here.flatMap((offer, i) => (offer.stockId === stockId ? [i] : []));
    return {
      stockId,
      amount: own.reduce((sum, { amount }) => sum + amount, 0),
      unitMinor: prices.get(stockId) ?? 0,
      at,
      shops: at.reduce((set, i) => set | bitOf.get(here[i]!.shopId)!, 0),
    };
  });
  const unmet = all.flatMap(({ stockId, amount, at }) => {
    const most = at.reduce((sum, i) => sum + here[i]!.amount * (here[i]!.stock ?? Infinity), 0);
    return most < amount - 1e-9 ? [{ stockId, amount, most }] : [];
  });
  const asked = all.filter(({ stockId, amount }) => amount > 0 && unmet.every((other) => other.stockId !== stockId));
  const basket = (counts: readonly number[]): Basket => basketOf(asked, sellers, here, counts);
  if (asked.length === 0) return { cheapest: basket(here.map(() => 0)), isProven: true, boundMinor: 0, second: null, unmet };

  const choices = choicesOf(asked, sellers, here, bitOf);
  choices.sort((a, b) => a.totalMinor - b.totalMinor || a.leftMinor - b.leftMinor);
  let best = choices[0]!;
  // With shops left out nothing is known of what they could have done.
  let boundMinor = sellers.length === selling.length ? Infinity : 0;
  const field: Field = { asked, offers: here, bitOf, patience: { left: PATIENCE }, known: new Map() };
  for (const choice of choices)
    for (const reached of subsetsOf(choice.thresholds)) {
      const found = reaching(reached, choice, best, field);
      if (found === 'no-answer') boundMinor = Math.min(boundMinor, leastWith(reached, choice));
      else if (found !== null && isBetter(found, best)) best = found;
    }
  const counts = countsOf(best.covers, asked, here.length);
  const cheapest = basket(counts);
  return {
    cheapest,
    isProven: boundMinor >= cheapest.totalMinor,
    boundMinor: Math.min(boundMinor, cheapest.totalMinor),
    second: secondTo(cheapest, choices, (choice) => basket(countsOf(choice.covers, asked, here.length))),
    unmet,
  };
}

const isBetter = (a: Choice, b: Choice): boolean =>
  a.totalMinor < b.totalMinor || (a.totalMinor === b.totalMinor && a.leftMinor < b.leftMinor - 1e-6);

/** Of more shops than can be looked at together those that have the most. */
function mostUseful(shops: readonly Terms[], offers: readonly Offer[]): readonly Terms[] {
  const counts = new Map(shops.map(({ id }) => [id, offers.filter(({ shopId, stock }) => shopId === id && stock !== 0).length]));
  return shops.length <= MAX_SHOPS ? shops : [...shops].sort((a, b) => counts.get(b.id)! - counts.get(a.id)!).slice(0, MAX_SHOPS);
}

/** Every set of shops that has all of it, with each thing bought as cheap as can be from these. */
function choicesOf(
  asked: readonly Asked[],
  shops: readonly Terms[],
  offers: readonly Offer[],
  bitOf: ReadonlyMap<string, number>,
): Choice[] {
  const known = new Map<string, Cover | null>();
  const coverFrom = (want: Asked, set: number): Cover | null => {
    const key = `${want.stockId} ${want.shops & set}`;
    let cover = known.get(key);
    if (cover === undefined) {
      const at = want.at.filter((i) => (bitOf.get(offers[i]!.shopId)! & set) !== 0);
      const found =
        at.length === 0
          ? undefined
          : coversOf(
              want.amount,
              at.map((i) => offers[i]!),
              [],
              0,
            )[0];
      known.set(key, (cover = found === undefined ? null : { ...found, counts: spread(found.counts, at, want.at) }));
    }
    return cover;
  };
  const choices: Choice[] = [];
  for (let set = 1; set < 1 << shops.length; set++) {
    const covers: Cover[] = [];
    for (const want of asked) {
      const cover = coverFrom(want, set);
      if (cover === null) break;
      covers.push(cover);
    }
    if (covers.length < asked.length) continue;
    choices.push(
      chosen(
        set,
        shops.filter((_, i) => (set & (1 << i)) !== 0),
        covers,
        asked,
        offers,
      ),
    );
  }
  return choices;
}
/** Counts of some offers of a want as counts of all of its. */
const spread = (counts: readonly number[], at: readonly number[], all: readonly number[]): readonly number[] =>
  all.map((i) => counts[at.indexOf(i)] ?? 0);

function chosen(set: number, shops: readonly Terms[], covers: readonly Cover[], asked: readonly Asked[], offers: readonly Offer[]): Choice {
  const goods = covers.reduce((sum, { costMinor }) => sum + costMinor, 0);
  const spent = new Map<string, number>();
  for (const [w, { counts }] of covers.entries())
    for (const [j, count] of counts.entries()) {
      const offer = offers[asked[w]!.at[j]!]!;
      if (count > 0) spent.set(offer.shopId, (spent.get(offer.shopId) ?? 0) + count * priceAt(offer, count));
    }
  const isFree = ({ id, freeFromMinor }: Terms): boolean => freeFromMinor !== null && (spent.get(id) ?? 0) >= freeFromMinor;
  const sum = (list: readonly Terms[]): number => list.reduce((all, { deliveryMinor }) => all + deliveryMinor, 0);
  const thresholds = shops.filter(({ freeFromMinor, deliveryMinor }) => freeFromMinor !== null && deliveryMinor > 0);
  return {
    set,
    shops,
    covers,
    leastMinor: goods + sum(shops.filter((shop) => !thresholds.includes(shop))),
    totalMinor: goods + sum(shops.filter((shop) => spent.has(shop.id) && !isFree(shop))),
    leftMinor: covers.reduce((left, cover, w) => left + cover.left * asked[w]!.unitMinor, 0),
    near: thresholds.filter((shop) => !isFree(shop)),
    thresholds,
  };
}

const countsOf = (covers: readonly Cover[], asked: readonly Asked[], length: number): readonly number[] => {
  const counts = Array.from({ length }, () => 0);
  for (const [w, cover] of covers.entries()) for (const [j, count] of cover.counts.entries()) counts[asked[w]!.at[j]!] = count;
  return counts;
};

/** Looked at in all before it is said that nothing is proven. */
const PATIENCE = 40_000;

/** Every set of some shops but the empty one, small ones first. */
function subsetsOf(shops: readonly Terms[]): readonly (readonly Terms[])[] {
  const sets = Array.from({ length: (1 << shops.length) - 1 }, (_, n) => shops.filter((_shop, i) => ((n + 1) & (1 << i)) !== 0));
  return sets.sort((a, b) => a.length - b.length);
}

/** No basket of a choice that reaches some shops and pays the others costs less. */
const leastWith = (reached: readonly Terms[], { thresholds, leastMinor }: Choice): number =>
  thresholds.reduce((sum, shop) => sum + (reached.includes(shop) ? 0 : shop.deliveryMinor), leastMinor);

interface Field {
  readonly asked: readonly Asked[];
  readonly offers: readonly Offer[];
  readonly bitOf: ReadonlyMap<string, number>;
  readonly patience: Patience;
  /** Covers by all that they depend on. */
  readonly known: Map<string, readonly Cover[]>;
}
/** Covers of the things looked at so far. */
interface Label {
  /** More than with the cheapest cover of each. */
  readonly moreMinor: number;
  /** What is spent at each shop that is to be reached, up to what reaches it. */
  readonly spentMinor: readonly number[];
  readonly leftMinor: number;
  readonly cover: Cover | null;
  readonly before: Label | null;
}

/**
 * From the shops of a choice, with so much spent at some of them that they send for nothing while the others are paid.
 * @returns null where that is no better than the best so far
 */
function reaching(reached: readonly Terms[], choice: Choice, best: Choice, field: Field): Choice | 'no-answer' | null {
  const slack = best.totalMinor - leastWith(reached, choice);
  // As they are they reach it: that is the choice itself.
  if (slack < 0 || reached.every((shop) => !choice.near.includes(shop))) return null;
  // What one of them alone cannot be reached for, all of them cannot.
  if (reached.length > 1)
    for (const shop of reached) {
      const alone = labelFor([shop], slack, choice, field);
      if (alone === null || alone === 'no-answer') return alone;
    }
  const label = labelFor(reached, slack, choice, field);
  if (label === null || label === 'no-answer') return label;
  const taken: Cover[] = [];
  for (let own: Label | null = label; own?.cover != null; own = own.before) taken.push(own.cover);
  return chosen(choice.set, choice.shops, taken.reverse(), field.asked, field.offers);
}

/** The cheapest covers with which some shops of a choice are reached; null where that costs more than there is to win. */
function labelFor(
  reached: readonly Terms[],
  slack: number,
  choice: Choice,
  { asked, offers, bitOf, patience, known }: Field,
): Label | 'no-answer' | null {
  const covers: (readonly Cover[])[] = [];
  for (const want of asked) {
    const watched = reached.map(({ id }) => ((bitOf.get(id)! & want.shops) === 0 ? '' : id)).join();
    const key = `${want.stockId} ${want.shops & choice.set} ${slack} ${watched}`;
    let found = known.get(key);
    if (found === undefined) {
      const at = want.at.filter((i) => (bitOf.get(offers[i]!.shopId)! & choice.set) !== 0);
      const own = at.map((i) => offers[i]!);
      const ids = reached.map(({ id }) => id);
      found = coversOf(want.amount, own, ids, slack, patience).map((cover) => ({ ...cover, counts: spread(cover.counts, at, want.at) }));
      known.set(key, found);
    }
    if (found.length === 0) return 'no-answer';
    covers.push(found);
  }
  return cheapestReach(covers, asked, reached, slack, patience);
}

/** One cover of each thing, so that all shops are reached, for the least money and then with the least left over. */
function cheapestReach(
  covers: readonly (readonly Cover[])[],
  asked: readonly Asked[],
  reached: readonly Terms[],
  slack: number,
  patience: Patience,
): Label | 'no-answer' | null {
  const targets = reached.map(({ freeFromMinor }) => freeFromMinor!);
  // The most that the things still to come can add at each shop.
  const still = targets.map(() => [0]);
  for (const own of [...covers].reverse())
    for (const [s, sums] of still.entries()) sums.unshift(sums[0]! + Math.max(...own.map(({ spentMinor }) => spentMinor[s]!)));
  let labels: readonly Label[] = [{ moreMinor: 0, spentMinor: targets.map(() => 0), leftMinor: 0, cover: null, before: null }];
  for (const [w, own] of covers.entries()) {
    const grown: Label[] = [];
    for (const before of labels)
      for (const cover of own) {
        const moreMinor = before.moreMinor + cover.costMinor - own[0]!.costMinor;
        if (moreMinor > slack) break;
        const spentMinor = before.spentMinor.map((spent, s) => Math.min(targets[s]!, spent + cover.spentMinor[s]!));
        if (spentMinor.some((spent, s) => spent + still[s]![w + 1]! < targets[s]!)) continue;
        grown.push({ moreMinor, spentMinor, leftMinor: before.leftMinor + cover.left * asked[w]!.unitMinor, cover, before });
      }
    patience.left -= grown.length;
    if (patience.left < 0) return 'no-answer';
    labels = targets.length === 1 ? unbeatenByOne(grown) : unbeatenByAll(grown);
    if (labels.length === 0) return null;
  }
  return labels.reduce((a, b) => (b.moreMinor < a.moreMinor || (b.moreMinor === a.moreMinor && b.leftMinor < a.leftMinor) ? b : a));
}

const byMoney = (a: Label, b: Label): number =>
  a.moreMinor - b.moreMinor || b.spentMinor[0]! - a.spentMinor[0]! || a.leftMinor - b.leftMinor;
/** For less money at least as much spent beats; for the same money only with no more left over. With one shop one walk finds them. */
function unbeatenByOne(labels: Label[]): readonly Label[] {
  labels.sort(byMoney);
  const kept: Label[] = [];
  // The most spent for less money than what is looked at, and the least left over for the same.
  let [mostBefore, money, most, least] = [-1, -1, -1, Infinity];
  for (const label of labels) {
    const spent = label.spentMinor[0]!;
    if (label.moreMinor !== money) [mostBefore, money, most, least] = [Math.max(mostBefore, most), label.moreMinor, -1, Infinity];
    if (spent <= mostBefore || label.leftMinor >= least) continue;
    kept.push(label);
    [most, least] = [Math.max(most, spent), label.leftMinor];
  }
  return kept;
}
function unbeatenByAll(labels: Label[]): readonly Label[] {
  labels.sort(byMoney);
  const kept: Label[] = [];
  for (const label of labels) {
    const isBeaten = kept.some(
      (other) =>
        other.spentMinor.every((spent, s) => spent >= label.spentMinor[s]!) &&
        (other.moreMinor < label.moreMinor || other.leftMinor <= label.leftMinor),
    );
    if (!isBeaten) kept.push(label);
  }
  return kept;
}

/** From fewer shops, for a few per cent more: the fewest, and of these the cheapest. */
function secondTo(cheapest: Basket, choices: readonly Choice[], basket: (choice: Choice) => Basket): Basket | null {
  const most = cheapest.totalMinor * (1 + SECOND_SHARE);
  const fewer = choices
    .filter(({ totalMinor, shops }) => totalMinor <= most && shops.length < cheapest.deliveries.length)
    .sort((a, b) => a.shops.length - b.shops.length || a.totalMinor - b.totalMinor)[0];
  return fewer === undefined ? null : basket(fewer);
}

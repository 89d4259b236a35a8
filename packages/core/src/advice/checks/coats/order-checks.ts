import { type Catalogue, coatingBy } from '../../../catalogue';
import { type Coat, plainCoat } from '../../../plan';
import { type DryingPlaces, coatWaits } from '../../../schedule/drying';
import type { QuickFix, Warning } from '../warning';
import { type CoatList, type Told, changed, freshId, hurtBySolvent, movedTo, told } from './coat-list';

interface OrderInputs {
  readonly spots: DryingPlaces;
  readonly catalogue: Catalogue;
}
type Found = Pick<Warning, 'code' | 'severity' | 'text' | 'mends'> & { readonly key: string };

/** Coats in an order or at a time that spoils them, list by list. What is more than a matter of order is said for itself. @source craft.md §6, §7, and what goes wrong today */
export function* orderWarnings(list: CoatList, inputs: OrderInputs): Generator<Warning> {
  const coats = told(list, inputs.catalogue);
  const found = [...wetAndDry(list, coats, inputs), ...unsealed(list, coats, inputs)];
  // One coat in the wrong place is told as what it spoils; a list that is out of order altogether is sorted.
  const steps = coats.filter(({ method }, i) => i > 0 && method.rank < coats[i - 1]!.method.rank).length;
  const order = steps > 1 ? [] : [...spoilt(list, coats)];
  const isMoved = found.some(({ code }) => code === 'coats/set-hard');
  for (const { key, ...rest } of [...found, ...(order.length > 0 ? order : isMoved ? [] : outOfRank(list, coats))])
    yield { ...rest, id: `${rest.code} ${list.id} ${key}`.trim(), featureId: null, title: list.name };
}
const lower = ({ coating, method }: Told): string => `${coating.name.toLowerCase()} (${method.name})`;
const mend = (list: CoatList, label: string, coats: readonly Coat[]): QuickFix => ({ label, edit: list.put(coats) });

const sorted = (coats: readonly Told[]): readonly Coat[] =>
  [...coats].sort((a, b) => a.method.rank - b.method.rank).map(({ coat }) => coat);

/** Dirty and wet work after fine work. */
function* outOfRank(list: CoatList, coats: readonly Told[]): Generator<Found> {
  const at = coats.findIndex(({ method }, i) => i > 0 && method.rank < coats[i - 1]!.method.rank);
  if (at < 0) return;
  yield {
    key: '',
    code: 'coats/order',
    severity: 'care',
    text: [
      `has coats out of order: ${lower(coats[at]!)} comes after ${lower(coats[at - 1]!)}. A dirty or wet step would spoil the finer coat before it.`,
    ],
    mends: [mend(list, 'Sort the coats', sorted(coats))],
  };
}

/** What wants to go onto wet, dry or cured ground, and does not find it. */
function* wetAndDry(list: CoatList, coats: readonly Told[], inputs: OrderInputs): Generator<Found> {
  for (const [i, { coat, method }] of coats.entries()) {
    const found =
      method.onto === 'wet'
        ? setHard(list, coats, i)
        : method.onto === 'cured' && coat.before !== 'cured'
          ? uncured(list, coats, i, inputs)
          : (method.onto === 'dry' || method.onto === 'firm') && coat.before === 'wet'
            ? damp(list, coats, i)
            : null;
    if (found !== null) yield found;
  }
}

/** What is pressed into a wet coat comes too late, or finds none. */
function setHard(list: CoatList, coats: readonly Told[], i: number): Found | null {
  const { coat, coating } = coats[i]!;
  const common = { key: coat.id, code: 'coats/set-hard', severity: 'care' } as const;
  const holder = holding(coats, i);
  if (holder < 0 || (holder !== i - 1 && coat.before !== 'wet')) {
    const between = i > 0 ? `: ${lower(coats[i - 1]!)} comes between` : '';
    return { ...common, text: [`${coating.name} has no wet coat to stick to${between}.`], mends: [toAWetCoat(list, coats, i)] };
  }
  if (coat.before === 'wet') return null;
  return {
    ...common,
    text: [
      `${coating.name} is applied after ${lower(coats[holder]!)} has set, so it would lie loose on top. Press it in while that coat is workable.`,
    ],
    mends: [mend(list, 'Press it in while it is wet', changed(list.coats, i, { before: 'wet' }))],
  };
}
/** Moves it after the last coat before it that stays workable, or the first after it; removes it where there is none. */
function toAWetCoat(list: CoatList, coats: readonly Told[], i: number): QuickFix {
  const isWorkable = ({ coating: { workableMin } }: Told): boolean => workableMin !== null;
  const before = coats.slice(0, i).map(isWorkable).lastIndexOf(true);
  const to = before >= 0 ? before : coats.findIndex(isWorkable);
  if (to < 0)
    return mend(
      list,
      'Remove it',
      list.coats.filter((_, j) => j !== i),
    );
  return mend(
    list,
    `Move it directly after ${coats[to]!.coating.name.toLowerCase()}, while that is wet`,
    changed(movedTo(list.coats, i, to + 1), to < i ? to + 1 : to, { before: 'wet' }),
  );
}

function uncured(list: CoatList, coats: readonly Told[], i: number, { spots, catalogue }: OrderInputs): Found | null {
  const isOnPaint = coats.slice(0, i).some(({ coating: { family } }) => family === 'paint' || family === 'varnish');
  if (!isOnPaint) return null;
  const { coat, coating } = coats[i]!;
  const under = coats[i - 1]!;
  const cure = coatWaits(under.coating, null, spots.usual, catalogue).cure.usual;
  return {
    key: coat.id,
    code: 'coats/uncured',
    severity: 'care',
    text: [
      `${coating.name} on ${lower(under)} pulls it off if it has not cured: `,
      ...(cure === null ? ['it never cures in these conditions.'] : ['curing takes ', cure, '.']),
    ],
    mends: [mend(list, 'Wait until it is cured', changed(list.coats, i, { before: 'cured' }))],
  };
}

function damp(list: CoatList, coats: readonly Told[], i: number): Found {
  const { coat, coating, method } = coats[i]!;
  return {
    key: coat.id,
    code: 'coats/damp',
    severity: 'care',
    text: [
      `${coating.name} (${method.name}) is applied while ${i === 0 ? 'the ground' : lower(coats[i - 1]!)} is still wet. It smears and lifts the coat below.`,
    ],
    mends: [mend(list, 'Let it dry first', changed(list.coats, i, { before: 'dry' }))],
  };
}

/** The coat that is still wet under another: the last paste before it with nothing but wet-in-wet between; −1 for none. */
function holding(coats: readonly Told[], index: number): number {
  for (let i = index - 1; i >= 0; i--) {
    if (coats[i]!.coating.workableMin !== null) return i;
    if (coats[i]!.coat.before !== 'wet') return -1;
  }
  return -1;
}

/** What a later coat spoils for good. */
function* spoilt(list: CoatList, coats: readonly Told[]): Generator<Found> {
  const last = (is: (one: Told) => boolean): number => coats.map(is).lastIndexOf(true);
  const first = (is: (one: Told) => boolean): number => coats.findIndex(is);
  const parts = last(({ method: { does } }) => does === 'embed' || does === 'grain' || does === 'paste');
  const wash = first(({ method: { does } }) => does === 'wash');
  // What floats on a pour is meant to come last.
  if (wash >= 0 && wash < parts && coats[parts]!.method.rank < coats[wash]!.method.rank) {
    yield {
      key: coats[wash]!.coat.id,
      code: 'coats/wash-early',
      severity: 'care',
      text: [`${lower(coats[wash]!)} comes before ${lower(coats[parts]!)}. Parts added later get no wash.`],
      mends: [mend(list, 'Move the wash after all parts', sorted(coats))],
    };
  }
  const bare = first(({ coating: { staysBare } }) => staysBare);
  const over = last(({ method: { does } }) => does === 'colour' || does === 'wash');
  if (bare >= 0 && over > bare) {
    const isSpray = coats[over]!.method.isSpray;
    const isPlanted = coats[bare]!.method.does === 'plant';
    const sprayed = isSpray && isPlanted;
    yield {
      key: coats[over]!.coat.id,
      code: sprayed ? 'coats/spray-on-plants' : 'coats/over-bare',
      severity: 'care',
      text: sprayed
        ? [`${lower(coats[over]!)} comes after ${lower(coats[bare]!)}, so it settles on the plants.`]
        : [`${lower(coats[over]!)} is applied over ${lower(coats[bare]!)}, which should stay uncoated.`],
      mends: [mend(list, sprayed ? 'Plant after the last spray' : 'Colour first', movedTo(list.coats, over, bare))],
    };
  }
}

/** Solvent on foam that nothing covers yet, and a pour on a bed that nothing seals. */
function* unsealed(list: CoatList, coats: readonly Told[], { catalogue }: OrderInputs): Generator<Found> {
  const isSealed = (before: number): boolean => coats.slice(0, before).some(({ coating: { seals, hasSolvent } }) => seals && !hasSolvent);
  const hurt = hurtBySolvent(list, catalogue);
  const solvent = coats.findIndex(({ coating: { hasSolvent } }) => hasSolvent);
  if (solvent >= 0 && hurt.length > 0 && !isSealed(solvent)) {
    yield {
      key: '',
      code: 'coats/solvent',
      severity: 'stop',
      text: [`${coats[solvent]!.coating.name} dissolves bare ${hurt[0]!}. Cover the foam first with a coat that has no solvent.`],
      mends: sealFirst(list, solvent, catalogue),
    };
  }
  const pour = coats.findIndex(({ coating: { spread } }) => spread.by === 'depth');
  if (pour >= 0 && list.basins.length > 0 && !isSealed(pour)) {
    yield {
      key: '',
      code: 'coats/unsealed-pour',
      severity: 'stop',
      text: [`${coats[pour]!.coating.name} is poured before the bed and banks are sealed. It leaks through every gap.`],
      mends: sealFirst(list, pour, catalogue),
    };
  }
}

/** A sealing coat of the list's own put before a coat, or the usual one. */
function sealFirst(list: CoatList, before: number, catalogue: Catalogue): readonly QuickFix[] {
  const own = list.coats.findIndex(({ coatingId }) => isSealer(coatingId, catalogue));
  if (own >= 0)
    return [
      mend(list, `${coatingBy(catalogue, list.coats[own]!.coatingId).name} first`, movedTo(list.coats, own, own < before ? before : 0)),
    ];
  const use = catalogue.starter.surfaces.flatMap(({ coats }) => coats).find(({ coatingId }) => isSealer(coatingId, catalogue));
  if (use === undefined) return [];
  const coat = plainCoat(use);
  const sealer = { ...coat, id: freshId(list.coats, coat.id) };
  return [mend(list, `${coatingBy(catalogue, use.coatingId).name} first`, list.coats.toSpliced(before, 0, sealer))];
}
const isSealer = (coatingId: string, catalogue: Catalogue): boolean => {
  const { family, hasSolvent, seals } = coatingBy(catalogue, coatingId);
  return family === 'sealer' && seals && !hasSolvent;
};

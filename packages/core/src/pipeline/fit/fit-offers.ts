import type { Catalogue } from '../../catalogue';
import { isPieceOf } from '../../build/cutting/parts';
import type { CutJob } from '../../build/cutting/job';
import { totalSheets } from '../../build/cutting';
import { type Figure, calculate, given } from '../../base/units';
import type { Plan } from '../../plan';
import { type Edit, appliedTo } from '../../plan/edits';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import type { Derivation } from '../derive';
import { derivePipeline } from '../full';
import { MAX_CHANGE_MM, breakpointsMm } from './breakpoints';
import { type FitChange, type Shrink, allowanceShrinks, cuttingChanges, tileShrinks } from './changes';

/** A small change of the plan that saves sheets, derived in full. */
export interface FitOffer {
  readonly id: string;
  readonly edit: Edit;
  readonly label: string;
  readonly says: string;
  /** New sheets with it. */
  readonly sheets: Figure<'1'>;
  /** Parts that are glued of several with it, and are not now. */
  readonly joints: Figure<'1'>;
  /** What is saved; below none where it costs more. */
  readonly sheetsSaved: Figure<'1'>;
  readonly costSaved: Figure<'money'>;
  readonly workSaved: Figure<'min'>;
  readonly massSaved: Figure<'g'>;
}
export interface FitProgress {
  readonly offers: readonly FitOffer[];
  readonly done: number;
  readonly of: number;
}

/** More offers than these are no advice. */
const MAX_OFFERS = 6;
/** Cheaper by less than this is no reason to change a plan, in minor units. */
const MIN_SAVED_MINOR = 1;

/**
 * Small changes of a plan that need fewer sheets or less money for them, each derived in full, the most saved first: tiles up to 30 mm smaller, the trim, another
 * tool's kerf, one size of sheet with joints, a smaller allowance. Sizes are tried where one more part goes on a sheet, see {@link breakpointsMm}; where joints may
 * save sheets parts are halved anywhere, so that every millimetre, or sixteenth of an inch, may do.
 * Yields after each change that was tried; no offer at the end says that none of them helps.
 */
export function* fitOffersOf(
  plan: Plan,
  catalogue: Catalogue,
  shop: WorkshopState = EMPTY_WORKSHOP,
): Generator<FitProgress, readonly FitOffer[], void> {
  const derive = derivePipeline();
  const after = (edit: Edit): Derivation => derive(appliedTo(plan, edit), catalogue, shop);
  const jobsAfter = (edit: Edit): readonly CutJob[] => after(edit).jobs;
  let [done, of] = [0, 1];
  let offers: readonly FitOffer[] = [];
  const progress = (): FitProgress => ({ offers, done, of });
  yield progress();
  const own = derive(plan, catalogue, shop);
  const now = countsOf(own.jobs, plan);
  const single = cuttingChanges(plan, own.jobs, catalogue);
  const isSaving = plan.cutting.joints === 'saving';
  const isLight = own.jobs.reduce((sum, { parts }) => sum + parts.length, 0) <= MAX_LIGHT_PARTS[isSaving ? 'saving' : 'laid'];
  const helping: Helping[] = [];
  const stepMm = STEP_MM[plan.units];
  const tried = (change: FitChange): Helping => ({ change, counts: countsOf(jobsAfter(change.edit), plan) });
  const sizes = [...tileShrinks(plan), ...allowanceShrinks(plan)].map((shrink): Sizes => {
    const every = Array.from({ length: Math.floor(MAX_CHANGE_MM / stepMm) }, (_, i) => (i + 1) * stepMm);
    const toTry = isSaving ? every : sizesToTry(shrink, own.jobs, jobsAfter, stepMm);
    return { atMm: toTry.filter((mm) => shrink.by(mm) !== null), tryAt: eachOnce((mm) => tried(shrink.by(mm)!)) };
  });
  of = single.length + sizes.reduce((sum, { atMm }) => sum + atMm.length, 1);
  yield progress();
  const looked = function* (found: Iterable<Helping | null>): Generator<FitProgress> {
    for (const one of found) {
      if (one !== null) helping.push(one);
      done++;
      yield progress();
    }
  };
  yield* looked(mostSaving(sizes, now));
  const [best] = chosen(helping);
  if (best !== undefined) offers = [offerOf(best.change, own, after(best.change.edit))];
  yield progress();
  for (const change of single) {
    const one = tried(change);
    yield* looked([isFewer(one.counts, now) ? one : null]);
  }
  // What joints save does not quite follow the size: on a board where that is soon done every size is looked at.
  for (const one of sizes) yield* looked(isLight ? allThatHelp(one, now) : leastThatHelp(one, now));
  const all: FitOffer[] = [];
  of = done + MAX_OFFERS;
  for (const { change } of chosen(helping)) {
    all.push(offerOf(change, own, after(change.edit)));
    offers = [...all];
    yield progress();
  }
  return all;
}

/** What sizes are told in: a millimetre, or a sixteenth of an inch. */
const STEP_MM: Readonly<Record<Plan['units'], number>> = { metric: 1, imperial: 25.4 / 16 };
/** Boards of so many parts are tried at every size; larger ones are searched by halves. More where something is shown before that. */
const MAX_LIGHT_PARTS = { laid: 30, saving: 60 } as const;
function eachOnce<T>(of: (mm: number) => T): (mm: number) => T {
  const known = new Map<number, T>();
  return (mm) => {
    const one = known.get(mm) ?? of(mm);
    known.set(mm, one);
    return one;
  };
}

/** A size that can be made smaller: by how much in order, and what that comes to. */
interface Sizes {
  readonly atMm: readonly number[];
  readonly tryAt: (mm: number) => Helping;
}

/** From the least change on; a greater one has to save more. Yields null for a size that does not. */
function* allThatHelp({ atMm, tryAt }: Sizes, now: Counts): Generator<Helping | null> {
  let best = now;
  for (const mm of atMm) {
    const tried = tryAt(mm);
    const helps = isFewer(tried.counts, best);
    if (helps) best = tried.counts;
    yield helps ? tried : null;
  }
}

const helpsAtMost = ({ atMm, tryAt }: Sizes, now: Counts): boolean => atMm.length > 0 && isFewer(tryAt(atMm.at(-1)!).counts, now);

/** Of the sizes whose greatest change saves the most, the least change that saves as much. Yields null while it looks. */
function* mostSaving(sizes: readonly Sizes[], now: Counts): Generator<Helping | null> {
  const found: { readonly size: Sizes; readonly most: Helping }[] = [];
  for (const size of sizes) {
    if (helpsAtMost(size, now)) found.push({ size, most: size.tryAt(size.atMm.at(-1)!) });
    yield null;
  }
  const best = found.toSorted((a, b) => bySaved(a.most, b.most))[0];
  if (best !== undefined) yield* leastBy(best.size, (counts) => !isFewer(best.most.counts, counts));
}

/** The least change that saves as much as the greatest, and the least that saves at all: a smaller size seldom costs more. Yields null while it looks. */
function* leastThatHelp(size: Sizes, now: Counts): Generator<Helping | null> {
  if (size.atMm.length === 0) return;
  yield null;
  if (!helpsAtMost(size, now)) return;
  const most = size.tryAt(size.atMm.at(-1)!);
  yield* leastBy(size, (counts) => !isFewer(most.counts, counts));
  yield* leastBy(size, (counts) => isFewer(counts, now));
}
/** The least change that is enough, by halves; the greatest is. Yields null while it looks. */
function* leastBy({ atMm, tryAt }: Sizes, isEnough: (counts: Counts) => boolean): Generator<Helping | null> {
  let [low, high] = [0, atMm.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isEnough(tryAt(atMm[middle]!).counts)) high = middle;
    else low = middle + 1;
    yield null;
  }
  yield tryAt(atMm[high]!);
}

/** What a plan's sheets come to, by its own aim first. */
interface Counts {
  readonly first: number;
  readonly second: number;
  /** Parts that are glued of several. */
  readonly joints: number;
}
interface Helping {
  readonly change: FitChange;
  readonly counts: Counts;
}
function countsOf(jobs: readonly CutJob[], { cutting }: Plan): Counts {
  const [minor, sheets] = [
    jobs.reduce((sum, { cost }) => sum + cost.value, 0),
    jobs.reduce((sum, { sheetCount }) => sum + sheetCount.value, 0),
  ];
  // A part that goes on no sheet costs nothing: no saving.
  const isWhole = jobs.every(({ layout }) => layout.tooLarge.length === 0);
  if (!isWhole) return { first: Infinity, second: Infinity, joints: Infinity };
  const joints = jointedIn(jobs);
  return cutting.aim === 'cheapest' ? { first: minor, second: sheets, joints } : { first: sheets, second: minor, joints };
}
const isFewer = (a: Counts, b: Counts): boolean => {
  if (a.first !== b.first) return a.first <= b.first - MIN_SAVED_MINOR;
  return a.second === b.second ? a.joints < b.joints : a.second <= b.second - MIN_SAVED_MINOR;
};

const bySaved = ({ counts: a }: Helping, { counts: b }: Helping): number => a.first - b.first || a.second - b.second || a.joints - b.joints;
/** The most saved first; where two save alike the one tried first, which changes less. */
const chosen = (helping: readonly Helping[]): readonly Helping[] =>
  [...new Map(helping.map((one) => [one.change.id, one])).values()].toSorted(bySaved).slice(0, MAX_OFFERS);

/** Sizes at which something may change. */
function sizesToTry(
  shrink: Shrink,
  jobs: readonly CutJob[],
  jobsAfter: (edit: Edit) => readonly CutJob[],
  stepMm: number,
): readonly number[] {
  const one = shrink.by(1);
  return one === null ? [] : breakpointsMm(jobs, jobsAfter(one.edit), stepMm);
}

function offerOf({ id, edit, label, says }: FitChange, own: Derivation, other: Derivation): FitOffer {
  const saved = <U extends 'money' | 'min' | 'g' | '1'>(what: string, before: Figure<U>, then: Figure<U>): Figure<U> =>
    calculate(`${label}: ${what} saved`, before.unit, before, '−', then);
  const sheets = totalSheets(other.jobs);
  return {
    id,
    edit,
    label,
    says,
    sheets,
    joints: given(`${label}: parts more with joints`, jointedIn(other.jobs) - jointedIn(own.jobs), '1', 'layout', 'glued edge to edge'),
    sheetsSaved: saved('sheets', totalSheets(own.jobs), sheets),
    costSaved: saved('money', own.tally.cost, other.tally.cost),
    workSaved: saved('work', own.tally.handsOn, other.tally.handsOn),
    massSaved: saved('mass', own.tally.mass, other.tally.mass),
  };
}

const jointedIn = (jobs: readonly CutJob[]): number =>
  new Set(jobs.flatMap(({ parts }) => parts.filter(isPieceOf).map(({ wholeId }) => wholeId))).size;

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
import { breakpointsMm } from './breakpoints';
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
 * tool's kerf, one size of sheet with joints, a smaller allowance. Sizes are tried where one more part goes on a sheet: see {@link breakpointsMm}.
 * Yields after each change that was tried; no offer at the end says that none of them helps.
 */
export function* fitOffersOf(
  plan: Plan,
  catalogue: Catalogue,
  shop: WorkshopState = EMPTY_WORKSHOP,
): Generator<FitProgress, readonly FitOffer[], void> {
  const derive = derivePipeline();
  const after = (edit: Edit): Derivation => derive(appliedTo(plan, edit), catalogue, shop);
  // A size that only helps with more joints is no advice: sizes are tried without those that save sheets, which also takes a small part of the time.
  const plain = plan.cutting.joints === 'saving' ? { ...plan, cutting: { ...plan.cutting, joints: 'laid' as const } } : plan;
  const jobsAfter = (edit: Edit): readonly CutJob[] => derive(appliedTo(plain, edit), catalogue, shop).jobs;
  const progress = (): FitProgress => ({ offers: [], done, of });
  let [done, of] = [0, 1];
  yield progress();
  const own = derive(plan, catalogue, shop);
  const now = countsOf(own.jobs, plan);
  const plainJobs = plain === plan ? own.jobs : derive(plain, catalogue, shop).jobs;
  const single = cuttingChanges(plan, own.jobs, catalogue);
  of = single.length + 1;
  yield progress();
  const helping: Helping[] = [];
  for (const change of single) {
    const counts = countsOf(jobsAfter(change.edit), plan);
    if (isFewer(counts, now)) helping.push({ change, counts });
    done++;
    yield progress();
  }
  const isLight = own.jobs.reduce((sum, { parts }) => sum + parts.length, 0) <= MAX_LIGHT_PARTS;
  for (const shrink of [...tileShrinks(plan), ...allowanceShrinks(plan)]) {
    const atMm = sizesToTry(shrink, plainJobs, jobsAfter);
    of += atMm.length;
    const tryAt = (mm: number): Helping => {
      const change = shrink.by(mm)!;
      return { change, counts: countsOf(jobsAfter(change.edit), plan) };
    };
    for (const found of isLight ? allThatHelp(atMm, tryAt, now) : leastThatHelp(atMm, tryAt, now)) {
      if (found !== null) helping.push(found);
      done++;
      yield progress();
    }
  }
  const offers: FitOffer[] = [];
  for (const { change } of chosen(helping)) {
    offers.push(offerOf(change, own, after(change.edit)));
    yield { offers: [...offers], done, of: done + MAX_OFFERS };
  }
  return offers;
}

/** Boards of so many parts are tried at every breakpoint; larger ones are searched by halves. */
const MAX_LIGHT_PARTS = 30;
type TryAt = (mm: number) => Helping;

/** From the least change on; a greater one has to save more. Yields null for a size that does not. */
function* allThatHelp(atMm: readonly number[], tryAt: TryAt, now: Counts): Generator<Helping | null> {
  let best = now;
  for (const mm of atMm) {
    const tried = tryAt(mm);
    const helps = isFewer(tried.counts, best);
    if (helps) best = tried.counts;
    yield helps ? tried : null;
  }
}

/** The least change that saves as much as the greatest, and the least that saves at all, by halves: a smaller size seldom costs more. Yields null while it looks. */
function* leastThatHelp(atMm: readonly number[], tryAt: TryAt, now: Counts): Generator<Helping | null> {
  const largest = atMm.at(-1);
  if (largest === undefined) return;
  const most = tryAt(largest);
  yield null;
  if (!isFewer(most.counts, now)) return;
  let upTo = atMm.length - 1;
  for (const isEnough of [(counts: Counts) => !isFewer(most.counts, counts), (counts: Counts) => isFewer(counts, now)]) {
    let best: Helping | null = null;
    let [low, high] = [0, upTo];
    while (low < high) {
      const middle = (low + high) >> 1;
      const tried = tryAt(atMm[middle]!);
      if (isEnough(tried.counts)) [high, best] = [middle, tried];
      else low = middle + 1;
      yield null;
    }
    upTo = high;
    yield best ?? tryAt(atMm[high]!);
  }
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

/** The most saved first; where two save alike the one tried first, which changes less. */
const chosen = (helping: readonly Helping[]): readonly Helping[] =>
  [...new Map(helping.map((one) => [one.change.id, one])).values()]
    .toSorted((a, b) => a.counts.first - b.counts.first || a.counts.second - b.counts.second || a.counts.joints - b.counts.joints)
    .slice(0, MAX_OFFERS);

/** Sizes at which something may change, and none beyond what the plan allows. */
function sizesToTry(shrink: Shrink, jobs: readonly CutJob[], jobsAfter: (edit: Edit) => readonly CutJob[]): readonly number[] {
  const one = shrink.by(1);
  return one === null ? [] : breakpointsMm(jobs, jobsAfter(one.edit)).filter((mm) => shrink.by(mm) !== null);
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

import type { Feature } from '../features';
import { LIMITS, MAX_FEATURES } from '../fields';
import { same } from '../same';
import type { Plan, SavedLayout } from '../plan';

/** Two plans that grew from one, put together; `clashes` names what both changed, each in its own way. */
export interface Merged {
  readonly plan: Plan;
  readonly clashes: readonly string[];
  /** More features than a plan may hold; null where they fit. */
  readonly tooMany: TooMany | null;
}
/** What both sides have added is together too much: some of it must be left out, and which is for the builder to say. */
export interface TooMany {
  readonly count: number;
  readonly most: number;
  /** How many must go yet; none where enough are left out. */
  readonly over: number;
  readonly added: readonly { readonly id: string; readonly name: string; readonly by: 'mine' | 'theirs' }[];
}
type PickSide = <T>(what: string, was: T | undefined, my: T, their: T) => T;

/**
 * Three-way merge. Features are merged one by one by id, the cutting by job and by part, the calendar by entry and by task, all else by top-level part. Where both sides changed the same
 * thing differently, mine stays in the merged plan and the clash is named.
 * @param base the plan both grew from; null where it is no longer to be had: then all that differs is a clash, and nothing that either side has is dropped
 * @param leftOut ids of added features that are not taken over
 */
export function mergePlans(base: Plan | null, mine: Plan, theirs: Plan, leftOut: ReadonlySet<string> = new Set()): Merged {
  const clashes: string[] = [];
  const pick: PickSide = (what, was, my, their) => {
    if (same(my, their) || same(was, their)) return my;
    if (same(was, my)) return their;
    clashes.push(what);
    return my;
  };
  const was = base ?? NOTHING;
  const parts = (Object.keys(mine) as (keyof Plan)[]).filter((key) => !(key in NOTHING));
  const merged = Object.fromEntries(parts.map((key) => [key, pick(key, base?.[key], mine[key], theirs[key])]));
  const all = mergedById({
    was: was.features,
    my: mine.features,
    their: theirs.features,
    idOf: ({ id }: Feature) => id,
    nameOf: ({ name }) => name,
    pick,
  });
  const added = addedTo(was.features, mine.features, theirs.features);
  const features = all.filter(({ id }) => !(leftOut.has(id) && added.some((one) => one.id === id)));
  return {
    plan: {
      ...placed(merged as Plan),
      features,
      surfaces: mergedSurfaces(was.surfaces, mine.surfaces, theirs.surfaces, pick),
      pieces: mergedPieces(was.pieces, mine.pieces, theirs.pieces, pick),
      cutting: mergedCutting(was.cutting, mine.cutting, theirs.cutting, pick),
      mends: mergedById({ was: was.mends, my: mine.mends, their: theirs.mends, idOf: ({ id }) => id, nameOf: ({ name }) => name, pick }),
      tableNotes: mergedById({
        was: was.tableNotes,
        my: mine.tableNotes,
        their: theirs.tableNotes,
        idOf: ({ id }) => id,
        nameOf: ({ words }) => words,
        pick,
      }),
      calendar: mergedCalendar(was.calendar, mine.calendar, theirs.calendar, pick),
    },
    clashes,
    tooMany:
      all.length > MAX_FEATURES
        ? { count: features.length, most: MAX_FEATURES, over: Math.max(0, features.length - MAX_FEATURES), added }
        : null,
  };
}

/** What one side dries at a place that the other has taken away dries at the first. */
function placed(plan: Plan): Plan {
  const { places, drying, driedAt } = plan;
  const isThere = (own: { readonly placeId: string }): boolean => places.some(({ id }) => id === own.placeId);
  return { ...plan, drying: isThere(drying) ? drying : { ...drying, placeId: places[0]!.id }, driedAt: driedAt.filter(isThere) };
}

/** Pieces one by one; where both together are more than a plan may hold, mine or theirs. */
function mergedPieces(was: Plan['pieces'], my: Plan['pieces'], their: Plan['pieces'], pick: PickSide): Plan['pieces'] {
  const all = mergedById({ was, my, their, idOf: ({ id }: Plan['pieces'][number]) => id, nameOf: ({ name }) => name, pick });
  return all.length > LIMITS.pieces.max ? pick('pieces', was, my, their) : all;
}

const CALENDAR_WORDS: Readonly<Record<string, string>> = { startsOn: 'the first day', hours: 'the bench hours', daysOff: 'the days off' };
/** The calendar entry by entry, and what is arranged task by task: put off on the phone and pinned at the desk are two changes. */
function mergedCalendar(was: Plan['calendar'] | null, my: Plan['calendar'], their: Plan['calendar'], pick: PickSide): Plan['calendar'] {
  const plain = (Object.keys(my) as (keyof Plan['calendar'])[]).filter((key) => key !== 'tasks');
  const merged = Object.fromEntries(
    plain.map((key) => [key, pick(CALENDAR_WORDS[key] ?? 'the calendar', was?.[key], my[key], their[key])]),
  );
  const tasks = mergedById({
    was: was?.tasks ?? [],
    my: my.tasks,
    their: their.tasks,
    idOf: ({ taskId }) => taskId,
    nameOf: ({ taskId }) => `the arrangement of ${taskId}`,
    pick,
  });
  return { ...(merged as unknown as Plan['calendar']), tasks };
}

/** Surfaces one by one; where both together are more than a plan may hold, mine or theirs. */
function mergedSurfaces(was: Plan['surfaces'], my: Plan['surfaces'], their: Plan['surfaces'], pick: PickSide): Plan['surfaces'] {
  const all = mergedById({ was, my, their, idOf: ({ id }: Plan['surfaces'][number]) => id, nameOf: ({ name }) => name, pick });
  return all.length > LIMITS.surfaces.max ? pick('surfaces', was, my, their) : all;
}

/** What is known of the cutting where the common ground is lost: nothing. */
const NO_CUTTING: BaseCutting = {
  trimMm: undefined,
  trims: [],
  aim: undefined,
  joints: undefined,
  keptWhole: undefined,
  withoutSheetIds: undefined,
  saved: [],
  tools: [],
  batches: [],
  splits: [],
};
type Plain = 'trimMm' | 'aim' | 'joints' | 'keptWhole' | 'withoutSheetIds';
type BaseCutting = Omit<Plan['cutting'], Plain> & { readonly [K in Plain]: Plan['cutting'][K] | undefined };

function addedTo(was: readonly Feature[], my: readonly Feature[], their: readonly Feature[]): TooMany['added'] {
  const known = new Set([...was, ...my].map(({ id }) => id));
  const before = new Set(was.map(({ id }) => id));
  return [
    ...my.filter(({ id }) => !before.has(id)).map(({ id, name }) => ({ id, name, by: 'mine' as const })),
    ...their.filter(({ id }) => !known.has(id)).map(({ id, name }) => ({ id, name, by: 'theirs' as const })),
  ];
}

interface Lists<T> {
  readonly was: readonly T[];
  readonly my: readonly T[];
  readonly their: readonly T[];
  readonly idOf: (one: T) => string;
  readonly nameOf: (one: T) => string;
  readonly pick: PickSide;
}

/** Order as mine, then what only they have, in their order. */
function mergedById<T>({ was, my, their, idOf, nameOf, pick }: Lists<T>): T[] {
  const byId = (list: readonly T[]): Map<string, T> => new Map(list.map((one) => [idOf(one), one]));
  const [olds, mines, theirs] = [byId(was), byId(my), byId(their)];
  return [...new Set([...mines.keys(), ...theirs.keys(), ...olds.keys()])].flatMap((id) => {
    const [old, own, other] = [olds.get(id), mines.get(id), theirs.get(id)];
    const chosen = pick(nameOf((own ?? other ?? old)!), old, own, other);
    // What one side deleted while the other changed it is kept: deleting again is easy, drawing again is not.
    const kept = chosen ?? (old !== undefined && other !== undefined && !same(old, other) ? other : undefined);
    return kept === undefined ? [] : [kept];
  });
}

function mergedCutting(was: BaseCutting, my: Plan['cutting'], their: Plan['cutting'], pick: PickSide): Plan['cutting'] {
  const lists = <T>(key: 'trims' | 'tools' | 'batches' | 'splits', idOf: (one: T) => string, name: string): T[] =>
    mergedById<T>({
      was: was[key] as readonly T[],
      my: my[key] as readonly T[],
      their: their[key] as readonly T[],
      idOf,
      nameOf: () => name,
      pick,
    });
  return {
    trimMm: pick('the trim', was.trimMm, my.trimMm, their.trimMm),
    trims: lists<Plan['cutting']['trims'][number]>('trims', ({ jobKey }) => jobKey, 'the trim of a job'),
    aim: pick('the goal of the layout', was.aim, my.aim, their.aim),
    joints: pick('who places joints', was.joints, my.joints, their.joints),
    keptWhole: pick('the parts kept whole', was.keptWhole, my.keptWhole, their.keptWhole),
    withoutSheetIds: pick('the available sheets', was.withoutSheetIds, my.withoutSheetIds, their.withoutSheetIds),
    saved: mergedLayouts(was.saved, my.saved, their.saved, pick),
    tools: lists<Plan['cutting']['tools'][number]>('tools', ({ jobKey }) => jobKey, 'the cutting method of a job'),
    batches: lists<Plan['cutting']['batches'][number]>('batches', ({ jobKey }) => jobKey, 'the way of cutting equal parts'),
    splits: lists<Plan['cutting']['splits'][number]>('splits', ({ partId }) => partId, 'a split part'),
  };
}

/**
 * Layouts job by job. Two that only lost sheets to ticks on either side go together: what both still have is what is left.
 */
function mergedLayouts(
  was: readonly SavedLayout[],
  my: readonly SavedLayout[],
  their: readonly SavedLayout[],
  pick: PickSide,
): SavedLayout[] {
  const of = (list: readonly SavedLayout[], jobKey: string): SavedLayout | undefined => list.find((one) => one.jobKey === jobKey);
  const keys = [...new Set([...my, ...their, ...was].map(({ jobKey }) => jobKey))];
  return keys.flatMap((jobKey) => {
    const [old, own, other] = [of(was, jobKey), of(my, jobKey), of(their, jobKey)];
    const together = own !== undefined && other !== undefined ? bothLeft(own, other) : null;
    const chosen = together ?? pick('a layout', old, own, other);
    return chosen === undefined ? [] : [chosen];
  });
}

/** What two layouts have in common, where each sheet only one of them has holds parts that the other lays nowhere; null where they differ otherwise. */
function bothLeft(my: SavedLayout, their: SavedLayout): SavedLayout | null {
  const partsOf = ({ sheets }: SavedLayout): Set<string> => new Set(sheets.flatMap(({ places }) => places.map(({ blankId }) => blankId)));
  const onlyIn = (one: SavedLayout, other: SavedLayout): SavedLayout['sheets'] =>
    one.sheets.filter((sheet) => !other.sheets.some((twin) => same(sheet, twin)));
  const isGone = (sheets: SavedLayout['sheets'], from: SavedLayout): boolean => {
    const laid = partsOf(from);
    return sheets.every(({ places }) => places.every(({ blankId }) => !laid.has(blankId)));
  };
  const [mineOnly, theirsOnly] = [onlyIn(my, their), onlyIn(their, my)];
  if (!isGone(mineOnly, their) || !isGone(theirsOnly, my)) return null;
  return { ...my, sheets: my.sheets.filter((sheet) => !mineOnly.includes(sheet)) };
}

/** Parts that are merged entry by entry, as they are where nobody knows what both sides grew from. */
const NOTHING = { features: [], surfaces: [], pieces: [], cutting: NO_CUTTING, mends: [], tableNotes: [], calendar: null } as const;

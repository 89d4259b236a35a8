/** One step forward between versions of the plan document: pure, on parsed JSON that claims to be of `from`. */
interface Migration {
  readonly from: number;
  readonly migrate: (old: Record<string, unknown>) => Record<string, unknown>;
}

const coat = (stuffId: string, methodId: string): unknown => ({ id: `${stuffId}-${methodId}`, stuffId, methodId, filmMm: null });

/** What features of version 1 were, said in the words of version 2: sheer sides, flat floors, plain routes. */
function featureTo2(feature: unknown): unknown {
  if (!isRecord(feature)) return feature;
  const held = { ...feature, locked: false, hidden: false };
  if (feature['kind'] === 'raised') return { ...held, steps: 1, stepInMm: 0 };
  if (feature['kind'] === 'pit' || feature['kind'] === 'water') return { ...held, floor: 'flat' };
  if (feature['kind'] === 'route') return { ...held, lanes: 1, marking: 'none', kerbMm: 0, kerbWidthMm: 0, junctionMm: 0 };
  return held;
}

const MIGRATIONS: readonly Migration[] = [
  {
    from: 1,
    migrate: (old) => ({
      ...old,
      version: 2,
      table: isRecord(old['table'])
        ? { ...old['table'], rim: null, join: { methodId: 'loose', offsetMm: 120 }, passages: [] }
        : old['table'],
      cutting: isRecord(old['cutting']) ? { ...old['cutting'], kept: [] } : old['cutting'],
      underlay: null,
      play: { baseMm: 25, tiltDeg: 12, stepUpMm: 5, walkDeg: 30, reachMm: 600, handMm: 90 },
      features: Array.isArray(old['features']) ? old['features'].map(featureTo2) : old['features'],
      coats: isRecord(old['coats'])
        ? {
            ...old['coats'],
            plot: [coat('sealing-glue', 'soak'), coat('masonry-paint', 'base'), coat('pale-acrylic', 'drybrush')],
            field: [coat('light-filler', 'spread'), coat('sealing-glue', 'soak'), coat('masonry-paint', 'base')],
          }
        : old['coats'],
    }),
  },
  { from: 2, migrate: (old) => ({ ...old, version: 3, stack: stackTo3(old['stack']), cutting: cuttingTo3(old['cutting']) }) },
  { from: 3, migrate: (old) => ({ ...old, version: 4, coats: coatsTo4(old['coats']), cutting: cuttingTo4(old['cutting']) }) },
  // Until then a plot was empty ground.
  {
    from: 4,
    migrate: (old) => ({
      ...old,
      version: 5,
      pieces: [],
      features: Array.isArray(old['features']) ? old['features'].map(featureTo5) : old['features'],
    }),
  },
  {
    from: 5,
    migrate: (old) => ({ ...old, version: 6, pieces: Array.isArray(old['pieces']) ? old['pieces'].map(pieceTo6) : old['pieces'] }),
  },
  { from: 6, migrate: surfacesTo7 },
  {
    from: 7,
    migrate: (old) => ({
      ...old,
      version: 8,
      calendar: isRecord(old['calendar']) ? { ...old['calendar'], daysOff: [], deadline: null, order: [] } : old['calendar'],
    }),
  },
  { from: 8, migrate: daysTo9 },
  {
    from: 9,
    migrate: (old) => ({
      ...old,
      version: 10,
      buying: { ofHundred: null, own: [] },
      calendar: isRecord(old['calendar']) ? { ...old['calendar'], spared: [] } : old['calendar'],
    }),
  },
  // Until then what went on no sheet was only told of, and every stocked size was to be had.
  {
    from: 10,
    migrate: (old) => ({
      ...old,
      version: 11,
      cutting: isRecord(old['cutting']) ? { ...old['cutting'], joints: 'laid', withoutSheetIds: [] } : old['cutting'],
    }),
  },
  // What is done left the plan (see {@link doneTasksIn}): what is ticked on two devices is no change of the plan on either.
  {
    from: 11,
    migrate: (old) => ({
      ...old,
      version: 12,
      mends: [],
      tableNotes: [],
      calendar: isRecord(old['calendar']) ? { ...old['calendar'], tasks: tasksTo12(old['calendar']['tasks']) } : old['calendar'],
    }),
  },
  // Until then a trim was stated for every board, off every edge: it stays.
  {
    from: 12,
    migrate: (old) => ({ ...old, version: 13, cutting: isRecord(old['cutting']) ? { ...old['cutting'], trims: [] } : old['cutting'] }),
  },
  {
    from: 13,
    migrate: (old) => ({
      ...old,
      version: 14,
      cutting: isRecord(old['cutting']) ? { ...old['cutting'], batches: [], keptWhole: [] } : old['cutting'],
    }),
  },
];

function tasksTo12(tasks: unknown): unknown {
  if (!Array.isArray(tasks)) return tasks;
  return tasks.flatMap((task: unknown) => {
    if (!isRecord(task)) return [task];
    const { done: _done, ...rest } = task;
    const says = rest['pin'] !== null || rest['isSkipped'] === true || rest['goes'] !== 1;
    return says ? [{ ...rest, notBefore: null }] : [];
  });
}

/** One air for everything became the first of several places; whoever builds is one of several people. */
function daysTo9(old: Record<string, unknown>): Record<string, unknown> {
  const { climate, calendar, ...rest } = old;
  const { airC, humidityPct, airId } = isRecord(climate) ? climate : {};
  return {
    ...rest,
    version: 9,
    places: [
      {
        id: 'room',
        name: 'Room',
        kindId: 'room',
        air: { by: 'typed', airC, humidityPct, season: 'winter', sensorId: null },
        spells: [],
        // As many as there are: until then nothing was said of room.
        flatPlaces: 60,
        hasExtraction: true,
      },
    ],
    drying: { placeId: 'room', on: 'shelf', lies: 'flat', airId },
    driedAt: [],
    people: [{ id: 'you', name: 'You', isChild: false, avoids: [], hours: [] }],
    kit: { weightsKg: 500, fans: 12 },
    calendar: isRecord(calendar) ? { ...calendar, noise: null, notBefore: null, arrivals: [], busy: [], tasks: [] } : calendar,
  };
}

/** What a coat says from version 7 on beside what and how. */
const coatTo7 = (coat: unknown): unknown =>
  isRecord(coat) ? { ...coat, tint: [], before: 'dry', coverPct: 100, goes: 1, thin: 0, strewn: null } : coat;
/** Names and reliefs of the surfaces that kinds of ground became. */
const SURFACES_OF_7: Readonly<Record<string, readonly [string, string]>> = {
  open: ['Open ground', 'earth'],
  raised: ['Raised ground', 'rock'],
  route: ['Routes', 'flag'],
  pit: ['Pits', 'earth'],
  water: ['Water', 'flat'],
  plot: ['Plots', 'flat'],
  field: ['Fields', 'furrows'],
};

/** Bases were of no colour until then: a dark earth. */
const BASE_HEX_OF_7 = '#4a4034';

/** Until version 7 each kind of ground had a list of coats of its own, and nothing on it another. */
function surfacesTo7(plan: Record<string, unknown>): Record<string, unknown> {
  const { coats, features, pieces, ...rest } = plan;
  const listed = isRecord(coats) ? coats : {};
  const surfaces = Object.entries(SURFACES_OF_7).map(([id, [name, relief]]) => ({
    id,
    name,
    relief,
    laid: null,
    coats: Array.isArray(listed[id]) ? listed[id].map(coatTo7) : [],
  }));
  const without = (one: unknown): unknown => (isRecord(one) ? { ...one, surfaceId: null } : one);
  const pieceTo7 = (piece: unknown): unknown =>
    isRecord(piece)
      ? { ...piece, coats: Array.isArray(piece['coats']) ? piece['coats'].map(coatTo7) : piece['coats'], surfaceId: null, faces: [] }
      : piece;
  return {
    ...rest,
    version: 7,
    features: Array.isArray(features) ? features.map(without) : features,
    pieces: Array.isArray(pieces) ? pieces.map(pieceTo7) : pieces,
    play: isRecord(rest['play']) ? { ...rest['play'], baseHex: BASE_HEX_OF_7 } : rest['play'],
    surfaces,
    wears: Object.fromEntries(Object.keys(SURFACES_OF_7).map((kind) => [kind, kind])),
    paints: [],
    testPieces: [],
  };
}

/** Until version 6 pieces were bare, and every copy was made by hand. */
const pieceTo6 = (piece: unknown): unknown => (isRecord(piece) ? { ...piece, coats: [], castingId: null } : piece);

const featureTo5 = (feature: unknown): unknown =>
  isRecord(feature) && feature['kind'] === 'plot' ? { ...feature, pieceId: null, pieceTurnDeg: 0 } : feature;

/** Before version 3 every joint was glued over its whole face, nothing was sealed, and no grain was spoken of. */
function stackTo3(stack: unknown): unknown {
  if (!isRecord(stack)) return stack;
  const layer = (old: unknown): unknown => (isRecord(old) ? { ...old, spread: 'full', grain: null, sealed: 'none' } : old);
  const { substrate, ground, raised } = stack;
  return {
    ...stack,
    substrate: isRecord(substrate) ? { ...substrate, sealed: 'none', grain: null } : substrate,
    ground: Array.isArray(ground) ? ground.map(layer) : ground,
    raised: isRecord(raised) ? { ...raised, spread: 'full', crossGrain: true, atHandMm: [], picks: [] } : raised,
    facings: { open: [], raised: [], route: [], pit: [], water: [], plot: [], field: [] },
    battens: null,
    edges: 'cut-first',
    allowanceMm: 10,
    weighed: false,
  };
}

/** A kept layout said its one size of sheet; now every sheet says its own. */
function cuttingTo3(cutting: unknown): unknown {
  if (!isRecord(cutting)) return cutting;
  const place = (old: unknown): unknown => (isRecord(old) ? { ...old, half: false, pinned: false } : old);
  const kept = (old: unknown): unknown => {
    if (!isRecord(old) || !Array.isArray(old['sheets'])) return old;
    const { jobKey, sheetWidthMm, sheetDepthMm, sheets } = old;
    return {
      jobKey,
      sheets: (sheets as unknown[]).map((places) => ({
        widthMm: sheetWidthMm,
        depthMm: sheetDepthMm,
        offcutId: null,
        places: Array.isArray(places) ? places.map(place) : places,
      })),
    };
  };
  const layouts = cutting['kept'];
  return { ...cutting, aim: 'cheapest', kept: Array.isArray(layouts) ? layouts.map(kept) : layouts, cut: [], tools: [], splits: [] };
}

/** What a coat is of is called a coating from version 4 on. */
function coatsTo4(coats: unknown): unknown {
  if (!isRecord(coats)) return coats;
  const coatTo4 = (old: unknown): unknown => {
    if (!isRecord(old)) return old;
    const { stuffId, ...rest } = old;
    return { ...rest, coatingId: stuffId };
  };
  return Object.fromEntries(Object.entries(coats).map(([kind, list]) => [kind, Array.isArray(list) ? list.map(coatTo4) : list]));
}

/** Sheets that are cut left the plan with version 4 (see {@link cutSheetsIn}); a split names the part that its pieces make together. */
function cuttingTo4(cutting: unknown): unknown {
  if (!isRecord(cutting)) return cutting;
  const { kept, cut: _cut, splits, ...rest } = cutting;
  const splitTo4 = (old: unknown): unknown => {
    if (!isRecord(old)) return old;
    const { partKey, ...others } = old;
    // Until then a piece was told by the id of its whole with a stroke behind it.
    return { ...others, partId: partKey, wholeId: typeof partKey === 'string' ? partKey.split('/')[0] : partKey };
  };
  return { ...rest, saved: kept, splits: Array.isArray(splits) ? splits.map(splitTo4) : splits };
}

/** A sheet ticked off as cut in version 3: its job's key was the material and the thickness. */
function cutSheetTo4(old: unknown): unknown {
  if (!isRecord(old) || typeof old['jobKey'] !== 'string') return old;
  const { jobKey, places, ...rest } = old;
  const at = jobKey.lastIndexOf('-');
  const placeTo4 = (place: unknown): unknown => {
    if (!isRecord(place)) return place;
    const { liesWideMm, liesDeepMm, ...others } = place;
    return { ...others, boxWidthMm: liesWideMm, boxDepthMm: liesDeepMm };
  };
  return {
    ...rest,
    materialId: jobKey.slice(0, at),
    thicknessMm: Number(jobKey.slice(at + 1)),
    places: Array.isArray(places) ? places.map(placeTo4) : places,
  };
}

/**
 * Sheets that a plan file says are cut, as raw as they stand in it: in the plan itself up to version 3, beside it in a file exported since.
 * @returns none where it says nothing
 */
export function cutSheetsIn(raw: unknown): readonly unknown[] {
  if (!isRecord(raw)) return [];
  const { cutting, record } = raw;
  if (isRecord(record) && Array.isArray(record['cutSheets'])) return record['cutSheets'] as unknown[];
  return isRecord(cutting) && Array.isArray(cutting['cut']) ? cutting['cut'].map(cutSheetTo4) : [];
}

/** Tasks that a plan file says are done, as raw as they stand in it: in the plan itself up to version 11, beside it since. */
export function doneTasksIn(raw: unknown): object {
  if (!isRecord(raw)) return {};
  const { calendar, record } = raw;
  if (isRecord(record) && isRecord(record['doneTasks'])) return record['doneTasks'];
  const tasks = isRecord(calendar) && Array.isArray(calendar['tasks']) ? (calendar['tasks'] as unknown[]) : [];
  return Object.fromEntries(
    tasks.flatMap((task) =>
      isRecord(task) && isRecord(task['done'])
        ? [[task['taskId'], { at: task['done'], part: null, by: '', workedMin: null, uses: [] }]]
        : [],
    ),
  );
}

/**
 * Brings a plan of an earlier version forward to the one this program works with; a record exported beside it is left behind, for
 * {@link cutSheetsIn}. What claims no version it knows is left as it is, for the schema to refuse in words.
 */
export function migrated(raw: unknown): unknown {
  let plan = raw;
  for (const { from, migrate } of MIGRATIONS) if (isRecord(plan) && plan['version'] === from) plan = migrate(plan);
  if (!isRecord(plan) || !('record' in plan)) return plan;
  const { record: _record, ...rest } = plan;
  return rest;
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

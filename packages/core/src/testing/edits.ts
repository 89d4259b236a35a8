import type { Edit, EditCode, EditNamed } from '../plan/edits';
import type { Random } from '../base/random';
import { FAMILY_NAMES, newPiece, pieceScale } from '../build/pieces';
import { GROUND_KINDS, RELIEFS } from '../plan/surfaces';
import { newFeature } from '../plan/features';
import {
  type Board,
  changesBetween,
  newPassage,
  newPerson,
  newPlace,
  rimBoards,
  rimOf,
  starterSurface,
  tableDepthMm,
  tableWidthMm,
} from '../plan';
import { movedBy, rectangle } from '../plan/shapes';
import { freshFacing, freshLayer } from '../build/stack/adhesives';
import { savedFrom, tickedOff } from '../build/cutting/saved';
import { EMPTY_STOCK } from '../plan/workshop';
import { CATALOGUE, derived } from './plans';

/** An edit of each code such as a hand might make on a board; null where the board has nothing of that sort. */
type Samples = { readonly [Code in EditCode]: (board: Board, random: Random) => EditNamed<Code> | null };

const starters = CATALOGUE.starter.surfaces.map((one) => starterSurface(one, CATALOGUE.patterns, 1 / 60));
const whole = (random: Random, from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
const oneOf = ({ plan: { features } }: Board, random: Random) => (features.length === 0 ? null : pick(random, features));
const layerOf = ({ plan: { stack } }: Board, random: Random) => ({ kind: 'ground', layerId: pick(random, stack.ground).id }) as const;
const facedIn = ({ plan: { stack } }: Board) => GROUND_KINDS.find((kind) => stack.facings[kind].length > 0) ?? null;
const pieceOf = ({ plan: { pieces } }: Board, random: Random) => (pieces.length === 0 ? null : pick(random, pieces));
const scaleOf = ({ plan: { figureHeightMm, play } }: Board) => pieceScale(figureHeightMm, play.baseMm, CATALOGUE);
const jobsOf = ({ plan, record }: Board) => derived(plan, { ...EMPTY_STOCK, ...record }).jobs;

/** A new kind of edit is a line here, or it does not compile: what is remembered is compared with what is reckoned afresh after every kind there is. */
export const SAMPLE_EDITS = {
  'board/rename': (_, random) => ({ code: 'board/rename', name: `Board ${whole(random, 1, 9)}` }),
  'board/figure-height': (_, random) => ({ code: 'board/figure-height', mm: whole(random, 10, 60) }),
  'pieces/add': (board, random) => ({
    code: 'pieces/add',
    pieces: [newPiece(pick(random, FAMILY_NAMES), `p${whole(random, 1, 9999)}`, scaleOf(board), [], CATALOGUE)],
    why: 'Add a piece',
  }),
  'pieces/remove': (board, random) => {
    const piece = pieceOf(board, random);
    return piece === null ? null : { code: 'pieces/remove', pieceIds: [piece.id] };
  },
  'piece/set': (board, random) => {
    const piece = pieceOf(board, random);
    const keys = piece === null ? [] : Object.keys(piece.settings).filter((key) => key.endsWith('Mm'));
    const key = keys.length === 0 ? null : pick(random, keys);
    return key === null ? null : { code: 'piece/set', pieceId: piece!.id, change: { [key]: whole(random, 3, 60) }, what: 'Resize' };
  },
  'piece/change': (board, random) => {
    const piece = pieceOf(board, random);
    return piece === null
      ? null
      : {
          code: 'piece/change',
          pieceId: piece.id,
          change: { count: whole(random, 1, 4), isMadeElsewhere: random() < 0.2, coats: piece.coats.slice(whole(random, 0, 2)) },
          what: 'Change',
        };
  },
  'piece/sheet': (board, random) => {
    const piece = pieceOf(board, random);
    const sheet = pick(random, CATALOGUE.sheets);
    return piece === null || piece.sheets.length === 0
      ? null
      : {
          code: 'piece/sheet',
          pieceId: piece.id,
          role: pick(random, piece.sheets).role,
          materialId: sheet.materialId,
          thicknessMm: sheet.thicknessMm,
        };
  },
  'piece/length': (board, random) => {
    const piece = pieceOf(board, random);
    return piece === null || piece.lengths.length === 0
      ? null
      : { code: 'piece/length', pieceId: piece.id, role: pick(random, piece.lengths).role, lengthId: pick(random, CATALOGUE.lengths).id };
  },
  'piece/clad': (board, random) => {
    const piece = pieceOf(board, random);
    if (piece === null) return null;
    const cladding = pick(random, CATALOGUE.claddings);
    const clad = random() < 0.3 ? null : { claddingId: cladding.id, layingId: pick(random, cladding.layingIds) };
    return { code: 'piece/clad', pieceId: piece.id, shows: 'walls', what: 'walls', clad };
  },
  'board/change': (board, random) => ({
    code: 'board/change',
    changes: changesBetween(board, { ...board, plan: { ...board.plan, features: board.plan.features.toSpliced(whole(random, 0, 3), 1) } }),
    why: 'Change',
  }),
  'board/replace': ({ plan, record }) => ({ code: 'board/replace', plan: structuredClone(plan), record, why: 'Replace' }),
  'play/base-colour': () => ({ code: 'play/base-colour', hex: '#556644' }),
  'play/rule': (_, random) => ({ code: 'play/rule', rule: 'baseMm', value: whole(random, 20, 60) }),
  'section/end': (_, random) => ({ code: 'section/end', end: 'to', at: { x: whole(random, 0, 900), y: whole(random, 0, 700) } }),
  'place/add': (_, random) => ({
    code: 'place/add',
    place: newPlace({ ...CATALOGUE.starter.places[1]!, id: `place-${whole(random, 1, 4)}`, name: `Loft ${whole(random, 1, 9)}` }),
  }),
  'place/change': ({ plan: { places } }, random) => ({
    code: 'place/change',
    placeId: pick(random, places).id,
    change:
      random() < 0.3
        ? { spells: [{ id: 'cold', from: '2026-12-01', to: '2026-12-05', airC: 6, humidityPct: 80 }] }
        : { flatPlaces: whole(random, 1, 9) },
    air: { by: pick(random, ['typed', 'season'] as const), airC: whole(random, 3, 30), humidityPct: whole(random, 30, 90) },
  }),
  'place/remove': ({ plan: { places } }, random) => ({ code: 'place/remove', placeId: pick(random, places).id }),
  'drying/change': ({ plan: { places } }, random) => ({
    code: 'drying/change',
    change: { placeId: pick(random, places).id, on: pick(random, ['shelf', 'floor'] as const), airId: pick(random, CATALOGUE.airs).id },
  }),
  'drying/workpiece': ({ plan: { drying, places } }, random) => ({
    code: 'drying/workpiece',
    workpieceId: `A${whole(random, 1, 3)}`,
    spot: random() < 0.3 ? null : { ...drying, placeId: pick(random, places).id, lies: 'edge' },
  }),
  'person/add': (_, random) => ({
    code: 'person/add',
    person: newPerson(`person-${whole(random, 1, 4)}`, `Helper ${whole(random, 1, 9)}`),
  }),
  'person/change': ({ plan: { people } }, random) => ({
    code: 'person/change',
    personId: pick(random, people).id,
    change: { isChild: random() < 0.3, avoids: [pick(random, CATALOGUE.cautions).id] },
  }),
  'person/remove': ({ plan: { people } }, random) => ({ code: 'person/remove', personId: pick(random, people).id }),
  'kit/change': (_, random) => ({ code: 'kit/change', change: { weightsKg: whole(random, 5, 90), fans: whole(random, 0, 3) } }),
  'supply/replace': ({ plan }) => {
    const fromId = plan.surfaces.flatMap(({ coats }) => coats)[0]?.coatingId;
    const own = CATALOGUE.coatings.find(({ id }) => id === fromId);
    const other = CATALOGUE.coatings.find(({ id, family }) => id !== fromId && family === own?.family);
    return fromId === undefined || other === undefined
      ? null
      : { code: 'supply/replace', kind: 'coatings', fromId, toId: other.id, name: other.name };
  },
  'buying/enough': (_, random) => ({ code: 'buying/enough', ofHundred: pick(random, [null, 80, 90, 95] as const) }),
  'buying/enough-of': (_, random) => ({
    code: 'buying/enough-of',
    supplyId: pick(random, ['light-filler', 'white-glue', 'masonry-paint']),
    name: 'it',
    ofHundred: pick(random, [null, 80, 90, 95, 'usual'] as const),
  }),
  'calendar/noise': (_, random) => ({
    code: 'calendar/noise',
    noise: random() < 0.3 ? null : { fromMin: 600, toMin: whole(random, 900, 1_300) },
  }),
  'calendar/replan': (_, random) => ({
    code: 'calendar/replan',
    notBefore: random() < 0.3 ? null : { day: `2026-12-0${whole(random, 1, 9)}`, atMin: 600 },
  }),
  'calendar/arrivals': (_, random) => ({
    code: 'calendar/arrivals',
    arrivals: [{ stockId: pick(random, CATALOGUE.coatings).id, day: `2026-12-1${whole(random, 0, 9)}` }],
  }),
  'calendar/busy': (_, random) => ({
    code: 'calendar/busy',
    busy: [{ day: `2026-12-0${whole(random, 1, 9)}`, fromMin: 600, toMin: 1_260 }],
  }),
  'task/arrange': (board, random) => {
    const tasks = derived(board.plan, { ...EMPTY_STOCK, ...board.record }).steps.flatMap((step) => step.tasks);
    if (tasks.length === 0) return null;
    const change = pick(random, [
      { goes: whole(random, 1, 3) },
      { isSkipped: true },
      { pin: { day: `2026-12-1${whole(random, 0, 9)}`, atMin: 1_150 } },
      { notBefore: { day: '2026-12-04', atMin: 0 } },
      { goes: 1, isSkipped: false, pin: null, notBefore: null },
    ]);
    return { code: 'task/arrange', taskId: pick(random, tasks).id, change, what: 'Arrange' };
  },
  'task/tick': (board, random) => {
    const tasks = derived(board.plan, { ...EMPTY_STOCK, ...board.record }).steps.flatMap((step) => step.tasks);
    if (tasks.length === 0) return null;
    const part = random() < 0.3 ? { done: 1, of: whole(random, 2, 9) } : null;
    const workedMin = random() < 0.5 ? null : whole(random, 1, 90);
    const task = { at: { day: '2026-11-30', atMin: 1_200 }, part, by: 'You', workedMin, uses: [] };
    return { code: 'task/tick', taskId: pick(random, tasks).id, task, what: 'Done' };
  },
  'mend/add': ({ plan }, random) => ({
    code: 'mend/add',
    mend: {
      id: `mend${whole(random, 1, 9_999)}`,
      name: 'Weigh flat',
      workpieceId: plan.pieces[0]?.id ?? 'A1',
      workMin: whole(random, 5, 60),
      waitMin: whole(random, 0, 2_880),
      coating: random() < 0.5 ? null : { coatingId: CATALOGUE.bench.sealerId, ml: whole(random, 1, 200) },
      adhesive: random() < 0.5 ? null : { adhesiveId: pick(random, CATALOGUE.adhesives).id, grams: whole(random, 1, 200) },
    },
  }),
  'mend/remove': ({ plan }, random) => (plan.mends.length === 0 ? null : { code: 'mend/remove', mendId: pick(random, plan.mends).id }),
  'table-note/put': (_, random) => ({
    code: 'table-note/put',
    note: {
      id: `note${whole(random, 1, 9)}`,
      at: { x: whole(random, 0, 400), y: whole(random, 0, 400) },
      words: 'Too narrow here',
      day: '2026-12-06',
      isDone: random() < 0.3,
    },
  }),
  'table-note/remove': ({ plan }, random) =>
    plan.tableNotes.length === 0 ? null : { code: 'table-note/remove', noteId: pick(random, plan.tableNotes).id },
  'task/untick': ({ record }, random) =>
    Object.keys(record.doneTasks).length === 0
      ? null
      : { code: 'task/untick', taskId: pick(random, Object.keys(record.doneTasks)), what: 'Not done' },
  'calendar/first-day': (_, random) => ({ code: 'calendar/first-day', startsOn: `2026-12-0${whole(random, 1, 9)}` }),
  'calendar/days-off': (_, random) => ({ code: 'calendar/days-off', daysOff: [`2026-12-1${whole(random, 0, 9)}`] }),
  'calendar/deadline': (_, random) => ({ code: 'calendar/deadline', deadline: random() < 0.3 ? null : `2026-12-2${whole(random, 0, 9)}` }),
  'calendar/arrange': ({ plan }, random) => ({
    code: 'calendar/arrange',
    order: [`cut-base-A${whole(random, 1, 4)}`],
    spared: random() < 0.5 ? [] : [{ personId: plan.people[0]!.id, spareMin: whole(random, 1, 3_000) }],
  }),
  'calendar/hours': (_, random) => ({
    code: 'calendar/hours',
    hours: [{ weekday: whole(random, 1, 7), fromMin: 600, toMin: whole(random, 660, 900) }],
  }),
  'surface/add': ({ plan }, random) => ({
    code: 'surface/add',
    surface: { ...pick(random, starters), id: `s${whole(random, 1, 99)}`, name: `Surface ${plan.surfaces.length + 1}` },
  }),
  'surface/remove': ({ plan }, random) => ({ code: 'surface/remove', surfaceId: pick(random, plan.surfaces).id }),
  'surface/change': ({ plan }, random) => ({
    code: 'surface/change',
    surfaceId: pick(random, plan.surfaces).id,
    change: { relief: pick(random, RELIEFS), name: `Other ${whole(random, 1, 9)}` },
    what: 'Change',
  }),
  'surface/wear': ({ plan }, random) => ({
    code: 'surface/wear',
    groundKind: pick(random, GROUND_KINDS),
    surfaceId: pick(random, plan.surfaces).id,
  }),
  'piece/wear': (board, random) => {
    const piece = pieceOf(board, random);
    return piece === null
      ? null
      : {
          code: 'piece/wear',
          pieceId: piece.id,
          shows: pick(random, [null, 'walls', 'roof']),
          surfaceId: pick(random, board.plan.surfaces).id,
        };
  },
  'coats/order': ({ plan }, random) => {
    const { id: surfaceId, coats } = pick(random, plan.surfaces);
    return { code: 'coats/order', surfaceId, coatIds: coats.map(({ id }) => id).reverse() };
  },
  'coats/set': ({ plan }, random) => {
    const { id: surfaceId, coats } = pick(random, plan.surfaces);
    return { code: 'coats/set', surfaceId, coats: coats.slice(whole(random, 0, 2)) };
  },
  'coats/insert': ({ plan }, random) => {
    const { id: surfaceId, coats } = pick(random, plan.surfaces);
    const from = pick(random, plan.surfaces).coats;
    if (from.length === 0) return null;
    const coat = { ...pick(random, from), id: `new-${whole(random, 1, 99)}` };
    return { code: 'coats/insert', surfaceId, coat, beforeId: random() < 0.5 || coats.length === 0 ? null : pick(random, coats).id };
  },
  'coats/remove': ({ plan }, random) => {
    const { id: surfaceId, coats } = pick(random, plan.surfaces);
    return coats.length < 2 ? null : { code: 'coats/remove', surfaceId, coatId: pick(random, coats).id };
  },
  'coat/change': ({ plan }, random) => {
    const { id: surfaceId, coats } = pick(random, plan.surfaces);
    if (coats.length === 0) return null;
    const change = { goes: whole(random, 1, 3), coverPct: whole(random, 20, 100), before: pick(random, ['wet', 'dry', 'cured'] as const) };
    return { code: 'coat/change', surfaceId, coatId: pick(random, coats).id, change, what: 'Change a coat' };
  },
  'paint/keep': (_, random) => ({
    code: 'paint/keep',
    paint: { id: `own-${whole(random, 1, 9)}`, name: 'Own', hex: '#405060', tintingStrength: 1 },
  }),
  'paint/remove': ({ plan }, random) => (plan.paints.length === 0 ? null : { code: 'paint/remove', paintId: pick(random, plan.paints).id }),
  'test-piece/keep': ({ plan }, random) => {
    const { relief, coats } = pick(random, plan.surfaces);
    return { code: 'test-piece/keep', testPiece: { id: `t${whole(random, 1, 9)}`, name: 'Tried', relief, coats, note: '', imageId: null } };
  },
  'test-piece/remove': ({ plan }, random) =>
    plan.testPieces.length === 0 ? null : { code: 'test-piece/remove', testPieceId: pick(random, plan.testPieces).id },
  'table/side': ({ plan }, random) => ({
    code: 'table/side',
    side: 'columnWidthsMm',
    lengthMm: tableWidthMm(plan.table),
    count: whole(random, 1, 4),
  }),
  'table/split': ({ plan: { table } }) => ({
    code: 'table/split',
    columnWidthsMm: [tableWidthMm(table) / 2, tableWidthMm(table) / 2],
    rowDepthsMm: [tableDepthMm(table)],
  }),
  'table/tile': (_, random) => ({ code: 'table/tile', side: 'rowDepthsMm', index: 0, mm: whole(random, 300, 500) }),
  'table/divide': () => ({ code: 'table/divide', side: 'columnWidthsMm', index: 0, into: 2 }),
  'table/seam-allowance': (_, random) => ({ code: 'table/seam-allowance', mm: whole(random, 0, 4) }),
  'table/rim': ({ plan }, random) => ({ code: 'table/rim', rim: random() < 0.3 ? null : rimOf(plan, pick(random, rimBoards(CATALOGUE))) }),
  'join/method': (_, random) => ({ code: 'join/method', methodId: pick(random, CATALOGUE.joins).id }),
  'join/offset': (_, random) => ({ code: 'join/offset', offsetMm: whole(random, 40, 300) }),
  'passage/add': (_, random) => ({ code: 'passage/add', passage: newPassage('place', `p${whole(random, 1, 9999)}`) }),
  'passage/set': ({ plan: { table } }, random) =>
    table.passages.length === 0
      ? null
      : { code: 'passage/set', passageId: pick(random, table.passages).id, change: { widthMm: whole(random, 300, 900) } },
  'passage/remove': ({ plan: { table } }, random) =>
    table.passages.length === 0 ? null : { code: 'passage/remove', passageId: pick(random, table.passages).id },
  'underlay/lay': (_, random) => ({
    code: 'underlay/lay',
    underlay: {
      imageId: '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111',
      widthPx: 800,
      heightPx: 600,
      at: { x: 0, y: 0 },
      mmPerPx: 1 + random(),
      turnDeg: 0,
      opacityPct: 50,
    },
  }),
  'underlay/set': (_, random) => ({ code: 'underlay/set', change: { opacityPct: whole(random, 10, 90) } }),
  'underlay/move': (_, random) => ({ code: 'underlay/move', to: { x: whole(random, 0, 99) } }),
  'underlay/scale': (_, random) => ({
    code: 'underlay/scale',
    points: [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
    ],
    trueMm: whole(random, 50, 300),
  }),
  'features/add': ({ plan }, random) => {
    const [x, y] = [whole(random, 0, 900), whole(random, 0, 600)];
    const shape = rectangle({ x, y }, { x: x + whole(random, 20, 250), y: y + whole(random, 20, 200) });
    const kind = pick(random, ['raised', 'pit', 'water', 'plot', 'field', 'clear', 'route'] as const);
    return { code: 'features/add', features: [newFeature(plan, kind, shape, `n${whole(random, 1, 99_999)}`, CATALOGUE)], why: 'Add' };
  },
  'features/put': (board, random) => {
    const feature = oneOf(board, random);
    return feature === null ? null : { code: 'features/put', features: [{ ...feature, name: `Other ${whole(random, 1, 9)}` }], how: 'Put' };
  },
  'features/remove': (board, random) => {
    const feature = oneOf(board, random);
    return feature === null ? null : { code: 'features/remove', featureIds: [feature.id] };
  },
  'feature/order': (board, random) => {
    const feature = oneOf(board, random);
    return feature === null ? null : { code: 'feature/order', featureId: feature.id, by: random() < 0.5 ? 1 : -1 };
  },
  'feature/set': ({ plan }, random) => {
    const mounds = plan.features.filter(({ kind }) => kind === 'raised');
    if (mounds.length === 0) return null;
    const change = random() < 0.5 ? { heightMm: whole(random, 5, 60) } : { steps: whole(random, 1, 3), stepInMm: whole(random, 2, 9) };
    return { code: 'feature/set', featureId: pick(random, mounds).id, change, what: 'Set' };
  },
  'feature/reshape': (board, random) => {
    const feature = oneOf(board, random);
    return feature === null
      ? null
      : { code: 'feature/reshape', featureId: feature.id, shape: movedBy(feature.shape, whole(random, -40, 40), 0), how: 'Reshape' };
  },
  'feature/move': (board, random) => {
    const feature = oneOf(board, random);
    return feature === null
      ? null
      : { code: 'feature/move', featureId: feature.id, dxMm: whole(random, -90, 90), dyMm: whole(random, -90, 90) };
  },
  'feature/point': ({ plan }, random) => {
    const outlines = plan.features.filter(({ shape }) => shape.form === 'outline');
    if (outlines.length === 0) return null;
    const { id, shape } = pick(random, outlines);
    const at = shape.form === 'outline' ? shape.points[0]! : { x: 0, y: 0 };
    return { code: 'feature/point', featureId: id, index: 0, to: { x: at.x - whole(random, 1, 15), y: at.y - whole(random, 1, 15) } };
  },
  'feature/width': ({ plan }, random) => {
    const strips = plan.features.filter(({ shape }) => shape.form === 'strip');
    return strips.length === 0 ? null : { code: 'feature/width', featureId: pick(random, strips).id, widthMm: whole(random, 20, 90) };
  },
  'layer/add': ({ plan }, random) => ({ code: 'layer/add', layer: freshLayer(CATALOGUE, plan.stack, `l${whole(random, 1, 99_999)}`) }),
  'layer/remove': ({ plan: { stack } }, random) =>
    stack.ground.length < 2 ? null : { code: 'layer/remove', layerId: pick(random, stack.ground).id },
  'layer/order': ({ plan: { stack } }) => ({ code: 'layer/order', layerIds: stack.ground.map(({ id }) => id).reverse() }),
  'layer/sheet': (board, random) => ({
    code: 'layer/sheet',
    layer: layerOf(board, random),
    materialId: 'xps-foam',
    thicknessMm: pick(random, [20, 30, 40]),
  }),
  'layer/grain': (board, random) => ({
    code: 'layer/grain',
    grains: [{ layer: layerOf(board, random), grain: pick(random, ['x', 'y', null]) }],
  }),
  'layer/seal': (board, random) => ({
    code: 'layer/seal',
    layer: random() < 0.5 ? { kind: 'substrate' } : layerOf(board, random),
    sealed: pick(random, ['none', 'top', 'under', 'both']),
  }),
  'substrate/set': ({ plan: { stack } }, random) => ({
    code: 'substrate/set',
    substrate:
      random() < 0.3
        ? null
        : { materialId: 'mdf', thicknessMm: pick(random, [3, 6]), sealed: stack.substrate?.sealed ?? 'none', grain: null },
  }),
  'raised/material': (_, random) => ({ code: 'raised/material', materialId: pick(random, ['xps-foam', 'eps-foam']) }),
  'raised/cross-grain': (_, random) => ({ code: 'raised/cross-grain', crossGrain: random() < 0.5 }),
  'raised/at-hand': (_, random) => ({ code: 'raised/at-hand', atHandMm: pick(random, [[], [20], [10, 20]]) }),
  'raised/pick': (_, random) => ({ code: 'raised/pick', heightMm: 20, thicknessesMm: pick(random, [null, [10, 10]]) }),
  'facing/add': (_, random) => {
    const facing = freshFacing(CATALOGUE, 'xps-foam', `f${whole(random, 1, 99_999)}`);
    return facing === null ? null : { code: 'facing/add', groundKind: pick(random, GROUND_KINDS), facing };
  },
  'facing/remove': (board) => {
    const kind = facedIn(board);
    return kind === null ? null : { code: 'facing/remove', groundKind: kind, layerId: board.plan.stack.facings[kind][0]!.id };
  },
  'facing/order': (board) => {
    const kind = facedIn(board);
    return kind === null
      ? null
      : { code: 'facing/order', groundKind: kind, layerIds: board.plan.stack.facings[kind].map(({ id }) => id).reverse() };
  },
  'facing/sheet': (board, random) => {
    const kind = facedIn(board);
    if (kind === null) return null;
    return {
      code: 'facing/sheet',
      groundKind: kind,
      layerId: board.plan.stack.facings[kind][0]!.id,
      materialId: 'cork',
      thicknessMm: pick(random, [2, 3]),
    };
  },
  'glue/set': ({ plan: { stack } }, random) => ({
    code: 'glue/set',
    place: random() < 0.5 ? { part: 'raised' } : { part: 'ground', layerId: stack.ground[0]!.id },
    adhesiveId: pick(random, CATALOGUE.adhesives).id,
    spread: pick(random, ['full', 'beads', 'vented']),
  }),
  'battens/set': (_, random) => ({
    code: 'battens/set',
    battens: random() < 0.3 ? null : { materialId: 'mdf', thicknessMm: 6, heightMm: whole(random, 15, 30), count: whole(random, 1, 3) },
  }),
  'stack/edges': (_, random) => ({ code: 'stack/edges', edges: pick(random, ['cut-first', 'trim-after']) }),
  'stack/allowance': (_, random) => ({ code: 'stack/allowance', mm: whole(random, 5, 15) }),
  'stack/weighed': (_, random) => ({ code: 'stack/weighed', weighed: random() < 0.5 }),
  'stack/build': ({ plan }) => ({ code: 'stack/build', stack: structuredClone(plan.stack), way: 'the same' }),
  'cutting/trim': (_, random) => ({ code: 'cutting/trim', mm: whole(random, 0, 9) }),
  'cutting/aim': (_, random) => ({ code: 'cutting/aim', aim: pick(random, ['cheapest', 'fewest']) }),
  'cutting/joints': (_, random) => ({ code: 'cutting/joints', joints: pick(random, ['laid', 'asked']) }),
  'sheets/had': (board, random) => {
    const { bought } = pick(random, jobsOf(board));
    return bought.length === 0 ? null : { code: 'sheets/had', sheetId: pick(random, bought).sheet.id, isHad: random() < 0.3 };
  },
  'cutting/tool': (board, random) => {
    const { key, tools } = pick(random, jobsOf(board));
    return { code: 'cutting/tool', jobKey: key, toolId: pick(random, tools).id, kerfMm: random() < 0.5 ? null : 2 };
  },
  'layout/save': (board, random) => {
    const job = pick(random, jobsOf(board));
    return { code: 'layout/save', layout: savedFrom(job.key, job.layout), jobKeys: [], why: 'Save' };
  },
  'part/split': (board, random) => {
    const part = pick(random, pick(random, jobsOf(board)).parts);
    return { code: 'part/split', splits: [{ partId: part.id, wholeId: part.wholeId, along: 'x', atMm: [part.widthMm / 2] }] };
  },
  'part/whole': ({ plan: { cutting } }, random) =>
    cutting.splits.length === 0 ? null : { code: 'part/whole', wholeId: pick(random, cutting.splits).wholeId },
  'sheet/cut': (board, random) => {
    const job = pick(random, jobsOf(board));
    const index = job.layout.sheets.findIndex(({ cut, placements }) => cut === undefined && placements.length > 0);
    if (index < 0) return null;
    const { cut, saved, splits } = tickedOff(job, index, `s${whole(random, 1, 99_999)}`);
    return { code: 'sheet/cut', sheet: cut, layout: saved, splits, jobKeys: [] };
  },
  'sheet/uncut': ({ record }, random) =>
    record.cutSheets.length === 0 ? null : { code: 'sheet/uncut', cutIds: [pick(random, record.cutSheets).id], layout: null, jobKeys: [] },
  together: () => ({
    code: 'together',
    edits: [
      { code: 'stack/weighed', weighed: true },
      { code: 'drying/change', change: { airId: 'fan' } },
    ],
    why: 'Both',
  }),
} satisfies Samples;

/** An edit of a code on a board; null where there is nothing of that sort to change. */
export const sampleEdit = (code: EditCode, board: Board, random: Random): Edit | null =>
  (SAMPLE_EDITS[code] as (board: Board, random: Random) => Edit | null)(board, random);

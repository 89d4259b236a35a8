import { FAMILY_NAMES, newPiece } from '../../build/pieces';
import { changesBetween, newPerson, newPlace } from '../../plan';
import { EMPTY_STOCK } from '../../plan/workshop';
import { CATALOGUE, derived } from '../plans';

import { type Samples, whole, pick, pieceOf, scaleOf } from './of-board';

/** Edits of a board as a whole, its pieces, people and days. */
export const PLAN_SAMPLES = {
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
} satisfies Partial<Samples>;

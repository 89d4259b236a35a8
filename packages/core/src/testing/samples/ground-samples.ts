import { GROUND_KINDS, RELIEFS } from '../../plan/surfaces';
import { newFeature } from '../../plan/features';
import { newPassage, rimBoards, rimOf, tableDepthMm, tableWidthMm } from '../../plan';
import { movedBy, rectangle } from '../../plan/shapes';
import { CATALOGUE } from '../plans';

import { type Samples, starters, whole, pick, oneOf, pieceOf } from './of-board';

/** Edits of surfaces, the table and what is drawn on it. */
export const GROUND_SAMPLES = {
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
} satisfies Partial<Samples>;

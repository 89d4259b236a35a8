import { GROUND_KINDS } from '../../plan/surfaces';
import { freshFacing, freshLayer } from '../../build/stack/adhesives';
import { savedFrom, tickedOff } from '../../build/cutting/saved';
import { CATALOGUE } from '../plans';

import { type Samples, whole, pick, layerOf, facedIn, jobsOf } from './of-board';

/** Edits of layers and cutting. */
export const BUILD_SAMPLES = {
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
  'cutting/batch': (board, random) => ({
    code: 'cutting/batch',
    jobKey: pick(random, jobsOf(board)).key,
    wayId: pick(random, CATALOGUE.batchWays).id,
  }),
  'cutting/trim': (_, random) => ({ code: 'cutting/trim', jobKey: null, mm: whole(random, 0, 9) }),
  'cutting/aim': (_, random) => ({ code: 'cutting/aim', aim: pick(random, ['cheapest', 'fewest']) }),
  'cutting/joints': (_, random) => ({ code: 'cutting/joints', joints: pick(random, ['saving', 'laid', 'asked']) }),
  'part/keep': (board, random) => ({
    code: 'part/keep',
    wholeId: pick(random, pick(random, jobsOf(board)).parts).wholeId,
    isKept: random() < 0.6,
  }),
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
} satisfies Partial<Samples>;

import { type Figure, given, inMillilitres, inSquareMetres, calculate, total } from '../../../base/units';
import { type Casting, type Catalogue, type Estimate, type Pack, estimated, materialBy, toolBy } from '../../../catalogue';
import type { Piece } from '../../../plan';
import { volumeMm3 } from '../../shell';
import { areaMm2, edgeMm } from '../../../base/geometry';
import { boxOf } from '../box';
import type { Clad } from '../cladding';
import type { Laminate } from '../family';
import { type JoiningWork, joiningMinutes } from '../gluing';
import { madeByHand } from './copies';
import type { MadeObject } from './made-object';

type CastTask = readonly [work: Figure<'min'>, wait: Figure<'min'>];
/** What casting all copies but the first takes, in one way. */
export interface CastWay {
  readonly casting: Casting;
  readonly moulds: Figure<'1'>;
  readonly mould: Figure<'g'>;
  readonly cast: Figure<'g'>;
  /** To make the moulds, and to pour the copies: the work, and what it waits for after. */
  readonly tasks: readonly [moulds: CastTask, copies: CastTask];
  readonly time: Figure<'min'>;
  readonly cost: Figure<'money'>;
  /** Until the last copy may be taken out, hands or none. */
  readonly wait: Figure<'min'>;
}
/** All copies but the first, cast or made like it. */
export interface Copying {
  readonly copies: Figure<'1'>;
  readonly byHand: { readonly time: Figure<'min'>; readonly cost: Figure<'money'> };
  readonly ways: readonly CastWay[];
  /** The way that is taken; null while every one is made by hand. */
  readonly way: CastWay | null;
}

interface Inputs {
  readonly piece: Piece;
  readonly objects: readonly MadeObject[];
  readonly clads: readonly Clad[];
  readonly laminates: readonly Laminate[];
  /** Of one piece. */
  readonly joining: readonly JoiningWork[];
  readonly catalogue: Catalogue;
}
/** Casting the copies against making each. @returns null for a piece that there is one of @source craft.md §5, cast copies */
export function copyingOf(inputs: Inputs): Copying | null {
  const { piece, catalogue } = inputs;
  if (piece.count < 2) return null;
  const copies = given('Copies of the first', piece.count - 1, '1', 'plan');
  const ways = catalogue.castings.map((casting) => castWay(casting, copies, inputs));
  return { copies, byHand: byHand(copies, inputs), ways, way: ways.find(({ casting }) => casting.id === piece.castingId) ?? null };
}

function castWay(casting: Casting, copies: Figure<'1'>, { piece, objects }: Inputs): CastWay {
  const what = `${piece.name}, ${casting.name.toLowerCase()}`;
  const perMould = given('Copies from one mould', casting.perMould, '1', 'catalogue', 'our default value');
  const moulds = calculate(`${what}: moulds`, '1', copies, '⌈÷⌉', perMould);
  const solidMm3 = objects.reduce((sum, { bodies, count }) => sum + count * bodies.reduce((all, body) => all + volumeMm3(body), 0), 0);
  const { wallMm } = casting.mould;
  const boxesMm3 = objects.reduce((sum, object) => sum + object.count * boxMm3(object, wallMm), 0);
  const solid = given(`${piece.name}: its parts`, solidMm3, 'mm³', 'drawing');
  const box = given(`${piece.name}: bounding boxes`, boxesMm3, 'mm³', 'drawing', `${wallMm} mm of mould on every side except the open one`);
  const round = inMillilitres(calculate(`${what}: one mould`, 'mm³', box, '−', solid));
  const loss = calculate(
    'Including the rest in the pot',
    '1',
    given('Whole', 1, '1', 'definition'),
    '+',
    calculate('Share left', '1', estimated('Left in the pot', casting.lossPct, '%'), '÷', given('Per cent', 100, '%', 'definition')),
  );
  const weigh = (label: string, each: Figure<'ml'>, count: Figure<'1'>, density: Estimate): Figure<'g'> =>
    calculate(
      label,
      'g',
      calculate(`${label}: poured`, 'ml', calculate(`${label}: net`, 'ml', each, '×', count), '×', loss),
      '×',
      estimated('Density', density, 'g/ml'),
    );
  const mould = weigh(`${casting.mould.name}, ${piece.name}`, round, moulds, casting.mould.densityGPerMl);
  const cast = weigh(`${casting.cast.name}, ${piece.name}`, inMillilitres(solid), copies, casting.cast.densityGPerMl);
  const each = (label: string, time: Estimate, count: Figure<'1'>): Figure<'min'> =>
    calculate(label, 'min', count, '×', estimated('Each', time, 'min'));
  const mouldTime = each(`${what}: making moulds`, casting.mouldWorkMin, moulds);
  const castTime = each(`${what}: pouring copies`, casting.workMin, copies);
  const fromOne = calculate('Copies from each mould', '1', copies, '⌈÷⌉', moulds);
  const curing = estimated('Moulds cure', casting.mouldCureMin, 'min');
  const setting = each('Copies set, one after another', casting.settingMin, fromOne);
  return {
    casting,
    moulds,
    mould,
    cast,
    tasks: [
      [mouldTime, curing],
      [castTime, setting],
    ],
    time: calculate(`${what}: time`, 'min', mouldTime, '+', castTime),
    cost: total(`${what}: cost`, 'money', [
      priced(casting.mould.name, mould, casting.mould.packs),
      priced(casting.cast.name, cast, casting.cast.packs),
    ]),
    wait: calculate(`${what}: waits`, 'min', curing, '+', setting),
  };
}

/** At the cheapest gram. */
function priced(name: string, mass: Figure<'g'>, packs: readonly Pack[]): Figure<'money'> {
  const best = packs.reduce((a, b) => (b.priceMinor / b.amount < a.priceMinor / a.amount ? b : a));
  return calculate(
    `${name}: cost`,
    'money',
    mass,
    '×',
    given(`${name}, a gram`, best.priceMinor / best.amount, 'money/g', 'catalogue', 'example price'),
  );
}

function boxMm3(object: MadeObject, wallMm: number): number {
  const [low, high] = boxOf(object);
  const [wide, deep, tall] = [0, 1, 2].map((axis) => high[axis as 0 | 1 | 2] - low[axis as 0 | 1 | 2]) as [number, number, number];
  return (wide + 2 * wallMm) * (deep + 2 * wallMm) * (tall + wallMm);
}

/** Every copy made like the first: cut, joined, clad, of sheets at their cheapest area. */
function byHand(copies: Figure<'1'>, { piece, objects: asMade, clads, laminates, joining, catalogue }: Inputs): Copying['byHand'] {
  // What is cut from a strip is cut once in each of its layers.
  const objects = asMade.map(({ sheets, count }) => ({
    count,
    sheets: sheets.flatMap((flat) => {
      const layers = flat.fromStrip === undefined ? [flat.role] : laminates.find(({ role }) => role === flat.role)!.layers;
      return layers.map((role) => ({ ...flat, role }));
    }),
  }));
  const cutting = objects.flatMap(({ sheets, count }) =>
    sheets.map(({ role, blank, name }) => {
      const { materialId } = piece.sheets.find((one) => one.role === role)!;
      const tool = toolBy(catalogue, materialBy(catalogue, materialId).toolIds[0]!);
      const cut = given(`${name}: cut`, (count * edgeMm(blank)) / 1_000, 'm', 'drawing');
      return calculate(`${name}: cutting`, 'min', cut, '÷', estimated(`${tool.name}, a minute`, tool.mPerMin, 'm/min'));
    }),
  );
  const all = given('All copies', madeByHand(piece), '1', 'plan');
  const clad = clads.map(({ way }) => calculate(`${way.time.label}, of one`, 'min', way.time, '÷', all));
  const one = total(`${piece.name}: one made by hand`, 'min', [...cutting, ...joiningMinutes(piece.name, joining, 1, catalogue), ...clad]);
  const sheets = objects.flatMap(({ sheets: own, count }) =>
    own.map(({ role, blank, name }) => {
      const { materialId, thicknessMm } = piece.sheets.find((sheet) => sheet.role === role)!;
      const minor = Math.min(
        ...catalogue.sheets
          .filter((sheet) => sheet.materialId === materialId && sheet.thicknessMm === thicknessMm)
          .map((sheet) => sheet.priceMinor / (sheet.widthMm * sheet.depthMm)),
      );
      const price = given(
        'Its sheet, per square metre',
        Number.isFinite(minor) ? minor * 1e6 : 0,
        'money/m²',
        'catalogue',
        'example price',
      );
      const area = inSquareMetres(given(`${name}: area`, count * areaMm2(blank), 'mm²', 'drawing'));
      return calculate(`${name}: sheet`, 'money', area, '×', price);
    }),
  );
  const cost = total(`${piece.name}: one made by hand, cost`, 'money', [
    ...sheets,
    ...clads.map(({ way }) => calculate(`${way.cost.label}, of one`, 'money', way.cost, '÷', all)),
  ]);
  return {
    time: calculate(`${piece.name}: copies made by hand`, 'min', one, '×', copies),
    cost: calculate(`${piece.name}: copies made by hand, cost`, 'money', cost, '×', copies),
  };
}

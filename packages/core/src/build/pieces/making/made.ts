import { memoize } from '../../../base/memory';
import { cutMm } from '../../../base/rounding';
import { type Region, areaMm2, boxRegion, edgeMm, regionBox } from '../../../base/geometry';
import { type Result, fail, ok } from '../../../base/result';
import { type Figure, given, inSquareMetres, calculate } from '../../../base/units';
import { type Catalogue, estimated, fillBy, lengthBy } from '../../../catalogue';
import type { PieceSurface } from '../../../finishing/coats';
import { pieceSurface } from '../../../plan/surfaces';
import type { Part } from '../../cutting/parts';
import type { Piece } from '../../../plan';
import type { z } from 'zod';
import { type FlatPart, type NoShape, type StockSizes, flatParts, resolved } from '../../shell';
import type {
  CladZone,
  Counting,
  FieldProblem,
  Laminate,
  Strung,
  PieceFamilyDefinition,
  PieceScale,
  PieceShape,
  StockRole,
} from '../family';
import { type Clad, cladSurfaces, cladsOf } from '../cladding';

import { coursesOn } from './coursed';
import { type Copying, copyingOf } from './casting';
import { madeByHand } from './copies';
import { type FillNeed, type PieceFacts, factsOf } from '../facts';
import { type PieceGlue, pieceGlues } from '../gluing';
import type { MadeObject } from './made-object';
import { liningsOf } from './lining';
import { type Strip, stripParts, stripsOf } from './strips';
import { FAMILIES, type FamilyName } from '../piece';
import { settingsOf, withStocks } from '../settings';

/** Why a piece cannot be made as it is set, and at which field that is mended. */
export interface PieceProblem {
  /** Null where no one field is to blame. */
  readonly field: string | null;
  readonly says: string;
}
/** What is cut from stock sold by length, each once. */
export interface LengthCut {
  readonly id: string;
  readonly name: string;
  readonly pieceId: string;
  readonly lengthId: string;
  readonly lengthMm: number;
  readonly endDeg: readonly [number, number];
}
/** Everything that follows from one piece. */
export interface MadePiece {
  readonly piece: Piece;
  readonly familyName: string;
  readonly problem: PieceProblem | null;
  readonly shape: PieceShape | null;
  readonly objects: readonly MadeObject[];
  /** Of all copies; none of a piece that is made for another board. */
  readonly parts: readonly Part[];
  readonly lengths: readonly LengthCut[];
  readonly clads: readonly Clad[];
  readonly laminates: readonly Laminate[];
  /** Glued up first; its segments are cut from them. */
  readonly strips: readonly Strip[];
  /** Adhesives to put it together with, and where each would not hold; none of one that cannot be made. */
  readonly glues: readonly PieceGlue[];
  readonly fills: readonly FillNeed[];
  /** Its outside, all copies, with what goes on it; null for one that cannot be made. */
  readonly surfaces: readonly PieceSurface[];
  /** Casting the copies against making each; null where there is one. */
  readonly copying: Copying | null;
  readonly facts: PieceFacts | null;
}
const definitionOf = (family: string): PieceFamilyDefinition<string, z.ZodType> | null =>
  family in FAMILIES ? (FAMILIES[family as FamilyName] as unknown as PieceFamilyDefinition<string, z.ZodType>) : null;

/** Makes one piece; remembered by it, so that an edit makes again what it changed. @param scale kept as one object while it is the same */
export const makePiece = memoize((asked: Piece, scale: PieceScale, catalogue: Catalogue): MadePiece => {
  const definition = definitionOf(asked.family);
  const piece = definition === null ? asked : withStocks(asked, definition.of.roles, catalogue);
  const nothing = {
    piece,
    shape: null,
    objects: [],
    parts: [],
    lengths: [],
    clads: [],
    laminates: [],
    strips: [],
    glues: [],
    fills: [],
    surfaces: [],
    copying: null,
    facts: null,
  };
  if (definition === null)
    return {
      ...nothing,
      familyName: piece.family,
      problem: { field: null, says: `“${piece.family}” is not a kind of piece that this program knows` },
    };
  const { of } = definition;
  const refuse = (problem: PieceProblem): MadePiece => ({ ...nothing, familyName: of.name, problem });
  const parsed = definition.settings.safeParse(settingsOf(piece, scale));
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!;
    return refuse({ field: path.length === 0 ? null : String(path[0]), says: message });
  }
  const laminates = of.laminates?.(parsed.data as never) ?? [];
  const stocks = stocksOf(piece, { roles: of.roles, laminates }, catalogue);
  if (!stocks.ok) return refuse(stocks.problem);
  const shape = of.shape(parsed.data as never, scale);
  if (!shape.ok) return refuse({ field: shape.problem.field, says: shape.problem.says });
  const bare = objectsOf(shape.value, stocks.value, laminates);
  if (!bare.ok) return refuse({ field: null, says: bare.problem });
  const strips = stripsOf(piece, bare.value, laminates, catalogue);
  if (!strips.ok) return refuse(strips.problem);
  const clads = cladsOf(piece, bare.value, of.clads, catalogue);
  const objects = clads.length === 0 ? bare.value : bare.value.map((object) => ({ ...object, courses: coursesOn(object, clads) }));
  const fills = fillsOf(piece, objects, shape.value, catalogue);
  const facts = factsOf(piece, objects, { clads, fills, laminates, strips: strips.value, shape: shape.value }, catalogue);
  return {
    piece,
    familyName: of.name,
    problem: null,
    shape: shape.value,
    objects,
    parts: piece.isMadeElsewhere
      ? []
      : [
          ...stripParts(piece, strips.value),
          ...objects.flatMap((object) => partsOf(piece, object, objects.length === 1, shape.value.oversize ?? [])),
        ],
    lengths: piece.isMadeElsewhere
      ? []
      : objects.flatMap((object) => lengthsOf(piece, object, objects.length === 1, shape.value.strung ?? [])),
    clads,
    laminates,
    strips: strips.value,
    glues: pieceGlues({ piece, objects, laminates, strips: strips.value, shape: shape.value }, catalogue),
    fills,
    surfaces: facesOf(piece, objects, facts.outside, of.clads),
    copying: copyingOf({ piece, objects, clads, laminates, joining: facts.joining, catalogue }),
    facts,
  };
});

/** The outside of a piece by what it wears: faces that wear a surface of their own, and all the rest. */
function facesOf(
  piece: Piece,
  objects: readonly MadeObject[],
  outside: Figure<'mm²'>,
  zones: readonly CladZone[],
): readonly PieceSurface[] {
  const copies = given('Copies', piece.count, '1', 'plan');
  const face = (shows: string | null, name: string, wears: string | null, area: Figure<'mm²'>): PieceSurface => ({
    surfaceId: pieceSurface(piece.id, shows),
    pieceId: piece.id,
    name,
    coated: calculate(`${name}: to coat`, 'm²', inSquareMetres(area), '×', copies),
    heaped: null,
    basins: [],
    stretches: [],
    wears,
    coats: piece.coats,
  });
  const told = piece.faces.flatMap(({ shows, surfaceId }) => {
    const zone = zones.find((one) => one.shows === shows);
    const mm2 = zone === undefined ? 0 : objects.reduce((sum, object) => sum + shownMm2(object, shows) * object.count, 0);
    return zone === undefined || mm2 <= 0 ? [] : [{ shows, surfaceId, name: `${piece.name}, ${zone.name.toLowerCase()}`, mm2 }];
  });
  const areas = told.map(({ name, mm2 }) => given(name, mm2, 'mm²', 'drawing', 'faces without openings, one copy'));
  const rest = areas.reduce((left, area) => calculate(`${piece.name}: rest of the outside`, 'mm²', left, '−', area), outside);
  return [
    ...(rest.value > 0 ? [face(null, piece.name, piece.surfaceId, rest)] : []),
    ...told.map(({ shows, surfaceId, name }, i) => face(shows, name, surfaceId, areas[i]!)),
  ];
}
const shownMm2 = (object: MadeObject, shows: string): number =>
  cladSurfaces(object, shows, 0, false, 0).reduce((sum, { areaMm2 }) => sum + areaMm2, 0);

/** The objects of a piece with their parts; the words for why they cannot be cut. */
function objectsOf(
  { objects, loose = [], liningRole }: PieceShape,
  stocks: StockSizes,
  laminates: readonly Laminate[],
): Result<readonly MadeObject[], string> {
  const made: MadeObject[] = [];
  for (const assembly of objects) {
    const { id, name, count } = assembly;
    const bodies = resolved(assembly, stocks);
    if (!bodies.ok) return fail(noShapeWords(bodies.problem));
    const linings = liningRole === undefined ? [] : liningsOf(assembly, stocks, liningRole);
    made.push({
      id,
      name,
      count,
      assembly,
      bodies: bodies.value,
      courses: [],
      loose: loose.filter(({ objectId }) => objectId === id),
      ...withLayers(flatParts(bodies.value), laminates, linings),
    });
  }
  return ok(made);
}

/** Parts of a stock that is glued up are cut layer by layer, or from a strip glued before; linings are cut with the rest. */
function withLayers(
  { sheets, lengths }: Pick<MadeObject, 'sheets' | 'lengths'>,
  laminates: readonly Laminate[],
  linings: readonly FlatPart[],
): Pick<MadeObject, 'sheets' | 'lengths'> {
  if (laminates.length + linings.length === 0) return { sheets, lengths };
  const layered = sheets.flatMap((part) => {
    const laminate = laminates.find(({ role }) => role === part.role);
    if (laminate === undefined) return [part];
    if (laminate.stripField !== undefined) return [{ ...part, fromStrip: true as const }];
    return laminate.layers.map((role, i) => ({ ...part, id: `${part.id}-${i + 1}`, name: `${part.name}, layer ${i + 1}`, role }));
  });
  return { sheets: [...layered, ...linings], lengths };
}

/** Stuff that shrinks while it dries is put on thicker. */
function fillsOf(piece: Piece, objects: readonly MadeObject[], { fills = [] }: PieceShape, catalogue: Catalogue): readonly FillNeed[] {
  return fills.flatMap(({ usual, objectId, ml }) => {
    const object = objects.find(({ id }) => id === objectId);
    if (object === undefined || ml <= 0) return [];
    const fill = fillBy(catalogue, catalogue.starter.pieces.fills[usual]!);
    const what = `${fill.name}, ${piece.name}`;
    const each = given(`${what}: of one`, ml * object.count, 'ml', 'drawing');
    const left = given(`${fill.name}, share left when dry`, 1 - fill.shrinksPct.value / 100, '1', 'catalogue', fill.shrinksPct.origin);
    const wet = fill.shrinksPct.value === 0 ? each : calculate(`${what}: before shrinking`, 'ml', each, '÷', left);
    return [
      {
        fill,
        volume: calculate(what, 'ml', wet, '×', given('Copies made by hand', madeByHand(piece), '1', 'plan')),
        massEach: calculate(`${what}: mass`, 'g', each, '×', estimated('Density', fill.densityGPerMl, 'g/ml')),
      },
    ];
  });
}

/** Surfaces of a piece that can be clad; none of a family nobody knows. */
export const cladZonesOf = ({ family }: Piece): readonly CladZone[] => definitionOf(family)?.of.clads ?? [];

/** How a set of this family is counted for a table; null where it is no set. */
export const countingOf = ({ family }: Piece): Counting<never> | null =>
  (definitionOf(family)?.of.counts as Counting<never> | undefined) ?? null;
/** The settings of a set that is to be laid out as asked. */
export function countedFor(piece: Piece, asked: Readonly<Record<string, number>>): Result<Piece['settings'], FieldProblem> {
  return countingOf(piece)!.counted(piece.settings as never, asked) as Result<Piece['settings'], FieldProblem>;
}

/** What a shell says of itself where no field could tell. */
function noShapeWords({ code, faceName, what }: NoShape): string {
  const where = what === 'outline' ? faceName : `${faceName}, ${what.toLowerCase()}`;
  switch (code) {
    case 'shell/crosses':
      return `${where}: its outline would cross itself. Use thinner stock or a larger size`;
    case 'shell/vanishes':
      return `${where}: the bevels leave nothing of it. Use thinner stock or a larger size`;
    case 'shell/opening-outside':
      return `${where} does not lie within ${faceName.toLowerCase()}. Use a smaller opening`;
    case 'shell/crowded':
      return `${where}: not enough room for that many. Use fewer, or narrower stock`;
    default:
      return code satisfies never;
  }
}

/** The sizes of the stocks a piece is made of. */
function stocksOf(
  { sheets, lengths }: Piece,
  { roles, laminates }: { readonly roles: readonly StockRole[]; readonly laminates: readonly Laminate[] },
  catalogue: Catalogue,
): Result<StockSizes, PieceProblem> {
  const lacks = (says: string): Result<StockSizes, PieceProblem> => fail({ field: null, says });
  const sizes: Record<string, StockSizes[string]> = {};
  for (const { role, name, sold, section = 'strip' } of roles) {
    if (sold === 'sheet') {
      const sheet = sheets.find((one) => one.role === role);
      if (sheet === undefined) return lacks(`${name}: no sheet is chosen. Choose one from the stock`);
      sizes[role] = { thicknessMm: sheet.thicknessMm, widthMm: null, isRound: false };
      continue;
    }
    const chosen = lengths.find((one) => one.role === role);
    if (chosen === undefined) return lacks(`${name}: no stock is chosen. Choose any ${section}`);
    const { section: own, widthMm, thicknessMm, boreMm } = lengthBy(catalogue, chosen.lengthId);
    sizes[role] = { thicknessMm, widthMm, isRound: own !== 'strip', boreMm };
  }
  for (const { role, layers } of laminates)
    sizes[role] = { ...sizes[role]!, thicknessMm: layers.reduce((sum, layer) => sum + sizes[layer]!.thicknessMm, 0) };
  for (const { role, name, within } of roles) {
    if (within === undefined) continue;
    const outer = roles.find((one) => one.role === within)!;
    if (thickestMm(sizes[role]!) > thinnestMm(sizes[within]!) + 1e-9)
      return lacks(
        `${name} of ${thickestMm(sizes[role]!)} mm are thicker than ${outer.name.toLowerCase()} of ${thinnestMm(sizes[within]!)} mm. Enter up to ${thinnestMm(sizes[within]!)} mm`,
      );
  }
  return ok(sizes);
}
const thickestMm = ({ thicknessMm }: StockSizes[string]): number => thicknessMm;
const thinnestMm = ({ thicknessMm, widthMm }: StockSizes[string]): number => Math.min(thicknessMm, widthMm ?? thicknessMm);

/** Copies of a piece, each with its number where there are several. */
function copiesOf(piece: Piece, object: MadeObject, isOnly: boolean): { readonly key: string; readonly name: string }[] {
  const count = madeByHand(piece) * object.count;
  const name = isOnly ? piece.name : `${piece.name}, ${object.name.toLowerCase()}`;
  return Array.from({ length: count }, (_, i) => ({
    key: `${piece.id}-${object.id}-${i + 1}`,
    name: count === 1 ? name : `${name} ${i + 1}`,
  }));
}

function partsOf(piece: Piece, object: MadeObject, isOnly: boolean, oversize: NonNullable<PieceShape['oversize']>): Part[] {
  return object.sheets.flatMap((flat) => {
    if (flat.fromStrip !== undefined) return [];
    const overMm = oversize.find(({ bodyId }) => flat.bodyIds.includes(bodyId))?.overMm ?? 0;
    const { materialId, thicknessMm } = piece.sheets.find(({ role }) => role === flat.role)!;
    const blank = overMm === 0 ? flat.blank : overBox(flat.blank, overMm);
    const { right, bottom } = regionBox(blank);
    const mm2 = areaMm2(blank);
    const edge = edgeMm(blank);
    const marks = { drawn: flat.drawn, far: flat.far, bevels: flat.bevels, folds: flat.folds, scores: flat.scores };
    return copiesOf(piece, object, isOnly).map(({ key, name }): Part => {
      const id = `${key}-${flat.id}`;
      const partName = `${name}: ${flat.name.toLowerCase()}`;
      return {
        id,
        name: partName,
        wholeId: id,
        wholeName: partName,
        workpieceId: piece.id,
        featureId: null,
        stage: 'piece',
        materialId,
        thicknessMm,
        level: 0,
        at: null,
        grain: null,
        widthMm: cutMm(right),
        depthMm: cutMm(bottom),
        outline: blank,
        areaMm2: mm2,
        staysMm2: overMm === 0 ? mm2 : areaMm2(flat.blank),
        cutMm: edge,
        ...(overMm === 0 ? { marks } : { isRough: true as const }),
      };
    });
  });
}

/** The box of an outline, so much larger all round. */
function overBox(outline: Region, overMm: number): Region {
  const { right, bottom } = regionBox(outline);
  return boxRegion({ left: 0, top: 0, right: right + 2 * overMm, bottom: bottom + 2 * overMm });
}

function lengthsOf(piece: Piece, object: MadeObject, isOnly: boolean, strung: readonly Strung[]): LengthCut[] {
  const hung = strung.filter(({ objectId }) => objectId === object.id).map((own) => ({ ...own, endDeg: [0, 0] as const }));
  return copiesOf(piece, object, isOnly).flatMap(({ key, name }) =>
    [...object.lengths, ...hung].map((cut) => ({
      id: `${key}-${cut.id}`,
      name: `${name}: ${cut.name.toLowerCase()}`,
      pieceId: piece.id,
      lengthId: piece.lengths.find(({ role }) => role === cut.role)!.lengthId,
      lengthMm: cut.lengthMm,
      endDeg: cut.endDeg,
    })),
  );
}

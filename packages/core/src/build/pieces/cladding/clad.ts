import { type Figure, given, hoursInMinutes, inSquareMetres, massOf, calculate, total } from '../../../base/units';
import { type Catalogue, type Cladding, type Laying, adhesiveBy, claddingBy, estimated, layingBy } from '../../../catalogue';
import type { Piece } from '../../../plan';
import { madeByHand } from '../making/copies';
import type { CladZone } from '../family';
import type { MadeObject } from '../making/made-object';
import { type Laid, laidOn } from './courses';
import { cladSurfaces } from './surface';

/** One way of giving a surface its look, with what it takes; of all copies of the piece. */
export interface CladWay {
  readonly layingId: string;
  readonly name: string;
  readonly remark: string;
  readonly time: Figure<'min'>;
  readonly cost: Figure<'money'>;
  readonly mass: Figure<'g'>;
  /** Small parts laid by hand; 0 where the surface itself is worked. */
  readonly count: number;
  readonly glue: { readonly adhesiveId: string; readonly mass: Figure<'g'> } | null;
}
/** A surface of a piece that is clad: how many units it takes, and every way to put them on. */
export interface Clad {
  readonly shows: string;
  readonly name: string;
  readonly cladding: Cladding;
  readonly area: Figure<'mm²'>;
  /** Of all copies, before waste. */
  readonly laid: Laid;
  readonly units: Figure<'1'>;
  /** With waste; what is bought where units are laid. */
  readonly toBuy: Figure<'1'>;
  readonly way: CladWay;
  readonly ways: readonly CladWay[];
}

/** Everything a piece is clad with. @param zones surfaces its family knows @source craft.md §5: faces less openings, unit, bond and joint give the count, plus waste */
export function cladsOf(piece: Piece, objects: readonly MadeObject[], zones: readonly CladZone[], catalogue: Catalogue): readonly Clad[] {
  return zones.flatMap(({ shows, name }) => {
    const chosen = piece.cladding.find((one) => one.shows === shows);
    if (chosen === undefined) return [];
    const cladding = claddingBy(catalogue, chosen.claddingId);
    const { laid, areaMm2 } = laidOver(piece, objects, shows, cladding);
    if (areaMm2 === 0) return [];
    const what = `${piece.name}, ${name.toLowerCase()}`;
    const area = given(what, areaMm2, 'mm²', 'drawing', 'faces less openings, all copies');
    const whole = laid.whole + laid.cut + Math.ceil(laid.halves / 2);
    const units = given(
      `${what}: ${cladding.unitsName}`,
      whole,
      '1',
      'drawing',
      `${laid.courses} courses: ${laid.whole} whole, ${laid.cut} cut, ${laid.halves} halves, two from one`,
    );
    const waste = calculate(
      'With waste',
      '1',
      given('Whole', 1, '1', 'definition'),
      '+',
      calculate('Spoilage', '1', estimated('Spoilage, per cent', cladding.wastePct, '%'), '÷', given('Per cent', 100, '%', 'definition')),
    );
    const toBuy = calculate(`${what}: ${cladding.unitsName} with waste`, '1', calculate('Needed', '1', units, '×', waste), '⌈÷⌉', ONE);
    const ways = cladding.layingIds.map((id) => wayOf(layingBy(catalogue, id), { what, area, units, toBuy, cladding, catalogue }));
    const way = ways.find(({ layingId }) => layingId === chosen.layingId) ?? ways[0]!;
    return [{ shows, name, cladding, area, laid, units, toBuy, way, ways }];
  });
}
const ONE = given('Rounded up', 1, '1', 'definition');

/** Counted on every object of the piece, times its copies. */
function laidOver(
  piece: Piece,
  objects: readonly MadeObject[],
  shows: string,
  cladding: Cladding,
): { readonly laid: Laid; readonly areaMm2: number } {
  let [courses, whole, cut, halves, areaMm2] = [0, 0, 0, 0, 0];
  for (const object of objects) {
    const copies = madeByHand(piece) * object.count;
    for (const surface of cladSurfaces(object, shows, cladding.deepMm, cladding.runs === 'up', cladding.pastMm)) {
      const laid = laidOn(surface.edges, cladding, surface.bottomMm, surface.leftMm);
      courses = Math.max(courses, laid.courses);
      [whole, cut, halves] = [whole + laid.whole * copies, cut + laid.cut * copies, halves + laid.halves * copies];
      areaMm2 += surface.areaMm2 * copies;
    }
  }
  return { laid: { courses, whole, cut, halves }, areaMm2 };
}

interface WayInputs {
  readonly what: string;
  readonly area: Figure<'mm²'>;
  readonly units: Figure<'1'>;
  readonly toBuy: Figure<'1'>;
  readonly cladding: Cladding;
  readonly catalogue: Catalogue;
}
function wayOf(laying: Laying, inputs: WayInputs): CladWay {
  const { id: layingId, name, remark, rate, usesUnits, adhesiveId, setUpMin } = laying;
  const { what, area, units, cladding, catalogue } = inputs;
  const label = `${what}, ${name.toLowerCase()}`;
  const hours =
    rate.by === 'count'
      ? calculate(`${label}, hours`, 'h', units, '÷', estimated(`${cladding.unitsName}, per hour`, rate.perH, '1/h'))
      : calculate(`${label}, hours`, 'h', inSquareMetres(area), '÷', estimated(`${name}, an hour`, rate.m2PerH, 'm²/h'));
  const time = calculate(`${label}: time`, 'min', hoursInMinutes(hours), '+', estimated('Set-up and clean-up', setUpMin, 'min'));
  if (!usesUnits) return { layingId, name, remark, time, cost: NO_COST, mass: NO_MASS, count: 0, glue: null };
  const adhesive = adhesiveId === null ? null : adhesiveBy(catalogue, adhesiveId);
  const glue =
    adhesive === null
      ? null
      : {
          adhesiveId: adhesive.id,
          mass: calculate(
            `${adhesive.name}, ${what}`,
            'g',
            inSquareMetres(area),
            '×',
            estimated('Spread per square metre', adhesive.gPerM2, 'g/m²'),
          ),
        };
  return { layingId, name, remark, time, cost: costOf(inputs), mass: weightOf(inputs), count: units.value, glue };
}
const NO_COST = given('Nothing to buy', 0, 'money', 'definition');
const NO_MASS = given('No work', 0, 'g', 'definition');

function costOf({ what, toBuy, cladding: { name, packs } }: WayInputs): Figure<'money'> {
  const each = packs.reduce((best, pack) => (pack.priceMinor / pack.amount < best.priceMinor / best.amount ? pack : best));
  return calculate(
    `${what}: cost`,
    'money',
    toBuy,
    '×',
    given(`${name}, each`, each.priceMinor / each.amount, 'money', 'catalogue', 'example price'),
  );
}

/** What is laid: the surface as thick as a unit, thicker by what lies under its neighbours. */
function weightOf({ what, area, cladding }: WayInputs): Figure<'g'> {
  const { longMm, highMm, deepMm, lapMm, sideLapMm, name, densityKgPerM3 } = cladding;
  const lapped = (highMm / (highMm - lapMm)) * (longMm / (longMm - sideLapMm));
  const bare = calculate(`${what}: laid`, 'mm³', area, '×', given(`${name}, thickness`, deepMm, 'mm', 'catalogue'));
  const volume = calculate(`${what}: volume`, 'mm³', bare, '×', given('Factor for overlaps', lapped, '1', 'catalogue'));
  return massOf(`${what}: cladding`, volume, estimated(`${name}, density`, densityKgPerM3, 'kg/m³'));
}

/** What all pieces of a board are clad with, by kind: what is bought. */
export const cladTotal = (name: string, own: readonly Clad[]): Figure<'1'> =>
  total(
    name,
    '1',
    own.map(({ toBuy }) => toBuy),
  );

/** What pieces of sheet at hand give, the most first; none of those that give nothing. */
export const unitsFromEach = <O extends { readonly widthMm: number; readonly depthMm: number }>(
  cladding: Pick<Cladding, 'longMm' | 'highMm'>,
  offcuts: readonly O[],
): readonly { readonly offcut: O; readonly units: number }[] =>
  offcuts
    .map((offcut) => ({ offcut, units: unitsFrom(cladding, offcut.widthMm, offcut.depthMm, 0) }))
    .filter(({ units }) => units > 0)
    .sort((a, b) => b.units - a.units);

/** How many units a rectangle of sheet gives, cut in strips and across. @param kerfMm lost at every cut */
export function unitsFrom(
  { longMm, highMm }: Pick<Cladding, 'longMm' | 'highMm'>,
  widthMm: number,
  depthMm: number,
  kerfMm: number,
): number {
  const along = (sizeMm: number, unitMm: number): number => Math.floor((sizeMm + kerfMm) / (unitMm + kerfMm) + 1e-9);
  return Math.max(along(widthMm, longMm) * along(depthMm, highMm), along(widthMm, highMm) * along(depthMm, longMm));
}

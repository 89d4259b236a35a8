import { type Figure, type Unit, given, ranged } from '../base/units';
import type {
  Adhesive,
  BatchWay,
  Battery,
  Catalogue,
  Casting,
  Cladding,
  Estimate,
  Join,
  Lamp,
  Fill,
  Laying,
  LengthStock,
  Material,
  Method,
  Paint,
  Pattern,
  Stuff,
  Sheet,
  Coating,
  Tool,
} from './schema';

/** A catalogue estimate as an input of the reckoning, its range and origin in the note. */
export function estimated<U extends Unit>(label: string, estimate: Estimate, unit: U): Figure<U> {
  if (estimate.low === estimate.high) return given(label, estimate.value, unit, 'catalogue', estimate.origin);
  return ranged(given(label, estimate.value, unit, 'catalogue', `${estimate.origin}, ${estimate.low} to ${estimate.high}`), estimate);
}

/** Stock sheets of a material in one thickness that are to be had, smallest first. */
export function sheetsOf(catalogue: Catalogue, materialId: string, thicknessMm: number): readonly Sheet[] {
  const all = catalogue.sheets.filter((sheet) => sheet.materialId === materialId && sheet.thicknessMm === thicknessMm);
  const gone = catalogue.outOfUse ?? [];
  const had = gone.length === 0 ? all : all.filter(({ id }) => !gone.includes(`sheets.${id}`));
  // A board that was built of what is to be had no longer is still reckoned.
  return [...(had.length === 0 ? all : had)].sort((a, b) => a.widthMm * a.depthMm - b.widthMm * b.depthMm);
}

/** What one stock sheet costs. */
export const sheetPrice = ({ priceMinor }: Sheet): Figure<'money'> => given('A sheet', priceMinor, 'money', 'catalogue', 'example price');

/** Where a board's stock is bought: what is sold in nominal inches is not to be had everywhere. */
export type StockRegion = 'metric' | 'inch';

/** Thicknesses a material is stocked in where the board is built, thin to thick; those of the other region where there are no others. */
export function thicknessesOf(catalogue: Catalogue, materialId: string, region: StockRegion): readonly number[] {
  const all = catalogue.sheets.filter((sheet) => sheet.materialId === materialId);
  const here = all.filter(({ soldIn }) => (soldIn === 'in') === (region === 'inch'));
  return [...new Set((here.length === 0 ? all : here).map(({ thicknessMm }) => thicknessMm))].sort((a, b) => a - b);
}

/** The region that sheets of these thicknesses are bought in: inch where one of them is sold in nominal inches only. */
export function regionOf(thicknessesMm: readonly number[], catalogue: Catalogue): StockRegion {
  const isInch = catalogue.sheets.some(({ soldIn, thicknessMm }) => soldIn === 'in' && thicknessesMm.includes(thicknessMm));
  return isInch ? 'inch' : 'metric';
}

/** @throws RangeError for an id the catalogue lacks: `checkAgainst` refuses such plans before they are reckoned */
export const materialBy = (catalogue: Catalogue, id: string): Material => byId(catalogue.materials, 'material', id);
/** @throws RangeError for an unknown id */
export const adhesiveBy = (catalogue: Catalogue, id: string): Adhesive => byId(catalogue.adhesives, 'adhesive', id);
/** @throws RangeError for an unknown id */
export const coatingBy = (catalogue: Catalogue, id: string): Coating => byId(catalogue.coatings, 'coating', id);
/** @throws RangeError for an unknown id */
export const methodBy = (catalogue: Catalogue, id: string): Method => byId(catalogue.methods, 'method', id);
/** @throws RangeError for an unknown id */
export const stuffBy = (catalogue: Catalogue, id: string): Stuff => byId(catalogue.stuffs, 'stuff', id);
/** @throws RangeError for an unknown id */
export const paintBy = (catalogue: Catalogue, id: string): Paint => byId(catalogue.paints, 'paint', id);
/** @throws RangeError for an unknown id */
export const patternBy = (catalogue: Catalogue, id: string): Pattern => byId(catalogue.patterns, 'pattern', id);
/** @throws RangeError for an unknown id */
/** @throws RangeError for an unknown id */
export const batchWayBy = (catalogue: Catalogue, id: string): BatchWay => byId(catalogue.batchWays, 'way of cutting equal parts', id);
/** @throws RangeError for an unknown id */
export const toolBy = (catalogue: Catalogue, id: string): Tool => byId(catalogue.tools, 'tool', id);
/** @throws RangeError for an unknown id */
export const airBy = (catalogue: Catalogue, id: string): Catalogue['airs'][number] => byId(catalogue.airs, 'air', id);

/** @throws RangeError for an unknown id */
export const joinBy = (catalogue: Catalogue, id: string): Join => byId(catalogue.joins, 'join', id);
/** @throws RangeError for an unknown id */
export const batteryBy = (catalogue: Catalogue, id: string): Battery => byId(catalogue.batteries, 'battery box', id);
/** @throws RangeError for an unknown id */
export const lampBy = (catalogue: Catalogue, id: string): Lamp => byId(catalogue.lamps, 'lamp', id);

/** @throws RangeError for an unknown id */
export const lengthBy = (catalogue: Catalogue, id: string): LengthStock => byId(catalogue.lengths, 'stock sold by length', id);

/** @throws RangeError for an unknown id */
export const claddingBy = (catalogue: Catalogue, id: string): Cladding => byId(catalogue.claddings, 'cladding', id);
/** @throws RangeError for an unknown id */
export const layingBy = (catalogue: Catalogue, id: string): Laying => byId(catalogue.layings, 'way of cladding', id);

/** @throws RangeError for an unknown id */
export const castingBy = (catalogue: Catalogue, id: string): Casting => byId(catalogue.castings, 'way of casting', id);
/** @throws RangeError for an unknown id */
export const fillBy = (catalogue: Catalogue, id: string): Fill => byId(catalogue.fills, 'loose fill', id);

/** The caution texts for ids, in catalogue order. */
export function cautionTexts(catalogue: Catalogue, ids: readonly string[]): readonly string[] {
  return catalogue.cautions.filter(({ id }) => ids.includes(id)).map(({ text }) => text);
}

function byId<T extends { readonly id: string }>(entries: readonly T[], what: string, id: string): T {
  const found = entries.find((entry) => entry.id === id);
  if (found === undefined) throw new RangeError(`${what} ${id} is not in the catalogue`);
  return found;
}

import { memoize } from '../../base/memory';
import { type Catalogue, materialBy } from '../../catalogue';
import type { Cutting } from '../../plan';
import type { WorkshopState } from '../../plan/workshop';
import { type Stock, blankOf, fitsOn } from './nesting';
import { type Part, asSplit } from './parts';
import { cutWith, jobKey, newSheet, offcutAsStock, offcutsFor, sheetsHad, statedTrimMm } from './to-cut-with';

/** Sheets and offcuts of one material and thickness. */
export interface Available {
  readonly kerfMm: number;
  /** New sheets of every size, and what is left of others in the rack. */
  readonly stock: readonly Stock[];
}
export interface AvailableInputs extends Pick<Cutting, 'trimMm' | 'trims' | 'tools' | 'splits' | 'joints' | 'withoutSheetIds'> {
  readonly offcuts: WorkshopState['offcuts'];
  readonly cut: WorkshopState['cutSheets'];
  readonly catalogue: Catalogue;
}

/** What a part can be cut from; the same object for parts of one material and thickness. */
export function availableFor(inputs: AvailableInputs): (part: Part) => Available {
  const { offcuts, cut, catalogue } = inputs;
  const known = new Map<string, Available>();
  return ({ materialId, thicknessMm }) => {
    const key = jobKey(materialId, thicknessMm);
    let available = known.get(key);
    if (available === undefined) {
      available = {
        kerfMm: cutWith(materialBy(catalogue, materialId), key, inputs, catalogue).kerfMm,
        stock: [
          ...sheetsHad(catalogue, materialId, thicknessMm, inputs).map((sheet) => newSheet(sheet, statedTrimMm(key, inputs), catalogue)),
          ...offcutsFor(offcuts, materialId, thicknessMm)
            .filter(({ id }) => !cut.some(({ offcutId }) => offcutId === id))
            .map((offcut) => offcutAsStock(offcut)),
        ],
      };
      known.set(key, available);
    }
    return available;
  };
}

const NONE: readonly Part[] = [];

/** Parts, as they are split by hand, that fit on no sheet to be had and on no offcut; none where joints are only made when they are asked for. */
export function tooLarge({ whole, ...inputs }: AvailableInputs & { readonly whole: readonly Part[] }): readonly Part[] {
  if (inputs.joints === 'asked') return NONE;
  const done = new Set(inputs.cut.flatMap(({ places }) => places.map(({ partId }) => partId)));
  const available = availableFor(inputs);
  // What the plan splits may still be too large: its pieces are split in turn.
  const large = asSplit(whole, inputs.splits).filter((part) => !done.has(part.id) && !fitsAny(part, available(part)));
  return large.length === 0 ? NONE : large;
}
/** Whether a part goes on one of them; what nothing is stocked for is no matter of joints. */
const fitsAny = memoize((part: Part, available: Available): boolean => {
  const { stock, kerfMm } = available;
  return stock.length === 0 || stock.some((one) => fitsOn(blankOf(part), one, kerfMm));
});

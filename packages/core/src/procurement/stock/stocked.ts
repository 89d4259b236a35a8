import type { Catalogue } from '../../catalogue';
import type { Unit } from '../../base/units';

/** Lists of the catalogue whose entries can lie on a shelf. */
type StockedKind =
  'adhesives' | 'coatings' | 'stuffs' | 'lengths' | 'claddings' | 'fills' | 'castings' | 'joins' | 'batteries' | 'lamps' | 'sheets';

/** Something that can be bought and lie on a shelf, by its place in the catalogue: `adhesives.white-glue`. */
export interface Stocked {
  readonly id: string;
  readonly kind: StockedKind;
  readonly entryId: string;
  /** The id by which work asks for it: that of its entry, of a sheet its material's. */
  readonly usedAs: string;
  readonly name: string;
  readonly unit: Extract<Unit, 'g' | 'ml' | '1' | 'm'>;
  /** What one package holds, and our own price of it. */
  readonly packs: readonly { readonly amount: number; readonly priceMinor: number }[];
  /** Days that it keeps closed, and once it was opened; null for what keeps. */
  readonly life: { readonly closedDays: number; readonly openDays: number } | null;
}

/** Where it stands, by what is asked for it. */
const placed = (kind: StockedKind, entryId: string, usedAs = entryId): Pick<Stocked, 'id' | 'kind' | 'entryId' | 'usedAs'> => ({
  id: stockId(kind, entryId),
  kind,
  entryId,
  usedAs,
});
export const stockId = (kind: StockedKind, id: string): string => `${kind}.${id}`;

const KNOWN = new WeakMap<Catalogue, ReadonlyMap<string, Stocked>>();
/** Everything that can be bought, by its place. What is made of parts is bought as these, and is not here. */
export function stockedIn(catalogue: Catalogue): ReadonlyMap<string, Stocked> {
  let known = KNOWN.get(catalogue);
  if (known === undefined) KNOWN.set(catalogue, (known = new Map(listed(catalogue).map((one) => [one.id, one]))));
  return known;
}

function listed(catalogue: Catalogue): readonly Stocked[] {
  const single = (
    kind: StockedKind,
    { id, name, priceMinor }: { readonly id: string; readonly name: string; readonly priceMinor: number },
    usedAs = id,
  ): Stocked => ({ ...placed(kind, id, usedAs), name, unit: '1', packs: [{ amount: 1, priceMinor }], life: null });
  return [
    ...catalogue.adhesives.map(({ id, name, packsG, life }): Stocked => ({
      ...placed('adhesives', id),
      name,
      unit: 'g',
      packs: packsG,
      life: life ?? null,
    })),
    ...catalogue.coatings
      .filter(({ recipe, sold }) => recipe === null && sold.packs.length > 0)
      .map(({ id, name, sold, life }): Stocked => ({
        ...placed('coatings', id),
        name,
        unit: sold.by === 'each' ? '1' : sold.by,
        packs: sold.packs,
        life: life ?? null,
      })),
    ...catalogue.stuffs
      .filter(({ packsMl, adhesiveId }) => packsMl.length > 0 && adhesiveId === undefined)
      .map(({ id, name, packsMl, life }): Stocked => ({ ...placed('stuffs', id), name, unit: 'ml', packs: packsMl, life: life ?? null })),
    ...catalogue.lengths.map((one) => single('lengths', one)),
    ...catalogue.claddings.map(({ id, name, packs }): Stocked => ({ ...placed('claddings', id), name, unit: '1', packs, life: null })),
    ...catalogue.fills.map(({ id, name, packsMl }): Stocked => ({ ...placed('fills', id), name, unit: 'ml', packs: packsMl, life: null })),
    // Moulds of several ways are poured from one tub: its name says which.
    ...catalogue.castings.flatMap(({ id, mould, cast }) =>
      [mould, cast].map(({ name, packs }): Stocked => ({ ...placed('castings', name, id), name, unit: 'g', packs, life: null })),
    ),
    ...catalogue.joins
      .filter(({ packs }) => packs.length > 0)
      .map(({ id, name, packs }): Stocked => ({ ...placed('joins', id), name, unit: '1', packs, life: null })),
    ...catalogue.batteries.map((one) => single('batteries', one)),
    ...catalogue.lamps.map((one) => single('lamps', one)),
    ...catalogue.sheets.map((sheet) => {
      const material = catalogue.materials.find(({ id }) => id === sheet.materialId)!;
      const name = `${material.name}, ${sheet.thicknessMm} mm, ${sheet.widthMm} × ${sheet.depthMm} mm`;
      return single('sheets', { ...sheet, name }, sheet.materialId);
    }),
  ];
}

import type { Catalogue } from '../../../catalogue';
import { type DryingPlaces, coatWaits } from '../../../schedule/drying';
import type { SurfaceArea } from '../../../terrain/ground';
import type { SurfaceId } from '../../../plan/surfaces';
import { type Figure, given, calculate, total } from '../../../base/units';
import type { CoatNeed, PieceSurface } from '../coats';
import { type GrainLook, grainLook } from '../grain';
import { inOrder } from '../order';

/** What one coat takes on one surface. */
export interface MatrixCell {
  readonly surfaceId: SurfaceId;
  readonly coatId: string;
  readonly amount: CoatNeed['amount'];
  readonly goes: number;
  readonly before: CoatNeed['coat']['before'];
}
/** One step of the order of work over all surfaces. */
export interface MatrixRow {
  readonly key: string;
  readonly coatingId: string;
  readonly name: string;
  readonly method: string;
  readonly cells: readonly MatrixCell[];
  readonly all: CoatNeed['amount'];
  /** Until the next coat on any of them may follow. */
  readonly wait: Figure<'min'> | null;
  /** Minutes of calls back while it dries; null where it wants none. */
  readonly tended: Figure<'min'> | null;
  readonly grain: GrainLook | null;
}
/** Surfaces across, steps down. */
export interface CoatMatrix {
  readonly columns: readonly { readonly surfaceId: SurfaceId; readonly name: string; readonly area: Figure<'m²'> }[];
  readonly rows: readonly MatrixRow[];
}

interface MatrixInputs {
  readonly coats: readonly CoatNeed[];
  readonly areas: readonly SurfaceArea[];
  readonly pieceSurfaces: readonly PieceSurface[];
  readonly spots: DryingPlaces;
  readonly figureHeightMm: number;
  readonly catalogue: Catalogue;
}

/** All coats of a board in the order of work: how much of each goes where, and how long it has to dry. */
export function coatMatrix({ coats, areas, pieceSurfaces, spots, figureHeightMm, catalogue }: MatrixInputs): CoatMatrix {
  const scale = figureHeightMm / catalogue.bench.personMm.value;
  const coated = new Set(coats.map(({ surfaceId }) => surfaceId));
  const columns = [...areas, ...pieceSurfaces]
    .filter(({ surfaceId }) => coated.has(surfaceId))
    .map(({ surfaceId, name, coated: area }) => ({ surfaceId, name, area }));
  const rows = inOrder(coats).map(({ key, needs }): MatrixRow => {
    const { coating, method } = needs[0]!;
    const filmMm = needs.reduce<number | null>((most, need) => (need.filmMm === null ? most : Math.max(most ?? 0, need.filmMm)), null);
    const { unit } = needs[0]!.amount;
    const { tended } = coating;
    return {
      key,
      coatingId: coating.id,
      name: coating.name,
      method: method.name,
      cells: needs.map(({ surfaceId, coatId, amount, coat }) => ({ surfaceId, coatId, amount, goes: coat.goes, before: coat.before })),
      all: total(
        `${coating.name}, ${method.name}`,
        unit,
        needs.map(({ amount }) => amount as Figure<typeof unit>),
      ) as CoatNeed['amount'],
      wait: coatWaits(coating, filmMm, spots.usual, catalogue).recoat.usual,
      tended:
        tended === null
          ? null
          : calculate(
              `${tended.what}, a tile`,
              'min',
              given('Visits while drying', Math.floor(tended.forMin / tended.everyMin), '1', 'catalogue', `every ${tended.everyMin} min`),
              '×',
              given('Time for each', tended.takesMin, 'min', 'catalogue', 'our default value'),
            ),
      grain: grainLook(coating, scale),
    };
  });
  return { columns, rows };
}

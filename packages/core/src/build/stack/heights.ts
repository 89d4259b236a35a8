import { type Catalogue, type StockRegion, sheetsOf } from '../../catalogue';
import type { Ground } from '../../terrain/ground';
import type { Plan } from '../../plan';
import { type Figure, given, inSquareMetres, lengthText, lengthUnit, lengthWords, calculate, total } from '../../base/units';
import { type BuildUp, otherBuildUps } from './build-up';
import { type BoardStack, stockAtHand } from './stack';

/** One way to build a height, with what it costs on the whole board. */
export interface HeightOption extends BuildUp {
  readonly isChosen: boolean;
  readonly isWithin: boolean;
  readonly cost: Figure<'money'>;
}
/** A height that raised ground is built to, the features that have it, and the ways to make it from stock. */
export interface HeightChoice {
  readonly heightMm: number;
  readonly names: readonly string[];
  readonly options: readonly HeightOption[];
}

const MAX_OPTIONS = 6;

interface HeightInputs {
  readonly built: Plan['stack']['raised'];
  readonly region: StockRegion;
  readonly units: Plan['units'];
  readonly ground: Pick<Ground, 'features'>;
  readonly raised: BoardStack['raised'];
  readonly catalogue: Catalogue;
}

/** Every height over its foot that raised ground has on this board, with its ways out of the stock at hand: layers, error, cost of the foam by its area. */
export function heightChoices({ built, region, units, ground, raised: stacks, catalogue }: HeightInputs): readonly HeightChoice[] {
  const stockMm = stockAtHand(built, region, catalogue);
  const { value: toleranceMm } = catalogue.bench.raisedToleranceMm;
  const bodies = new Map(ground.features.map(({ landId, body }) => [landId, body]));
  const byHeight = new Map<number, BoardStack['raised'][number][]>();
  for (const raised of stacks) {
    const heightMm = raised.land.levelMm - raised.land.baseMm;
    byHeight.set(heightMm, [...(byHeight.get(heightMm) ?? []), raised]);
  }
  return [...byHeight]
    .sort(([a], [b]) => a - b)
    .map(([heightMm, all]) => {
      const footprint = total(
        `Ground raised ${lengthWords(heightMm, units)}`,
        'mm²',
        all.map(({ land }) => bodies.get(land.id)!),
      );
      const chosen = all[0]!.buildUp;
      const ways = otherBuildUps(heightMm, stockMm, toleranceMm, MAX_OPTIONS);
      const listed = chosen === null || ways.some((way) => isSame(way, chosen)) ? ways : [chosen, ...ways.slice(0, MAX_OPTIONS - 1)];
      return {
        heightMm,
        names: [...new Set(all.map(({ land }) => land.feature.name))],
        options: listed.map((way) => ({
          ...way,
          isChosen: chosen !== null && isSame(way, chosen),
          isWithin: Math.abs(way.errorMm) <= toleranceMm + 1e-9,
          cost: foamCost(way, footprint, { materialId: built.materialId, units, catalogue }),
        })),
      };
    });
}

const isSame = (a: BuildUp, b: BuildUp): boolean => a.thicknessesMm.join() === b.thicknessesMm.join();

interface FoamInputs {
  readonly materialId: string;
  readonly units: Plan['units'];
  readonly catalogue: Catalogue;
}

/** Foam by its area, at the best price a square metre of each thickness; what is left of the sheets is not counted. */
function foamCost({ thicknessesMm }: BuildUp, footprint: Figure<'mm²'>, { materialId, units, catalogue }: FoamInputs): Figure<'money'> {
  const area = inSquareMetres(footprint);
  return total(
    `Foam of ${thicknessesMm.map((mm) => lengthText(mm, units)).join(' + ')} ${lengthUnit(units)}`,
    'money',
    thicknessesMm.map((mm) => {
      const prices = sheetsOf(catalogue, materialId, mm).map((sheet) => (sheet.priceMinor / (sheet.widthMm * sheet.depthMm)) * 1e6);
      const price = given(
        `${lengthWords(mm, units)}, a square metre`,
        prices.length === 0 ? 0 : Math.min(...prices),
        'money/m²',
        'catalogue',
        'example price',
      );
      return calculate(`Layer of ${lengthWords(mm, units)}`, 'money', area, '×', price);
    }),
  );
}

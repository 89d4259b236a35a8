import { type Figure, given, calculate, total } from '../../../base/units';
import { type Catalogue, type Coating, type Stuff, estimated, stuffBy } from '../../../catalogue';
import type { CoatingNeed } from '../../coats';

/** One part of a mix, for the whole coat. */
export interface MixPart {
  readonly stuffId: string;
  readonly name: string;
  readonly volume: Figure<'ml'>;
  readonly mass: Figure<'g'>;
}
/** What is bought of one stuff for all the mixes it goes into. */
export interface StuffNeed {
  readonly stuff: Stuff;
  readonly volume: Figure<'ml'>;
}

/** What all mixes take of each stuff; water comes from the tap. */
export function ingredientNeeds({
  coatings,
  catalogue,
}: {
  readonly coatings: readonly CoatingNeed[];
  readonly catalogue: Catalogue;
}): readonly StuffNeed[] {
  const parts = coatings.flatMap(({ coating, volume }) =>
    coating.recipe === null || volume.value <= 0 ? [] : partsOf(coating, volume, catalogue),
  );
  return [...new Set(parts.map(({ stuffId }) => stuffId))].flatMap((id) => {
    const stuff = stuffBy(catalogue, id);
    const own = parts.filter(({ stuffId }) => stuffId === id).map(({ volume }) => volume);
    return stuff.packsMl.length === 0 ? [] : [{ stuff, volume: total(stuff.name, 'ml', own) }];
  });
}

/** One measure of a recipe: its parts in ml, and what they come to in the bowl. */
interface Measure {
  readonly volumes: readonly Figure<'ml'>[];
  readonly all: Figure<'ml'>;
}

/**
 * What a recipe's parts come to together: the grain with its air, and as much of the liquid as does not go into that air.
 * @source craft.md §6: yield = liquids + Σ solids·(1 − void) when liquids ≥ voids, otherwise the bulk volume of the solids
 */
export function yieldOf({ name, recipe }: Coating, catalogue: Catalogue): Measure {
  const stuffs = recipe!.parts.map(({ stuffId }) => stuffBy(catalogue, stuffId));
  const volumes = recipe!.parts.map(({ parts }, i): Figure<'ml'> => {
    const stuff = stuffs[i]!;
    const note = 'our default value; the product label comes first';
    if (recipe!.by === 'volume') return given(`${stuff.name}, parts`, parts, 'ml', 'catalogue', note);
    const grams = given(`${stuff.name}, parts by mass`, parts, 'g', 'catalogue', note);
    return calculate(`${stuff.name}, as a volume`, 'ml', grams, '÷', estimated(`${stuff.name}, density`, stuff.densityGPerMl, 'g/ml'));
  });
  const liquids = volumes.filter((_, i) => stuffs[i]!.voidShare === null);
  const solids = volumes.flatMap((volume, i) => (stuffs[i]!.voidShare === null ? [] : [{ volume, stuff: stuffs[i]! }]));
  const liquid = total(`${name}: liquids`, 'ml', liquids);
  if (solids.length === 0) return { volumes, all: liquid };
  const bulk = total(
    `${name}: bulk volume`,
    'ml',
    solids.map(({ volume }) => volume),
  );
  const air = total(
    `${name}: air between the grains`,
    'ml',
    solids.map(({ volume, stuff }) =>
      calculate(`${stuff.name}: air content`, 'ml', volume, '×', estimated('Share of air', stuff.voidShare!, '1')),
    ),
  );
  const over = calculate(
    `${name}: liquid beyond the gaps`,
    'ml',
    calculate('Liquid minus gaps', 'ml', liquid, '−', air),
    'or, if larger,',
    NONE,
  );
  return { volumes, all: calculate(`${name}: one measure in the pot`, 'ml', bulk, '+', over) };
}
const NONE = given('Nothing', 0, 'ml', 'definition');

/** The parts that make so much of a coating. */
export function partsOf(coating: Coating, volume: Figure<'ml'>, catalogue: Catalogue): readonly MixPart[] {
  const { volumes, all } = yieldOf(coating, catalogue);
  const measures = calculate(`${coating.name}: measures`, '1', volume, '÷', all);
  return coating.recipe!.parts.map(({ stuffId }, i): MixPart => {
    const { name, densityGPerMl } = stuffBy(catalogue, stuffId);
    const part = calculate(`${name} to measure`, 'ml', volumes[i]!, '×', measures);
    return {
      stuffId,
      name,
      volume: part,
      mass: calculate(`${name} to weigh`, 'g', part, '×', estimated(`${name}, density`, densityGPerMl, 'g/ml')),
    };
  });
}

import { type Adhesive, type Catalogue, type Coating, estimated } from '../catalogue';
import type { Climate } from '../plan';
import { type Figure, given, reckon } from '../base/units';
import { dryingFactor, settingFactor } from './climate';

/** How long a coat needs before the next one, and before it is through. */
export interface Waits {
  readonly recoat: Figure<'min'>;
  readonly cure: Figure<'min'>;
}

/**
 * Waits after a coat in a climate: stated time × (film ÷ stated film)^n × factor for the climate.
 * @param filmMm thickness laid on; ignored for coats that are always thin
 * @source craft.md §8
 */
export function coatWaits(coating: Coating, filmMm: number | null, climate: Climate, catalogue: Catalogue): Waits {
  const { how, recoatMin, cureMin, perFilm, speedPer10C } = coating.drying;
  const climateFactor = how === 'water' ? dryingFactor(climate, catalogue) : settingFactor(climate, speedPer10C);
  const factor =
    perFilm === null || filmMm === null
      ? climateFactor
      : reckon('Factor for film and climate', '1', filmFactor(filmMm, perFilm), '×', climateFactor);
  return {
    recoat: reckon(`${coating.name}, until the next coat`, 'min', estimated(`${coating.name}, stated wait`, recoatMin, 'min'), '×', factor),
    cure: reckon(
      `${coating.name}, until cured`,
      'min',
      given(`${coating.name}, stated cure`, cureMin, 'min', 'catalogue', 'workshop default'),
      '×',
      factor,
    ),
  };
}

/**
 * Wait until a glued stack can be handled. Between faces that let no water through a water-based glue dries from the rim,
 * with the square of the half-width.
 */
export function glueWait(
  adhesive: Adhesive,
  { isSealedIn, halfWidthMm }: { readonly isSealedIn: boolean; readonly halfWidthMm: number },
  climate: Climate,
  catalogue: Catalogue,
): Figure<'min'> {
  const label = `${adhesive.name}, until it can be handled`;
  if (adhesive.rimDry !== null && isSealedIn) {
    const share = reckon(
      'Half-width over the stated one',
      '1',
      given('Half-width of the glued face', halfWidthMm, 'mm', 'drawing'),
      '÷',
      given('Stated half-width', adhesive.rimDry.halfWidthMm, 'mm', 'catalogue', 'workshop default'),
    );
    const stated = given('Drying from the rim, stated', adhesive.rimDry.min, 'min', 'catalogue', 'workshop default');
    return reckon(label, 'min', stated, '×', reckon('Squared', '1', share, '×', share));
  }
  const handle = estimated(`${adhesive.name}, stated wait under weight`, adhesive.handleMin, 'min');
  return adhesive.needsWaterPath ? reckon(label, 'min', handle, '×', dryingFactor(climate, catalogue)) : handle;
}

function filmFactor(filmMm: number, { refMm, power }: { readonly refMm: number; readonly power: number }): Figure<'1'> {
  const thicker = reckon(
    'Film over the stated one',
    '1',
    given('Film', filmMm, 'mm', 'plan'),
    '÷',
    given('Stated film', refMm, 'mm', 'catalogue', 'workshop default'),
  );
  return reckon(
    'Slower for the film',
    '1',
    thicker,
    'to the power',
    given('Power', power, '1', 'catalogue', 'workshop default, 1 thin to 2 thick'),
  );
}

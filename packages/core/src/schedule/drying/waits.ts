import { CLOCK, type Pace } from '../air';
import { type Adhesive, type Catalogue, type Coating, estimated } from '../../catalogue';
import { type Figure, given, calculate } from '../../base/units';
import { settingPace, waterPace } from './paces';
import type { DryingPlace } from './spots';

/** A wait without hands: so long at the pace it is stated for, and the pace it really goes at. */
export interface Wait {
  readonly stated: Figure<'min'>;
  readonly pace: Pace;
  /** What it comes to on the whole; null where the air never lets it be over. */
  readonly usual: Figure<'min'> | null;
}
/** The same as minutes, endless for never. */
export const usualMin = ({ usual }: Wait): number => usual?.value ?? Infinity;
export const waitOf = (label: string, stated: Figure<'min'>, pace: Pace): Wait =>
  pace === CLOCK
    ? { stated, pace, usual: stated }
    : { stated, pace, usual: pace.usual === null ? null : calculate(label, 'min', stated, '×', pace.usual) };
/** By the clock, whatever the air. */
export const clockWait = (stated: Figure<'min'>): Wait => ({ stated, pace: CLOCK, usual: stated });
/** The longer one, on the whole. */
export const longer = (a: Wait, b: Wait): Wait => (usualMin(b) > usualMin(a) ? b : a);

/** How long a coat needs before it can be touched, carved, before the next one, until it is dry to its ground, and before it is cured. */
export interface Waits {
  readonly touch: Wait;
  /** Until it can be carved or built on. */
  readonly firm: Wait;
  readonly recoat: Wait;
  readonly through: Wait;
  readonly cure: Wait;
}
/** What a coat goes on: something that drinks, something sealed, or neither. */
export type Ground = 'drinks' | 'neutral' | 'sealed';

/**
 * Waits after a coat at a spot: stated time × (film ÷ stated film)^n × ground, at the pace of the air there.
 * @param filmMm thickness laid on; ignored for coats that are always thin
 * @source craft.md §8
 */
export function coatWaits(
  coating: Coating,
  filmMm: number | null,
  spot: DryingPlace,
  catalogue: Catalogue,
  ground: Ground = 'neutral',
): Waits {
  const { how, touchMin, firmMin, recoatMin, throughMin, cureMin, perFilm, speedPer10C } = coating.drying;
  const film = perFilm === null ? null : filmMm;
  const pace = how === 'water' ? waterPace(spot, { minC: coating.minC, filmMm: film }) : settingPace(spot, speedPer10C, coating.minC);
  const factors = [
    ...(perFilm === null || film === null ? [] : [filmFactor(film, perFilm)]),
    ...(how === 'water' && ground !== 'neutral' ? [groundFactor(ground, catalogue)] : []),
  ];
  const factor = factors.length === 2 ? calculate('Factor for film and ground', '1', factors[0]!, '×', factors[1]!) : factors[0];
  const wait = (until: string, stated: Figure<'min'>): Wait => {
    const label = `${coating.name}, ${until}`;
    return waitOf(label, factor === undefined ? stated : calculate(`${label}, at the reference`, 'min', stated, '×', factor), pace);
  };
  const fixed = (what: string, min: number): Figure<'min'> =>
    given(`${coating.name}, stated ${what}`, min, 'min', 'catalogue', 'our default value');
  const recoat = wait('until the next coat', estimated(`${coating.name}, stated wait`, recoatMin, 'min'));
  const touch = wait('until touch-dry', fixed('touch', touchMin));
  return {
    touch,
    firm: firmMin === undefined ? touch : wait('until firm', estimated(`${coating.name}, stated time until firm`, firmMin, 'min')),
    recoat,
    through: throughMin === null ? recoat : wait('until fully dry', fixed('drying fully', throughMin)),
    cure: wait('until cured', fixed('cure', cureMin)),
  };
}

function groundFactor(ground: Exclude<Ground, 'neutral'>, { bench }: Catalogue): Figure<'1'> {
  return ground === 'drinks'
    ? estimated('Faster on an absorbent face', bench.drinksFactor, '1')
    : estimated('Slower over a sealed face', bench.sealedFactor, '1');
}

/** How far the water of a glue line is from a way out. */
export interface GlueLine {
  /** Both faces are closed: it dries from the rim, or from the vents or beads nearest to it. */
  readonly isSealedIn: boolean;
  readonly halfWidthMm: number;
}
/** Wait until a glued stack can be handled. Between faces that let no water through a water-based glue dries from the rim, with the square of the half-width. @source craft.md §8 */
export function glueWait(adhesive: Adhesive, { isSealedIn, halfWidthMm }: GlueLine, spot: DryingPlace): Wait {
  const label = `${adhesive.name}, until it can be handled`;
  const pace = gluePace(adhesive, spot);
  if (adhesive.rimDry === null || !isSealedIn)
    return waitOf(label, estimated(`${adhesive.name}, stated wait under weight`, adhesive.handleMin, 'min'), pace);
  const share = calculate(
    'Half-width divided by the stated one',
    '1',
    given('Half-width of the glued face', halfWidthMm, 'mm', 'drawing'),
    '÷',
    given('Stated half-width', adhesive.rimDry.halfWidthMm, 'mm', 'catalogue', 'our default value'),
  );
  const stated = given('Drying from the rim, stated', adhesive.rimDry.min, 'min', 'catalogue', 'our default value');
  return waitOf(label, calculate(`${label}, at the reference`, 'min', stated, '×', calculate('Squared', '1', share, '×', share)), pace);
}
/** Wait until a glue has all its strength: left under weights for as long. */
export const fullGlueWait = (adhesive: Adhesive, spot: DryingPlace): Wait =>
  waitOf(
    `${adhesive.name}, under weights until cured`,
    given(`${adhesive.name}, stated cure`, adhesive.fullMin, 'min', 'catalogue', 'our default value; the product label comes first'),
    gluePace(adhesive, spot),
  );
/** The pace at which a glue dries or sets at a spot. */
export function gluePace({ needsWaterPath, minC, speedPer10C }: Adhesive, spot: DryingPlace): Pace {
  if (needsWaterPath) return waterPace(spot, { minC, filmMm: null });
  return speedPer10C === 1 && minC === null ? CLOCK : settingPace(spot, speedPer10C, minC);
}

function filmFactor(filmMm: number, { refMm, power }: { readonly refMm: number; readonly power: number }): Figure<'1'> {
  const thicker = calculate(
    'Film divided by the stated film',
    '1',
    given('Film', filmMm, 'mm', 'plan'),
    '÷',
    given('Stated film', refMm, 'mm', 'catalogue', 'our default value'),
  );
  return calculate(
    'Slower for the film',
    '1',
    thicker,
    'to the power',
    given('Power', power, '1', 'catalogue', 'our default value, 1 thin to 2 thick'),
  );
}

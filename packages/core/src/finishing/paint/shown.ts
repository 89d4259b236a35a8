import { type Catalogue, coatingBy, methodBy } from '../../catalogue';
import type { Coat } from '../../plan';
import { type Pot, coatHex } from './paint';

/** Foam or board before anything is on it. */
export const BARE_HEX = '#c9ced0';
/** A coat that hides less, lies thinner or covers less than this does not make the colour of a surface. */
const MIN_HIDES = 0.5;
const MIN_LAID = 0.15;
const MIN_COVER_PCT = 50;

/** The colour that a surface shows from afar: of the last coat that covers it. */
export function shownHex(coats: readonly Coat[], catalogue: Catalogue, pots: readonly Pot[]): string {
  let shown = BARE_HEX;
  for (const coat of coats) {
    const coating = coatingBy(catalogue, coat.coatingId);
    const { lays } = methodBy(catalogue, coat.methodId);
    if (coating.look.hides <= MIN_HIDES || lays.all * lays.film < MIN_LAID || coat.coverPct <= MIN_COVER_PCT) continue;
    shown = coatHex(coating, coat.tint, pots) ?? shown;
  }
  return shown;
}

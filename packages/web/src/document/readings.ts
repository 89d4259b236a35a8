import type { Quantity } from '@spare-acre/core/base/units';
import { rangesOf } from '@spare-acre/core/catalogue';
import { impliedBy, isOfPlaces } from '@spare-acre/core/hand';
import type { Logged } from '@spare-acre/core/logbook';
import { useCatalogue } from './catalogue';
import { usePlan } from './plan';

/** How long it really took to dry: a matter of the place and the season first. @param realMin minutes */
export const driedAs = (wait: Quantity<'min'>, realMin: number): Promise<Logged> => loggedAs('Felt dry', wait, realMin, isOfPlaces);
/** A planned figure as it really came out, with what that says of the catalogue. */
export async function loggedAs(
  name: string,
  figure: Quantity,
  real: number,
  rather: (path: string) => boolean = (path) => !isOfPlaces(path),
): Promise<Logged> {
  const full = await usePlan().workingOf(figure);
  const places = rangesOf(useCatalogue().catalogue!);
  const implied = full === null ? null : impliedBy(full, real, (range) => places.get(range), rather);
  return { name, unit: figure.unit, planned: figure.value, real, implied };
}

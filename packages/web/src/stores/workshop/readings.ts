import type { Quantity } from '@spare-acre/core/base/units';
import { rangesOf } from '@spare-acre/core/catalogue';
import { impliedBy, isOfPlaces } from '@spare-acre/core/learning/calibration';
import type { Logged } from '@spare-acre/core/learning/logbook';
import { useCatalogue } from './catalogue';
import { useLessons } from '../board/lessons';
import { usePlan } from '../board/plan';

/** How long it really took to dry: a matter of the place and the season first. @param realMin minutes */
export const driedAs = (wait: Quantity<'min'>, realMin: number): Promise<Logged> => loggedAs('Touch-dry', wait, realMin, isOfPlaces);
/** A planned figure as it really came out, with what that says of the catalogue. */
export async function loggedAs(
  name: string,
  figure: Quantity,
  real: number,
  rather: (path: string) => boolean = (path) => !isOfPlaces(path),
): Promise<Logged> {
  // A made-up tile, on which an hour passes in a second, teaches nobody's hand anything.
  const isPractice = useLessons().value?.boardId === usePlan().boardId;
  const full = isPractice ? null : await usePlan().workingOf(figure);
  const places = rangesOf(useCatalogue().catalogue!);
  const implied = full === null ? null : impliedBy(full, real, (range) => places.get(range), rather);
  return { name, unit: figure.unit, planned: figure.value, real, implied };
}

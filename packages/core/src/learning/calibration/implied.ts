import { type Figure, type Range, applied } from '../../base/units';

/** What one value of the catalogue would have to be for a figure to come out as it really did. */
export interface Implied {
  /** Where it stands in the catalogue: `methods.brush.m2PerH`. */
  readonly path: string;
  readonly value: number;
}

/** So many times less or more than the catalogue's a value is looked for; what lies beyond is taken as if it lay there. */
const MAX_OFF = 8;

/**
 * Lays what a figure really came to on the one catalogue value that it is least sure by: the one whose range moves it most.
 * @param real in the figure's own unit, above 0
 * @param pathOf the place of a range in the catalogue
 * @param rather which of them is asked first, where it goes in at all; else any
 * @returns null where nothing of the catalogue goes into the figure, or what does not move it far enough to explain anything
 */
export function impliedBy(
  figure: Figure,
  real: number,
  pathOf: (range: Range) => string | undefined,
  rather: (path: string) => boolean = () => true,
): Implied | null {
  const all = [...rangesIn(figure)].flatMap((range) => {
    const path = range.path ?? pathOf(range);
    return path === undefined || range.low >= range.high || range.value <= 0 ? [] : [{ range, path }];
  });
  const preferred = all.filter(({ path }) => rather(path));
  const moved = (preferred.length > 0 ? preferred : all).map(({ range, path }) => ({
    range,
    path,
    by: Math.abs(workedWith(figure, range, range.high) - workedWith(figure, range, range.low)),
  }));
  const widest = moved.sort((a, b) => b.by - a.by)[0];
  if (widest === undefined || widest.by <= 0 || real <= 0) return null;
  return { path: widest.path, value: solved(figure, widest.range, real) };
}

/** By halving the logarithm: every figure moves one way with each of its inputs. */
function solved(figure: Figure, range: Range, real: number): number {
  let [low, high] = [range.value / MAX_OFF, range.value * MAX_OFF];
  const isRising = workedWith(figure, range, high) >= workedWith(figure, range, low);
  for (let i = 0; i < 50; i++) {
    const middle = Math.sqrt(low * high);
    if (workedWith(figure, range, middle) < real === isRising) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

function rangesIn(figure: Figure): ReadonlySet<Range> {
  const found = new Set<Range>();
  const seen = new Set<Figure>();
  const visit = (one: Figure): void => {
    if (seen.has(one)) return;
    seen.add(one);
    if ('source' in one) {
      if (one.range !== undefined) found.add(one.range);
    } else if ('parts' in one) one.parts.forEach(visit);
    else [one.left, one.right].forEach(visit);
  };
  visit(figure);
  return found;
}

/** The figure worked out again with another value in the place of one range. */
function workedWith(figure: Figure, range: Range, value: number): number {
  const known = new Map<Figure, number>();
  const of = (one: Figure): number => {
    const before = known.get(one);
    if (before !== undefined) return before;
    const own =
      'source' in one
        ? one.range === range
          ? value
          : one.value
        : 'parts' in one
          ? one.parts.reduce((sum, part) => sum + of(part), 0)
          : applied(one.sign, of(one.left), of(one.right));
    known.set(one, own);
    return own;
  };
  return of(figure);
}

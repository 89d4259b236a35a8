/** A number in [0, 1), the next at every call. */
export type Random = () => number;

/**
 * A stream of chance that is the same for the same seed.
 * @source linear congruential generator of Numerical Recipes: multiplier 1664525, increment 1013904223, modulus 2³²
 */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** What a builder can cause comes back as a value: the answer, or a problem with its figures attached. */
export type Result<T, Problem> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** @returns the success half of a {@link Result}. */
export function ok<T>(value: T): { readonly ok: true; readonly value: T } {
  return { ok: true, value };
}

/** @returns the failure half of a {@link Result}. */
export function fail<Problem>(problem: Problem): { readonly ok: false; readonly problem: Problem } {
  return { ok: false, problem };
}

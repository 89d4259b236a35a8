import type { Warning } from '../checks';

/** A check as a stage: all its warnings at once. */
export const dealt =
  <Inputs>(check: (inputs: Inputs) => Generator<Warning>) =>
  (inputs: Inputs): readonly Warning[] => [...check(inputs)];

import type * as checking from '../advice/checks';
import type { Warning } from '../advice/checks';

/** Every check there is. */
export type Checks = Pick<
  typeof checking,
  | 'bowLevers'
  | 'bowOf'
  | 'bowWarnings'
  | 'laidSplits'
  | 'clearWarnings'
  | 'coatWarnings'
  | 'cutWarnings'
  | 'dayWarnings'
  | 'fixedWarnings'
  | 'glueWarnings'
  | 'groundWarnings'
  | 'lightWarnings'
  | 'seamWarnings'
  | 'stackWarnings'
  | 'weightsFor'
>;

/** A check as a stage: all its warnings at once; none before checks are there. */
export const dealt =
  <Inputs>(pick: (checks: Checks) => (inputs: Inputs) => Generator<Warning>) =>
  ({ checks, ...inputs }: Inputs & { readonly checks: Checks | null }): readonly Warning[] =>
    checks === null ? [] : [...pick(checks)(inputs as Inputs)];

import { type Kind, KINDS } from '@spare-acre/core/catalogue/editing';
import { HttpProblem } from '../problems';

/** What is wrong with an entry, by its fields. @param at what stands before each, where there are several entries */
export const badEntry = (kind: Kind, issues: readonly { readonly path: string; readonly message: string }[], at = ''): HttpProblem =>
  new HttpProblem(422, `The ${KINDS[kind].one} cannot be used`, issues.map(({ path, message }) => `${at}${path}: ${message}`).join('; '), {
    issues: issues.slice(0, 20).map(({ path, message }) => ({ path: `${at}${path}`, message })),
  });

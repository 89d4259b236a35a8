import { type Catalogue, danglingRefs } from '../../catalogue';
import { FeatureSchema } from '../features';
import type { z } from 'zod';
import { type Result, fail, ok } from '../../base/result';
import { LIMITS, MAX_FEATURES, said } from '../fields';
import { type Plan, tableDepthMm, tableWidthMm } from '../plan';
import { PLAN_PARTS, missingNames, repeatedIds } from '../schema';

/** One thing wrong with a plan: where, as a path into the document, and what would do. */
export interface PlanIssue {
  readonly path: string;
  readonly message: string;
}
export interface PlanProblem {
  readonly code: 'plan/invalid';
  readonly issues: readonly PlanIssue[];
}

type PlanPart = keyof typeof PLAN_PARTS;

/**
 * Checks a plan that was just edited: only the parts that are other objects than before, and of the features only those that are new. `before` has
 * passed already.
 */
export function checkEdited(plan: Plan, before: Plan, catalogue: Catalogue): Result<Plan, PlanProblem> {
  const issues: PlanIssue[] = [];
  for (const part of Object.keys(PLAN_PARTS) as PlanPart[]) {
    if (plan[part] === before[part]) continue;
    if (part === 'features') issues.push(...changedFeatures(plan, before, catalogue));
    else issues.push(...partIssues(part, plan[part], catalogue));
  }
  // What concerns several parts is asked once each for itself is sound.
  if (issues.length === 0) issues.push(...wholeIssues(plan, catalogue));
  return issues.length === 0 ? ok(plan) : refused(issues);
}

function partIssues(part: PlanPart, value: unknown, catalogue: Catalogue): readonly PlanIssue[] {
  const schema: z.ZodType = PLAN_PARTS[part];
  const parsed = schema.safeParse(value, { error: inOurWords });
  const issues = parsed.success ? danglingRefs(schema, value, catalogue) : issuesOf(parsed.error);
  return issues.map(({ path, message }) => ({ path: path === '' || path === 'plan' ? part : `${part}.${path}`, message }));
}

function changedFeatures({ features }: Plan, before: Plan, catalogue: Catalogue): readonly PlanIssue[] {
  if (features.length > MAX_FEATURES) return partIssues('features', features, catalogue);
  const sound = new Set(before.features);
  return features.flatMap((feature, i) => {
    if (sound.has(feature)) return [];
    const parsed = FeatureSchema.safeParse(feature, { error: inOurWords });
    const issues = parsed.success ? danglingRefs(FeatureSchema, feature, catalogue) : issuesOf(parsed.error);
    return issues.map(({ path, message }) => ({ path: `features.${i}.${path}`, message }));
  });
}

export const refused = (issues: readonly PlanIssue[]): Result<never, PlanProblem> => fail({ code: 'plan/invalid', issues });

export const issuesOf = ({ issues }: z.ZodError): readonly PlanIssue[] =>
  issues.map(({ path, message }) => ({ path: path.join('.') || 'plan', message }));

/** What is said where a schema has no words of its own: always the value, and what would do. */
export function inOurWords(issue: z.core.$ZodRawIssue): string {
  const got = `got ${said(issue.input)}`;
  switch (issue.code) {
    case 'unrecognized_keys':
      return `${issue.keys.map((key) => `“${key.slice(0, 40)}”`).join(', ')} ${issue.keys.length === 1 ? 'does' : 'do'} not belong here`;
    case 'invalid_type':
      return `${got}. Enter ${EXPECTED[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return `${got}. Enter ${issue.values.map(String).join(', ')}`;
    case 'invalid_union':
      return `${got}; this value is not allowed here`;
    case 'too_small':
      return `${got}. Enter at least ${String(issue.minimum)}`;
    case 'too_big':
      return `${got}. Enter at most ${String(issue.maximum)}`;
    default:
      return got;
  }
}
const EXPECTED: Readonly<Record<string, string>> = {
  object: 'an object with its own keys',
  array: 'a list',
  string: 'a text',
  number: 'a number',
  boolean: 'true or false',
};

/** What no part of a plan can tell by itself. */
export function* wholeIssues(plan: Parameters<typeof repeatedIds>[0], catalogue: Catalogue): Generator<PlanIssue> {
  const { max } = LIMITS.tableMm;
  if (tableWidthMm(plan.table) > max) {
    yield { path: 'table.columnWidthsMm', message: `add up to ${tableWidthMm(plan.table)} mm. The limit is ${max} mm` };
  }
  if (tableDepthMm(plan.table) > max) {
    yield { path: 'table.rowDepthsMm', message: `add up to ${tableDepthMm(plan.table)} mm. The limit is ${max} mm` };
  }
  yield* repeatedIds(plan);
  yield* missingNames(plan, catalogue.paints);
}

import { type Catalogue, danglingRefs } from '../../catalogue';
import { type Result, ok } from '../../base/result';
import { RecordSchema } from '../workshop';
import type { Board } from '../board';
import { type PlanProblem, inOurWords, issuesOf, refused, wholeIssues } from './check';
import { cutSheetsIn, doneTasksIn, migrated } from './migrations';
import type { Plan } from '../plan';
import { PlanSchema } from '../schema';

/**
 * Checks anything that claims to be a plan: its shape, its limits, and that the catalogue has all it names.
 * @param raw parsed JSON of any version so far
 */
export function checkPlan(raw: unknown, catalogue: Catalogue): Result<Plan, PlanProblem> {
  const parsed = PlanSchema.safeParse(migrated(raw), { error: inOurWords });
  if (!parsed.success) return refused(issuesOf(parsed.error));
  const issues = [...wholeIssues(parsed.data, catalogue), ...danglingRefs(PlanSchema, parsed.data, catalogue)];
  return issues.length === 0 ? ok(parsed.data) : refused(issues);
}

/** {@link checkPlan} with what stands in the file of what was done. */
export function checkBoardFile(raw: unknown, catalogue: Catalogue): Result<Board, PlanProblem> {
  const plan = checkPlan(raw, catalogue);
  const record = RecordSchema.safeParse({ cutSheets: cutSheetsIn(raw), doneTasks: doneTasksIn(raw) }, { error: inOurWords });
  const issues = [
    ...(plan.ok ? [] : plan.problem.issues),
    ...(record.success ? [] : issuesOf(record.error).map(({ path, message }) => ({ path: `record.${path}`, message }))),
  ];
  return plan.ok && record.success ? ok({ plan: plan.value, record: record.data }) : refused(issues);
}

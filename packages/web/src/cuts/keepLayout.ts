import type { CutJob, KeptLayout } from '@spare-acre/core/cutting';
import type { PlanDraft } from '@spare-acre/core/plan';

/** Keeps a layout in the plan in place of the job's last one. Those of jobs nobody cuts any more go. @param jobs all there are; none known yet leaves the others */
export function keepLayout(cutting: PlanDraft['cutting'], kept: KeptLayout, jobs: readonly CutJob[]): void {
  const cut = new Set(jobs.map(({ key }) => key));
  const others = cutting.kept.filter(({ jobKey }) => jobKey !== kept.jobKey && (cut.size === 0 || cut.has(jobKey)));
  cutting.kept = [...others, structuredClone(kept) as never];
}

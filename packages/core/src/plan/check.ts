import type { z } from 'zod';
import type { Catalogue } from '../catalogue';
import { type Result, fail, ok } from '../result';
import { LIMITS } from './limits';
import { type Plan, ZONE_KINDS, tableDepthMm, tableWidthMm } from './plan';
import { migrated } from './migrations';
import { PlanSchema } from './schema';

/** One thing wrong with a plan: where, as a path into the document, and what would do. */
export interface PlanIssue {
  readonly path: string;
  readonly message: string;
}
export interface PlanProblem {
  readonly code: 'plan/invalid';
  readonly issues: readonly PlanIssue[];
}

/**
 * Checks anything that claims to be a plan: its shape, its limits, and that the catalogue has all it names.
 * @param raw parsed JSON of any version so far, or a plan just edited
 */
export function checkPlan(raw: unknown, catalogue: Catalogue): Result<Plan, PlanProblem> {
  const parsed = PlanSchema.safeParse(migrated(raw));
  if (!parsed.success) return fail({ code: 'plan/invalid', issues: parsed.error.issues.map(asIssue) });
  const issues = [...sizeIssues(parsed.data), ...unknownIds(parsed.data, catalogue)];
  return issues.length === 0 ? ok(parsed.data) : fail({ code: 'plan/invalid', issues });
}

function asIssue({ path, message }: z.core.$ZodIssue): PlanIssue {
  return { path: path.join('.') || 'plan', message };
}

function* sizeIssues({ table }: Plan): Generator<PlanIssue> {
  const { max } = LIMITS.tableMm;
  if (tableWidthMm(table) > max) {
    yield { path: 'table.columnWidthsMm', message: `add up to ${tableWidthMm(table)} mm; up to ${max} mm would do` };
  }
  if (tableDepthMm(table) > max) {
    yield { path: 'table.rowDepthsMm', message: `add up to ${tableDepthMm(table)} mm; up to ${max} mm would do` };
  }
}

function* unknownIds(plan: Plan, catalogue: Catalogue): Generator<PlanIssue> {
  const missing = (entries: readonly { readonly id: string }[], what: string, id: string, path: string): PlanIssue[] =>
    entries.some((entry) => entry.id === id) ? [] : [{ path, message: `the catalogue has no ${what} “${id}”` }];
  const { substrate, ground, raised } = plan.stack;
  if (substrate !== null) yield* missing(catalogue.materials, 'material', substrate.materialId, 'stack.substrate.materialId');
  for (const [i, layer] of ground.entries()) {
    yield* missing(catalogue.materials, 'material', layer.materialId, `stack.ground.${i}.materialId`);
    yield* missing(catalogue.adhesives, 'adhesive', layer.glueBelowId, `stack.ground.${i}.glueBelowId`);
  }
  yield* missing(catalogue.materials, 'material', raised.materialId, 'stack.raised.materialId');
  yield* missing(catalogue.adhesives, 'adhesive', raised.glueId, 'stack.raised.glueId');
  if (plan.stack.battens !== null)
    yield* missing(catalogue.materials, 'material', plan.stack.battens.materialId, 'stack.battens.materialId');
  for (const kind of ZONE_KINDS) {
    for (const [i, facing] of plan.stack.facings[kind].entries()) {
      yield* missing(catalogue.materials, 'material', facing.materialId, `stack.facings.${kind}.${i}.materialId`);
      yield* missing(catalogue.adhesives, 'adhesive', facing.glueBelowId, `stack.facings.${kind}.${i}.glueBelowId`);
    }
  }
  for (const [i, { toolId }] of plan.cutting.tools.entries()) yield* missing(catalogue.tools, 'tool', toolId, `cutting.tools.${i}.toolId`);
  const { rim, join } = plan.table;
  if (rim !== null) yield* missing(catalogue.materials, 'material', rim.materialId, 'table.rim.materialId');
  yield* missing(catalogue.joins, 'join', join.methodId, 'table.join.methodId');
  for (const [i, feature] of plan.features.entries()) {
    if (feature.kind !== 'light') continue;
    yield* missing(catalogue.batteries, 'battery box', feature.batteryId, `features.${i}.batteryId`);
    yield* missing(catalogue.lamps, 'lamp', feature.lampId, `features.${i}.lampId`);
  }
  yield* missing(catalogue.airs, 'air', plan.climate.airId, 'climate.airId');
  for (const kind of ZONE_KINDS) {
    for (const [i, coat] of plan.coats[kind].entries()) {
      yield* missing(catalogue.stuffs, 'stuff', coat.stuffId, `coats.${kind}.${i}.stuffId`);
      yield* missing(catalogue.methods, 'method', coat.methodId, `coats.${kind}.${i}.methodId`);
    }
  }
}

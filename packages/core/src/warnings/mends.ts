import { produce } from 'immer';
import type { Point } from '../geometry';
import { type Plan, type PlanDraft, type ZoneKind, evenSplit, movedBy, withPoint } from '../plan';

/** A change to the plan that clears a warning: a name, what it takes, and the words for its button. */
export type Mend = { readonly label: string } & MendAction;

type MendAction =
  | { readonly code: 'ground/thickness'; readonly layerId: string; readonly thicknessMm: number }
  | { readonly code: 'pit/depth'; readonly featureId: string; readonly depthMm: number }
  | { readonly code: 'pit/cut-through'; readonly featureId: string }
  | { readonly code: 'water/depth'; readonly featureId: string; readonly waterMm: number }
  | { readonly code: 'raised/height'; readonly featureId: string; readonly heightMm: number }
  | { readonly code: 'hill/step'; readonly featureId: string; readonly stepMm: number }
  | { readonly code: 'feature/move'; readonly featureId: string; readonly dxMm: number; readonly dyMm: number }
  | { readonly code: 'feature/points'; readonly featureId: string; readonly index: number; readonly to: Point }
  | { readonly code: 'light/battery'; readonly featureId: string; readonly batteryId: string }
  | { readonly code: 'light/groove'; readonly featureId: string; readonly grooveMm: number }
  | { readonly code: 'strip/width'; readonly featureId: string; readonly widthMm: number }
  | { readonly code: 'join/method'; readonly methodId: string }
  | { readonly code: 'join/offset'; readonly offsetMm: number }
  | { readonly code: 'glue/ground'; readonly layerId: string; readonly adhesiveId: string }
  | { readonly code: 'glue/raised'; readonly adhesiveId: string }
  | { readonly code: 'climate/air'; readonly airC: number }
  | { readonly code: 'tiles/split'; readonly along: 'columns' | 'rows'; readonly index: number; readonly into: number }
  | { readonly code: 'coats/order'; readonly zone: ZoneKind; readonly coatIds: readonly string[] }
  | { readonly code: 'feature/remove'; readonly featureId: string };

/** The plan with a mend applied; the same plan if what it mends is gone. */
export const mended = (plan: Plan, mend: Mend): Plan => produce(plan, (draft) => mendIn(draft as PlanDraft, mend));

/** Applies a mend inside a recipe. */
export function mendIn(plan: PlanDraft, mend: Mend): void {
  switch (mend.code) {
    case 'ground/thickness': {
      const layer = plan.stack.ground.find(({ id }) => id === mend.layerId);
      if (layer !== undefined) layer.thicknessMm = mend.thicknessMm;
      return;
    }
    case 'pit/depth': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind !== 'pit' && feature?.kind !== 'water' && feature?.kind !== 'crater') return;
      feature.depthMm = mend.depthMm;
      if (feature.kind === 'water') feature.waterMm = Math.min(feature.waterMm, mend.depthMm);
      return;
    }
    case 'pit/cut-through': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'pit' || feature?.kind === 'water' || feature?.kind === 'crater') feature.cutThrough = true;
      return;
    }
    case 'water/depth': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'water') feature.waterMm = mend.waterMm;
      return;
    }
    case 'raised/height': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'raised' || feature?.kind === 'bank') feature.heightMm = mend.heightMm;
      return;
    }
    case 'hill/step': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'hill') feature.stepMm = mend.stepMm;
      return;
    }
    case 'feature/move': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature !== undefined) feature.shape = movedBy(feature.shape, mend.dxMm, mend.dyMm) as typeof feature.shape;
      return;
    }
    case 'feature/points': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature !== undefined) feature.shape = withPoint(feature.shape, mend.index, mend.to) as typeof feature.shape;
      return;
    }
    case 'light/battery': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'light') feature.batteryId = mend.batteryId;
      return;
    }
    case 'light/groove': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'light') feature.grooveMm = mend.grooveMm;
      return;
    }
    case 'strip/width': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.shape.form === 'strip') feature.shape.widthMm = mend.widthMm;
      return;
    }
    case 'join/offset':
      plan.table.join.offsetMm = mend.offsetMm;
      return;
    case 'join/method':
      plan.table.join.methodId = mend.methodId;
      return;
    case 'glue/ground': {
      const layer = plan.stack.ground.find(({ id }) => id === mend.layerId);
      if (layer !== undefined) layer.glueBelowId = mend.adhesiveId;
      return;
    }
    case 'glue/raised':
      plan.stack.raised.glueId = mend.adhesiveId;
      return;
    case 'climate/air':
      plan.climate.airC = mend.airC;
      return;
    case 'tiles/split': {
      const sizes = mend.along === 'columns' ? plan.table.columnWidthsMm : plan.table.rowDepthsMm;
      const size = sizes[mend.index];
      if (size !== undefined) sizes.splice(mend.index, 1, ...evenSplit(size, mend.into));
      return;
    }
    case 'coats/order':
      plan.coats[mend.zone].sort((a, b) => mend.coatIds.indexOf(a.id) - mend.coatIds.indexOf(b.id));
      return;
    case 'feature/remove':
      plan.features = plan.features.filter(({ id }) => id !== mend.featureId);
      return;
    default:
      mend satisfies never;
  }
}

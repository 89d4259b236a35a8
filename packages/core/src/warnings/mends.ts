import { produce } from 'immer';
import { evenSplit, type Plan, type PlanDraft, type ZoneKind } from '../plan';

/** A change to the plan that clears a warning: a name, what it takes, and the words for its button. */
export type Mend = { readonly label: string } & MendAction;

type MendAction =
  | { readonly code: 'ground/thickness'; readonly layerId: string; readonly thicknessMm: number }
  | { readonly code: 'pit/depth'; readonly featureId: string; readonly depthMm: number }
  | { readonly code: 'pit/cut-through'; readonly featureId: string }
  | { readonly code: 'water/depth'; readonly featureId: string; readonly waterMm: number }
  | { readonly code: 'raised/height'; readonly featureId: string; readonly heightMm: number }
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
      if (feature?.kind !== 'pit' && feature?.kind !== 'water') return;
      feature.depthMm = mend.depthMm;
      if (feature.kind === 'water') feature.waterMm = Math.min(feature.waterMm, mend.depthMm);
      return;
    }
    case 'pit/cut-through': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'pit' || feature?.kind === 'water') feature.cutThrough = true;
      return;
    }
    case 'water/depth': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'water') feature.waterMm = mend.waterMm;
      return;
    }
    case 'raised/height': {
      const feature = plan.features.find(({ id }) => id === mend.featureId);
      if (feature?.kind === 'raised') feature.heightMm = mend.heightMm;
      return;
    }
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

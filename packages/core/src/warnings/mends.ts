import { produce } from 'immer';
import type { Point } from '../geometry';
import { type Coat, type GlueSpread, type Plan, type PlanDraft, type Split, type ZoneKind, evenSplit, movedBy, withPoint } from '../plan';
import { type JointPlace, type LeverDeed, pullLever } from '../stack';

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
  | LeverDeed
  | { readonly code: 'stack/levers'; readonly deeds: readonly LeverDeed[] }
  | { readonly code: 'glue/place'; readonly place: JointPlace; readonly adhesiveId: string }
  | { readonly code: 'glue/spread'; readonly place: JointPlace; readonly spread: GlueSpread }
  | { readonly code: 'glue/adhesive'; readonly place: JointPlace; readonly adhesiveId: string; readonly spread: GlueSpread }
  | { readonly code: 'stack/unseal'; readonly layerId: string }
  | { readonly code: 'stack/grain'; readonly grains: readonly { readonly layerId: string; readonly grain: 'x' | 'y' }[] }
  | { readonly code: 'raised/cross-grain' }
  | { readonly code: 'part/split'; readonly splits: readonly Split[] }
  | { readonly code: 'cutting/uncut'; readonly cutIds: readonly string[] }
  | { readonly code: 'cutting/tool'; readonly jobKey: string; readonly toolId: string }
  | { readonly code: 'coats/first'; readonly zone: ZoneKind; readonly coat: Coat }
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
    case 'cutting/uncut':
      plan.cutting.cut = plan.cutting.cut.filter(({ id }) => !mend.cutIds.includes(id));
      return;
    case 'join/offset':
      plan.table.join.offsetMm = mend.offsetMm;
      return;
    case 'join/method':
      plan.table.join.methodId = mend.methodId;
      return;
    case 'glue/ground':
    case 'stack/seal':
    case 'substrate/thickness':
    case 'stack/battens':
    case 'stack/weighed':
      pullLever(plan, mend);
      return;
    case 'stack/levers':
      for (const deed of mend.deeds) pullLever(plan, deed);
      return;
    case 'glue/place':
    case 'glue/adhesive':
    case 'glue/spread': {
      const glued = gluedAt(plan, mend.place);
      if (glued === undefined) return;
      if (mend.code !== 'glue/place') glued.spread = mend.spread;
      if (mend.code === 'glue/spread') return;
      if ('glueId' in glued) glued.glueId = mend.adhesiveId;
      else glued.glueBelowId = mend.adhesiveId;
      return;
    }
    case 'stack/unseal': {
      const layer = mend.layerId === 'substrate' ? plan.stack.substrate : plan.stack.ground.find(({ id }) => id === mend.layerId);
      if (layer !== undefined && layer !== null) layer.sealed = layer.sealed === 'both' ? 'under' : 'none';
      return;
    }
    case 'stack/grain':
      for (const { layerId, grain } of mend.grains) {
        const layer = layerId === 'substrate' ? plan.stack.substrate : plan.stack.ground.find(({ id }) => id === layerId);
        if (layer !== undefined && layer !== null) layer.grain = grain;
      }
      return;
    case 'raised/cross-grain':
      plan.stack.raised.crossGrain = true;
      return;
    case 'part/split': {
      const roots = new Set(mend.splits.map(({ partKey }) => partKey.split('/')[0]!));
      // A part split anew loses the splits it had, and those of its pieces.
      plan.cutting.splits = [
        ...plan.cutting.splits.filter(({ partKey }) => !roots.has(partKey.split('/')[0]!)),
        ...mend.splits.map((split) => ({ ...split, atMm: [...split.atMm] })),
      ];
      return;
    }
    case 'cutting/tool':
      plan.cutting.tools = [
        ...plan.cutting.tools.filter(({ jobKey }) => jobKey !== mend.jobKey),
        { jobKey: mend.jobKey, toolId: mend.toolId, kerfMm: null },
      ];
      return;
    case 'coats/first':
      plan.coats[mend.zone] = [{ ...mend.coat }, ...plan.coats[mend.zone].filter(({ id }) => id !== mend.coat.id)];
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

/** What holds the adhesive of a joint in the plan. */
function gluedAt(
  { stack }: PlanDraft,
  place: JointPlace,
): PlanDraft['stack']['ground'][number] | PlanDraft['stack']['raised'] | PlanDraft['stack']['facings']['open'][number] | undefined {
  switch (place.part) {
    case 'ground':
      return stack.ground.find(({ id }) => id === place.layerId);
    case 'raised':
      return stack.raised;
    case 'facing':
      return stack.facings[place.zone].find(({ id }) => id === place.layerId);
    default:
      throw place satisfies never;
  }
}

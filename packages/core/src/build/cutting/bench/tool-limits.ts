import type { Tool } from '../../../catalogue';
import { type CutJob, openOf } from '../job';
import type { CanCut, Part } from '../parts';
import { fitsOn } from '../nesting';
import { type Figure, given } from '../../../base/units';

/** What a machine cannot do with a part. */
export interface BeyondTool {
  readonly part: Part;
  readonly what: 'throat' | 'fence' | 'height';
  readonly limitMm: number;
}

/** Parts of a job that do not go into its tool, before they are cut: too thick, or too wide both ways for throat or fence. */
export function beyondTool(job: CutJob): readonly BeyondTool[] {
  const { tool, parts, thicknessMm } = openOf(job);
  return parts.flatMap((part): BeyondTool[] => {
    if (tool.tallestMm !== null && thicknessMm > tool.tallestMm) return [{ part, what: 'height', limitMm: tool.tallestMm }];
    const wide = widthLimit(tool);
    return wide !== null && Math.min(part.widthMm, part.depthMm) > wide.limitMm ? [{ part, ...wide }] : [];
  });
}

/** The widest a part may be at its narrower side, by throat or fence, whichever is less. */
function widthLimit({ throatMm, fenceMm }: Tool): { readonly what: 'throat' | 'fence'; readonly limitMm: number } | null {
  if (throatMm === null && fenceMm === null) return null;
  return throatMm !== null && (fenceMm === null || throatMm <= fenceMm)
    ? { what: 'throat', limitMm: throatMm }
    : { what: 'fence', limitMm: fenceMm! };
}

/** Whether a piece of a part of a job can be cut from the stock there is with a tool. */
export function canCutWith(job: CutJob, part: Part, tool: Tool): CanCut {
  const limitMm = widthLimit(tool)?.limitMm ?? Infinity;
  const across = part.grain === 'y';
  return (widthMm, depthMm) => {
    const blank = { id: '', widthMm: across ? depthMm : widthMm, depthMm: across ? widthMm : depthMm, mayTurn: part.grain === null };
    return Math.min(widthMm, depthMm) <= limitMm + 1e-6 && job.stock.some((one) => fitsOn(blank, one, job.kerfMm));
  };
}

/** What a tool takes at most, as figures; none for one without limits. */
export function toolLimits({ name, throatMm, fenceMm, tallestMm }: Tool): readonly Figure<'mm'>[] {
  const rows: readonly (readonly [string, number | null])[] = [
    ['Throat depth', throatMm],
    ['Fence distance', fenceMm],
    ['Height under it', tallestMm],
  ];
  return rows.flatMap(([label, mm]) =>
    mm === null ? [] : [given(label, mm, 'mm', 'catalogue', `${name}: our default value; measure your own`)],
  );
}

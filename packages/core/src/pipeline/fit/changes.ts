import { type Catalogue, sheetsOf } from '../../catalogue';
import type { CutJob } from '../../build/cutting/job';
import { lengthWords } from '../../base/units';
import type { Plan } from '../../plan';
import { type Edit, type SingleEdit, atOnce } from '../../plan/edits';

/** One change of a plan that might save a sheet. */
export interface FitChange {
  readonly id: string;
  readonly edit: Edit;
  readonly label: string;
  /** What is another on the table, or at the bench. */
  readonly says: string;
}
/** A size that can be made smaller by any length. */
export interface Shrink {
  readonly id: string;
  /** null where the plan does not allow it. */
  readonly by: (mm: number) => FitChange | null;
}

/** Tiles smaller than this are no tiles. */
const MIN_TILE_MM = 50;
const SIDES = ['columnWidthsMm', 'rowDepthsMm'] as const;
type Side = (typeof SIDES)[number];
const THINNER = { columnWidthsMm: 'narrower', rowDepthsMm: 'shallower' } as const;
const rounded = (mm: number): number => Math.round(mm * 1_000) / 1_000;

/** Tile sizes that can be made smaller: each width of columns, each depth of rows, and all tiles both ways. */
export function tileShrinks({ table, units }: Plan): readonly Shrink[] {
  const groups = SIDES.flatMap((side) => [...new Set(table[side])].map((fromMm) => ({ side, fromMm })));
  const own = groups.map(({ side, fromMm }): Shrink => ({ id: `${side} ${fromMm}`, by: (mm) => resized([side], fromMm, mm) }));
  const isTable = table.columnWidthsMm.length > 0;
  return isTable ? [...own, { id: 'tiles', by: (mm) => resized(SIDES, null, mm) }] : [];

  /** @param fromMm only tiles of this size; null for all of them */
  function resized(sides: readonly Side[], fromMm: number | null, byMm: number): FitChange | null {
    const edits: SingleEdit[] = [];
    const lost = { columnWidthsMm: 0, rowDepthsMm: 0 };
    for (const side of sides) {
      for (const [index, mm] of table[side].entries()) {
        if (fromMm !== null && mm !== fromMm) continue;
        if (mm - byMm < MIN_TILE_MM) return null;
        edits.push({ code: 'table/tile', side, index, mm: rounded(mm - byMm) });
        lost[side] += byMm;
      }
    }
    const now = SIDES.map((side) =>
      table[side].map((mm) => (sides.includes(side) && (fromMm === null || mm === fromMm) ? rounded(mm - byMm) : mm)),
    );
    const sizes = new Set(now[0]!.flatMap((widthMm) => now[1]!.map((depthMm) => lengthWords([widthMm, depthMm], units))));
    const label =
      sizes.size === 1
        ? `Tiles ${[...sizes][0]!}`
        : fromMm === null
          ? `All tiles ${lengthWords(byMm, units)} smaller`
          : `${sides[0] === 'columnWidthsMm' ? 'Columns' : 'Rows'} of ${lengthWords(rounded(fromMm - byMm), units)}`;
    const says = sides.map((side) => `${lengthWords(rounded(lost[side]), units)} ${THINNER[side]}`).join(' and ');
    return {
      id: `${sides.join('+')} ${fromMm ?? 'all'} ${byMm}`,
      edit: atOnce(edits, `Resize the tiles: ${label}`),
      label,
      says: `table ${says}`,
    };
  }
}

/** The allowance of layers that are trimmed flush later, made smaller. */
export function allowanceShrinks({ stack, units }: Plan): readonly Shrink[] {
  if (stack.edges !== 'trim-after') return [];
  const by = (mm: number): FitChange | null => {
    const left = rounded(stack.allowanceMm - mm);
    if (left < MIN_ALLOWANCE_MM) return null;
    const label = `${lengthWords(left, units)} of allowance per side`;
    return { id: `allowance ${left}`, edit: { code: 'stack/allowance', mm: left }, label, says: 'less to trim, and less room for a slip' };
  };
  return [{ id: 'allowance', by }];
}
/** With less to spare on a side a layer that slips is too small. */
const MIN_ALLOWANCE_MM = 3;

/** Changes of how things are cut: the trim, each other tool, sheets that are left out, and small sheets with joints. */
export function cuttingChanges(plan: Plan, jobs: readonly CutJob[], catalogue: Catalogue): readonly FitChange[] {
  const { cutting } = plan;
  const isStated = cutting.trimMm !== null || cutting.trims.length > 0;
  const trim: FitChange = {
    id: 'trim',
    edit: { code: 'cutting/trim', jobKey: null, mm: null },
    label: 'Trim rough edges only',
    says: 'factory-straight edges are used as they are',
  };
  return [...(isStated ? [trim] : []), ...jobs.flatMap((job) => [...otherTools(plan, job), ...otherSheets(plan, job, catalogue)])];
}

const otherTools = ({ units }: Plan, { key, name, tool, tools }: CutJob): FitChange[] =>
  tools
    .filter(({ id }) => id !== tool.id)
    .map((other) => ({
      id: `tool ${key} ${other.id}`,
      edit: { code: 'cutting/tool', jobKey: key, toolId: other.id, kerfMm: null },
      label: `${name}: ${other.name.toLowerCase()}`,
      says: `kerf ${lengthWords(other.kerfMm.value, units)}`,
    }));

/** One size of sheet alone: parts that are too large for it get joints, where the board lays them. */
function otherSheets({ cutting, units }: Plan, { key, name, materialId, thicknessMm }: CutJob, catalogue: Catalogue): FitChange[] {
  const all = sheetsOf(catalogue, materialId, thicknessMm);
  const isHad = (id: string): boolean => !cutting.withoutSheetIds.includes(id);
  return all.flatMap((sheet) => {
    const edits = all
      .filter(({ id }) => isHad(id) !== (id === sheet.id))
      .map(({ id }): SingleEdit => ({ code: 'sheets/had', sheetId: id, isHad: id === sheet.id }));
    if (edits.length === 0) return [];
    const size = lengthWords([sheet.widthMm, sheet.depthMm], units);
    const label = `${name}: only sheets of ${size}`;
    return [{ id: `sheets ${key} ${sheet.id}`, edit: atOnce(edits, `Use only sheets of ${size}`), label, says: '' }];
  });
}

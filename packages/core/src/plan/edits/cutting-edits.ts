import type { CutSheet } from '../workshop';
import type { Cutting, PlanDraft, SavedLayout, Split } from '../plan';
import { edit } from './edit-definition';

type Tool = Cutting['tools'][number];

/** A layout kept in place of its job's last one. Those of jobs nobody cuts any more go. @param jobKeys all there are; none known yet leaves the others */
function saveLayout(cutting: PlanDraft['cutting'], layout: SavedLayout, jobKeys: readonly string[]): void {
  const others = cutting.saved.filter(({ jobKey }) => jobKey !== layout.jobKey && (jobKeys.length === 0 || jobKeys.includes(jobKey)));
  cutting.saved = [
    ...others,
    { ...layout, sheets: layout.sheets.map((sheet) => ({ ...sheet, places: sheet.places.map((place) => ({ ...place })) })) },
  ];
}

function splitParts(cutting: PlanDraft['cutting'], splits: readonly Split[]): void {
  const wholes = new Set(splits.map(({ wholeId }) => wholeId));
  cutting.splits = [
    ...cutting.splits.filter(({ wholeId }) => !wholes.has(wholeId)),
    ...splits.map((split) => ({ ...split, atMm: [...split.atMm] })),
  ];
}

/** Changes to how parts are cut, and what is cut of them. */
export const cuttingEdits = {
  /** @param jobKey one job, or null for the whole board; @param mm null where the edges of the sheets decide */
  'cutting/trim': edit<{ readonly jobKey: string | null; readonly mm: number | null }>(
    'Set the edge trim',
    ({ plan: { cutting } }, { jobKey, mm }) => {
      if (jobKey === null) {
        cutting.trimMm = mm;
        cutting.trims = [];
      } else cutting.trims = [...cutting.trims.filter((other) => other.jobKey !== jobKey), { jobKey, mm }];
    },
  ),
  'cutting/aim': edit<{ readonly aim: Cutting['aim'] }>(
    'Change the goal of the layout',
    ({ plan }, { aim }) => void (plan.cutting.aim = aim),
  ),
  'cutting/tool': edit<Tool>('Change the cutting method', ({ plan: { cutting } }, { jobKey, toolId, kerfMm }) => {
    cutting.tools = [...cutting.tools.filter((other) => other.jobKey !== jobKey), { jobKey, toolId, kerfMm }];
  }),
  /** How the equal parts of a job are cut. */
  'cutting/batch': edit<Cutting['batches'][number]>('Change how equal parts are cut', ({ plan: { cutting } }, { jobKey, wayId }) => {
    cutting.batches = [...cutting.batches.filter((other) => other.jobKey !== jobKey), { jobKey, wayId }];
  }),
  /** Who lays the joint of a part that goes on no sheet. */
  'cutting/joints': edit<{ readonly joints: Cutting['joints'] }>(
    'Change who places joints',
    ({ plan }, { joints }) => void (plan.cutting.joints = joints),
  ),
  /** A part is never joined to save a sheet, or may be again. */
  'part/keep': edit<{ readonly wholeId: string; readonly isKept: boolean }>(
    ({ isKept }) => (isKept ? 'Keep a part whole' : 'Allow a joint in a part'),
    ({ plan: { cutting } }, { wholeId, isKept }) => {
      const others = cutting.keptWhole.filter((id) => id !== wholeId);
      cutting.keptWhole = isKept ? [...others, wholeId] : others;
    },
  ),
  /** Whether a stock sheet is to be had for this board. */
  'sheets/had': edit<{ readonly sheetId: string; readonly isHad: boolean }>('Set available sheets', ({ plan }, { sheetId, isHad }) => {
    const others = plan.cutting.withoutSheetIds.filter((id) => id !== sheetId);
    plan.cutting.withoutSheetIds = isHad ? others : [...others, sheetId];
  }),
  'layout/save': edit<{ readonly layout: SavedLayout; readonly jobKeys: readonly string[]; readonly why: string }>(
    ({ why }) => why,
    ({ plan }, { layout, jobKeys }) => saveLayout(plan.cutting, layout, jobKeys),
  ),
  /** A part split anew loses the splits it had, and those of its pieces. */
  'part/split': edit<{ readonly splits: readonly Split[] }>('Split a part', ({ plan }, { splits }) => splitParts(plan.cutting, splits)),
  'part/whole': edit<{ readonly wholeId: string }>('Undo the split of a part', ({ plan: { cutting } }, { wholeId }) => {
    cutting.splits = cutting.splits.filter((split) => split.wholeId !== wholeId);
  }),
  /**
   * A sheet is cut; the others of its job stay as they lie, since they may stand on a printed list.
   * `splits`: of parts on it that the program had cut in pieces; what is cut once is not split another way.
   */
  'sheet/cut': edit<{
    readonly sheet: CutSheet;
    readonly layout: SavedLayout;
    readonly splits: readonly Split[];
    readonly jobKeys: readonly string[];
  }>(
    ({ sheet }) => `Sheet ${sheet.number} is cut`,
    ({ plan, record }, { sheet, layout, splits, jobKeys }) => {
      const others = plan.cutting.splits.filter(({ partId }) => !splits.some((split) => split.partId === partId));
      if (splits.length > 0) plan.cutting.splits = [...others, ...splits.map((split) => ({ ...split, atMm: [...split.atMm] }))];
      record.cutSheets = [
        ...record.cutSheets.filter(({ id }) => id !== sheet.id),
        { ...sheet, places: sheet.places.map((place) => ({ ...place })) },
      ];
      saveLayout(plan.cutting, layout, jobKeys);
    },
  ),
  /** Sheets that were ticked off are not cut: they lie among the others again. */
  'sheet/uncut': edit<{ readonly cutIds: readonly string[]; readonly layout: SavedLayout | null; readonly jobKeys: readonly string[] }>(
    ({ cutIds }) => (cutIds.length === 1 ? 'A sheet was not cut' : `${cutIds.length} sheets were not cut`),
    ({ plan, record }, { cutIds, layout, jobKeys }) => {
      record.cutSheets = record.cutSheets.filter(({ id }) => !cutIds.includes(id));
      if (layout !== null) saveLayout(plan.cutting, layout, jobKeys);
    },
  ),
};

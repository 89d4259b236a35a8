import type { CutSheet } from '../../shop';
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

/** Changes to how parts are cut, and what is cut of them. */
export const cuttingEdits = {
  'cutting/trim': edit<{ readonly mm: number }>('Set the trim', ({ plan }, { mm }) => void (plan.cutting.trimMm = mm)),
  'cutting/aim': edit<{ readonly aim: Cutting['aim'] }>('Change the aim', ({ plan }, { aim }) => void (plan.cutting.aim = aim)),
  'cutting/tool': edit<Tool>('Change how it is cut', ({ plan: { cutting } }, { jobKey, toolId, kerfMm }) => {
    cutting.tools = [...cutting.tools.filter((other) => other.jobKey !== jobKey), { jobKey, toolId, kerfMm }];
  }),
  'layout/save': edit<{ readonly layout: SavedLayout; readonly jobKeys: readonly string[]; readonly why: string }>(
    ({ why }) => why,
    ({ plan }, { layout, jobKeys }) => saveLayout(plan.cutting, layout, jobKeys),
  ),
  /** A part split anew loses the splits it had, and those of its pieces. */
  'part/split': edit<{ readonly splits: readonly Split[] }>('Split a part', ({ plan: { cutting } }, { splits }) => {
    const wholes = new Set(splits.map(({ wholeId }) => wholeId));
    cutting.splits = [
      ...cutting.splits.filter(({ wholeId }) => !wholes.has(wholeId)),
      ...splits.map((split) => ({ ...split, atMm: [...split.atMm] })),
    ];
  }),
  'part/whole': edit<{ readonly wholeId: string }>('Make a part whole', ({ plan: { cutting } }, { wholeId }) => {
    cutting.splits = cutting.splits.filter((split) => split.wholeId !== wholeId);
  }),
  /** A sheet is cut; the others of its job stay as they lie, since they may stand on a printed list. */
  'sheet/cut': edit<{ readonly sheet: CutSheet; readonly layout: SavedLayout; readonly jobKeys: readonly string[] }>(
    ({ sheet }) => `Sheet ${sheet.number} is cut`,
    ({ plan, record }, { sheet, layout, jobKeys }) => {
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

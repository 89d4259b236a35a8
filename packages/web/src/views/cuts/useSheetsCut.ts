import { type CutJob, isCut } from '@spare-acre/core/build/cutting/job';
import { leftoversOf, takenBack, tickedOff } from '@spare-acre/core/build/cutting/saved';
import { shortId } from '../../stores/device/name';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { useRack } from '../../stores/workshop/rack';

/** Ticks a sheet off as cut, or takes the tick back: the record says what is cut, the rack gets what the sheet left. */
export function useSheetsCut(): { readonly toggle: (job: CutJob, index: number) => Promise<string> } {
  const store = usePlan();
  const rack = useRack();
  const catalogues = useCatalogue();
  const jobKeys = (): readonly string[] => (store.slices.jobs ?? []).map(({ key }) => key);

  /** @returns why not, or nothing */
  async function tick(job: CutJob, index: number): Promise<string> {
    const id = shortId();
    const sheet = job.layout.sheets[index]!;
    const { cut, saved, splits } = tickedOff(job, index, id);
    const fault = store.edit({ code: 'sheet/cut', sheet: cut, layout: saved, splits, jobKeys: jobKeys() });
    if (fault !== '') return fault;
    for (const [k, piece] of leftoversOf(job, sheet, catalogues.catalogue!).entries()) {
      await rack.add({ ...piece, from: { boardId: store.boardId!, cutSheetId: id, piece: k + 1 } });
    }
    return rack.fault;
  }

  async function untick(job: CutJob, index: number): Promise<string> {
    const { cut } = job.layout.sheets[index]!;
    const layout = takenBack(job, index);
    const fault = store.edit({ code: 'sheet/uncut', cutIds: [cut!.id], layout, jobKeys: jobKeys() });
    if (fault !== '') return fault;
    for (const { id, from } of rack.offcuts) if (from?.cutSheetId === cut!.id) await rack.remove(id);
    return rack.fault;
  }

  return { toggle: (job, index) => (isCut(job.layout.sheets[index]!) ? untick(job, index) : tick(job, index)) };
}

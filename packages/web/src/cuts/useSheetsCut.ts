import { type CutJob, isDone, leftoversOf, takenBack, tickedOff } from '@spare-acre/core/cutting';
import { shortId } from '../drafts/name';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';
import { useRack } from '../stores/rack';
import { keepLayout } from './keepLayout';

/** Ticks a sheet off as cut, or takes the tick back: the plan says what is cut, the rack gets what the sheet left. */
export function useSheetsCut(): { readonly toggle: (job: CutJob, index: number) => Promise<string> } {
  const store = usePlan();
  const rack = useRack();
  const catalogues = useCatalogue();

  /** @returns why not, or nothing */
  async function tick(job: CutJob, index: number): Promise<string> {
    const id = shortId();
    const sheet = job.layout.sheets[index]!;
    const fault = store.edit(`Sheet ${index + 1} is cut`, (draft) => {
      const { cut, kept } = tickedOff(job, index, id);
      draft.cutting.cut = [...draft.cutting.cut, cut as never];
      keepLayout(draft.cutting, kept, store.derivation?.jobs ?? []);
    });
    if (fault !== '') return fault;
    for (const [k, piece] of leftoversOf(job, sheet, catalogues.catalogue!).entries()) {
      await rack.add({ ...piece, from: { boardId: store.boardId!, cutSheetId: id, piece: k + 1 } });
    }
    return rack.fault;
  }

  async function untick(job: CutJob, index: number): Promise<string> {
    const { cut } = job.layout.sheets[index]!;
    const fault = store.edit(`Sheet ${index + 1} is not cut after all`, (draft) => {
      draft.cutting.cut = draft.cutting.cut.filter(({ id }) => id !== cut!.id);
      keepLayout(draft.cutting, takenBack(job, index), store.derivation?.jobs ?? []);
    });
    if (fault !== '') return fault;
    for (const { id, from } of rack.offcuts) if (from?.cutSheetId === cut!.id) await rack.remove(id);
    return rack.fault;
  }

  return { toggle: (job, index) => (isDone(job.layout.sheets[index]!) ? untick(job, index) : tick(job, index)) };
}

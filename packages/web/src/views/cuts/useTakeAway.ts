import { type Ref, ref } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import type { Part } from '@spare-acre/core/build/cutting/parts';
import type { Paper } from '@spare-acre/core/io/formats';
import type { MeasureSystem } from '@spare-acre/core/base/units';
import { usePlan } from '../../stores/board/plan';
import { pageFont } from '../../ui/pageFont';

export type Output = 'sheet-svg' | 'sheet-dxf' | 'sheet-pdf' | 'list-csv' | 'list-pdf' | 'templates-sheet' | 'templates-shaped';
export interface Made {
  readonly blob: Blob;
  readonly title: string;
  readonly ending: 'svg' | 'dxf' | 'pdf' | 'csv';
}

/** A part whose outline is not its box. */
const isShaped = ({ areaMm2, widthMm, depthMm }: Part): boolean => widthMm * depthMm - areaMm2 > 1;

/** Makes files of what is cut. The writers are loaded when first asked for. */
export function useTakeAway(): {
  readonly isMaking: Ref<boolean>;
  readonly fault: Ref<string>;
  readonly make: (output: Output, job: CutJob, index: number, paper: Paper) => Promise<Made | null>;
} {
  const store = usePlan();
  const isMaking = ref(false);
  const fault = ref('');
  return {
    isMaking,
    fault,
    async make(output, job, index, paper) {
      [isMaking.value, fault.value] = [true, ''];
      try {
        return await made(output, { job, index, paper, system: store.plan!.units, jobs: store.slices.jobs ?? [] });
      } catch (error) {
        fault.value = error instanceof Error ? error.message : String(error);
        return null;
      } finally {
        isMaking.value = false;
      }
    },
  };
}

/** A sheet of a job among all jobs, the paper for it and the measures on it. */
interface ToPrint {
  readonly job: CutJob;
  readonly index: number;
  readonly paper: Paper;
  readonly system: MeasureSystem;
  readonly jobs: readonly CutJob[];
}
async function made(output: Output, { job, index, paper, system, jobs }: ToPrint): Promise<Made> {
  const formats = await import('@spare-acre/core/io/formats');
  const sheet = `${job.name} sheet ${index + 1}`;
  const pdf = (bytes: Uint8Array, title: string): Made => ({
    blob: new Blob([bytes as BlobPart], { type: 'application/pdf' }),
    title,
    ending: 'pdf',
  });
  switch (output) {
    case 'sheet-svg':
      return { blob: new Blob([formats.sheetSvg(job, index)]), title: sheet, ending: 'svg' };
    case 'sheet-dxf':
      return { blob: new Blob([formats.sheetDxf(job, index)]), title: sheet, ending: 'dxf' };
    case 'sheet-pdf':
      return pdf(await formats.sheetPdf(job, index, await pageFont()), sheet);
    case 'list-csv':
      return { blob: new Blob([formats.cutListCsv(jobs)], { type: 'text/csv' }), title: 'cut list', ending: 'csv' };
    case 'list-pdf':
      return pdf(await formats.cutListPdf(job, paper, system, await pageFont()), `${job.name} cut list`);
    case 'templates-sheet':
    case 'templates-shaped': {
      const ids = job.layout.sheets[index]?.placements.map(({ blankId }) => blankId) ?? [];
      const parts = output === 'templates-sheet' ? job.parts.filter(({ id }) => ids.includes(id)) : job.parts.filter(isShaped);
      if (parts.length === 0) throw new Error('Every part of this job is a plain rectangle. The cut list is enough.');
      return pdf(
        await formats.templatesPdf(parts, paper, await pageFont()),
        `${output === 'templates-sheet' ? sheet : job.name} templates`,
      );
    }
    default:
      throw output satisfies never;
  }
}

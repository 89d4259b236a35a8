import { type Ref, ref } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import type { Part } from '@spare-acre/core/build/cutting/parts';
import type * as formatsModule from '@spare-acre/core/io/formats';
import type { MeasureSystem } from '@spare-acre/core/base/units';
import { usePlan } from '../../stores/board/plan';
import { pageFont } from '../../ui/pageFont';

type Paper = formatsModule.Paper;
export type Output = keyof typeof OUTPUTS;
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
        return await OUTPUTS[output].make(await import('@spare-acre/core/io/formats'), {
          job,
          index,
          paper,
          system: store.plan!.units,
          jobs: store.slices.jobs ?? [],
        });
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
type Formats = typeof formatsModule;
interface Writer {
  /** Where its button stands, and what is on it. */
  readonly group: 'sheet' | 'list' | 'templates';
  readonly text: string;
  /** @throws Error in words where there is nothing to write */
  readonly make: (formats: Formats, what: ToPrint) => Promise<Made> | Made;
}
const sheetTitle = ({ job, index }: ToPrint): string => `${job.name} sheet ${index + 1}`;
const pdf = (bytes: Uint8Array, title: string): Made => ({
  blob: new Blob([bytes as BlobPart], { type: 'application/pdf' }),
  title,
  ending: 'pdf',
});
async function templates(formats: Formats, parts: readonly Part[], paper: Paper, title: string): Promise<Made> {
  if (parts.length === 0) throw new Error('Every part of this job is a plain rectangle. The cut list is enough.');
  return pdf(await formats.templatesPdf(parts, paper, await pageFont()), `${title} templates`);
}
/** Every file that there is, in the order of its buttons. */
export const OUTPUTS = {
  'sheet-svg': {
    group: 'sheet',
    text: 'Save as SVG',
    make: (formats, what) => ({ blob: new Blob([formats.sheetSvg(what.job, what.index)]), title: sheetTitle(what), ending: 'svg' }),
  },
  'sheet-dxf': {
    group: 'sheet',
    text: 'Save as DXF',
    make: (formats, what) => ({ blob: new Blob([formats.sheetDxf(what.job, what.index)]), title: sheetTitle(what), ending: 'dxf' }),
  },
  'sheet-pdf': {
    group: 'sheet',
    text: 'Save as PDF',
    make: async (formats, what) => pdf(await formats.sheetPdf(what.job, what.index, await pageFont()), sheetTitle(what)),
  },
  'list-csv': {
    group: 'list',
    text: 'Export all jobs (CSV)',
    make: (formats, { jobs }) => ({ blob: new Blob([formats.cutListCsv(jobs)], { type: 'text/csv' }), title: 'cut list', ending: 'csv' }),
  },
  'list-pdf': {
    group: 'list',
    text: 'Export this job (PDF)',
    make: async (formats, { job, paper, system }) =>
      pdf(await formats.cutListPdf(job, paper, system, await pageFont()), `${job.name} cut list`),
  },
  'templates-sheet': {
    group: 'templates',
    text: 'Parts of this sheet',
    make: (formats, what) => {
      const ids = what.job.layout.sheets[what.index]?.placements.map(({ blankId }) => blankId) ?? [];
      return templates(
        formats,
        what.job.parts.filter(({ id }) => ids.includes(id)),
        what.paper,
        sheetTitle(what),
      );
    },
  },
  'templates-shaped': {
    group: 'templates',
    text: 'Shaped parts of this job',
    make: (formats, { job, paper }) => templates(formats, job.parts.filter(isShaped), paper, job.name),
  },
} as const satisfies Readonly<Record<string, Writer>>;

import { type Catalogue, cautionTexts, materialBy } from '../../../catalogue';
import { type Figure, type MeasureSystem, given, lengthWords, calculate } from '../../../base/units';
import type { CutJob } from '../job';

/** A first cut on scrap, to learn the hand and what the blade takes. */
export interface KerfTest {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly strips: number;
  readonly steps: readonly string[];
  readonly cautions: readonly string[];
  /** Strips pushed together measure this when the blade takes what is reckoned with. */
  readonly expected: Figure<'mm'>;
}

const LENGTH_MM = 100;
const WIDTH_MM = 60;
const STRIPS = 5;
/** A cut that leans more than this from end to end slipped. */
const SLIP_MM = 0.5;

/** What to practise before the first real cut of a job, in its material and with its tool. @source craft.md, order of work 4 */
export function kerfTest(job: CutJob, system: MeasureSystem, catalogue: Catalogue): KerfTest {
  const material = materialBy(catalogue, job.materialId);
  const passes = job.passes.value;
  const words = (mm: number | readonly number[]): string => lengthWords(mm, system);
  const length = given('Scrap, length', LENGTH_MM, 'mm', 'definition');
  return {
    lengthMm: LENGTH_MM,
    widthMm: WIDTH_MM,
    strips: STRIPS,
    steps: [
      `Take a scrap of ${material.name}, ${words(job.thicknessMm)}, and cut it to ${words([LENGTH_MM, WIDTH_MM])}: mark, then cut along the line${passes > 1 ? `, ${passes} passes, the first only a score` : ''}.`,
      `Measure its length at both sides. If they differ by more than ${words(SLIP_MM)}, the rule slipped. Hold it with a flat hand or clamp it, and try again.`,
      `Mark it across every ${words(LENGTH_MM / STRIPS)} and cut it into ${STRIPS} strips, the blade always on the same side of the line.`,
      'Stand a strip on edge: its cut face should be square. A leaning face comes from a leaning blade.',
      `Push the ${STRIPS} strips together and measure them. The missing length is the kerf of ${STRIPS - 1} cuts.`,
    ],
    cautions: cautionTexts(catalogue, job.tool.cautionIds),
    expected: calculate('Strips together', 'mm', length, '−', lostIn(given('Kerf used now', job.kerfMm, 'mm', 'catalogue'))),
  };
}

const lostIn = (kerf: Figure<'mm'>): Figure<'mm'> => calculate('Total kerf', 'mm', kerf, '×', given('Cuts', STRIPS - 1, '1', 'definition'));

/** What a blade takes, from the length of a scrap before and after it was cut into strips; never under nothing. */
export function kerfFrom(beforeMm: number, togetherMm: number): Figure<'mm'> {
  const missing = calculate(
    'Missing',
    'mm',
    given('Before', beforeMm, 'mm', 'logbook'),
    '−',
    given('Strips together', togetherMm, 'mm', 'logbook'),
  );
  const each = calculate('Kerf of one cut', 'mm', missing, '÷', given('Cuts', STRIPS - 1, '1', 'definition'));
  return calculate('Kerf', 'mm', each, 'or, if larger,', given('No kerf', 0, 'mm', 'definition'));
}

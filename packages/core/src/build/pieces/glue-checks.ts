import type { Warning } from '../../advice/checks';
import { given, lengthWords } from '../../base/units';
import type { CheckInputs } from './check';
import type { GlueFault } from './gluing';
import type { MadePiece } from './making/made';

const CODES = {
  dissolves: 'piece/glue-dissolves',
  slips: 'piece/glue-slips',
  buckles: 'piece/glue-buckles',
  'never-dries': 'piece/wet-inside',
} as const satisfies Readonly<Record<GlueFault['fit'], string>>;
/** Adhesives offered in the place of one that does not hold. */
const MAX_OFFERED = 3;

/** Glue that cannot hold a piece together where its parts touch, with the glues that would. @source craft.md §3 */
export function* unfitGlue(made: MadePiece, { units }: CheckInputs): Generator<Warning> {
  const { piece, glues } = made;
  const glue = glues.find(({ id }) => id === piece.glueId);
  if (glue === undefined) return;
  const holding = glues.filter(({ faults }) => faults.length === 0);
  for (const fault of glue.faults) {
    const { fit, faces, thicknessMm, rimMin } = fault;
    yield {
      id: `${CODES[fit]} ${piece.id} ${faces}`,
      code: CODES[fit],
      severity: fit === 'dissolves' ? 'stop' : 'care',
      featureId: null,
      title: piece.name,
      text: [
        ...(fit === 'never-dries'
          ? [
              `${glue.name} dries by giving off water, and ${faces} lets none through`,
              ...(rimMin === null
                ? ['. It stays wet inside.']
                : [
                    ': inside the widest joint it needs ',
                    given('Drying from the rim', rimMin, 'min', 'catalogue', 'by the square of the half-width'),
                    '.',
                  ]),
            ]
          : fit === 'dissolves'
            ? [`${glue.name} dissolves ${faces}.`]
            : fit === 'slips'
              ? [`${glue.name} does not stick to ${faces}. It peels off.`]
              : [`A film of ${glue.name.toLowerCase()} makes ${faces} of ${lengthWords(thicknessMm, units)} buckle.`]),
      ],
      mends: holding
        .slice(0, MAX_OFFERED)
        .map(({ id, name }) => ({
          label: `Glue with ${name.toLowerCase()}`,
          edit: { code: 'piece/change', pieceId: piece.id, change: { glueId: id }, what: 'Glue' },
        })),
    };
  }
}

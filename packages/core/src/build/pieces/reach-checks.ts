import type { Warning } from '../../advice/checks';
import { memoize } from '../../base/memory';
import { given } from '../../base/units';
import { type CheckInputs, set } from './check';
import type { StandingLevel } from './family';
import type { MadePiece } from './making/made';
import { comesOff, isClosedOver } from './measures/reach';

/** Parts that are meant to come off and are caught, by name and first body; a drag of anything else asks for it again. */
const caughtIn = memoize(({ objects, shape }: MadePiece): readonly (readonly [name: string, bodyId: string])[] => {
  const liftsOff = shape?.liftsOff ?? [];
  const found: (readonly [string, string])[] = [];
  const loose = new Set(liftsOff.flatMap(({ bodyIds }) => bodyIds));
  for (const { name, bodyIds } of liftsOff) {
    for (const { bodies } of objects) {
      const parts = bodies.filter(({ id }) => bodyIds.includes(id));
      if (parts.length === 0) continue;
      const stays = bodies.filter(({ id }) => !loose.has(id));
      if (!comesOff(parts, stays)) found.push([name, bodyIds[0]!]);
    }
  }
  return found;
});
/** Levels that are closed over for good. */
const closedLevels = memoize(({ objects, shape }: MadePiece): readonly StandingLevel[] =>
  (shape?.levels ?? []).filter((level) => {
    const object = objects.find(({ id }) => id === level.objectId);
    return level.headroomMm !== null && object !== undefined && isClosedOver(level, object, shape?.liftsOff);
  }),
);

/** Roofs and floors that are meant to come off, and are caught under something that stays. */
export function* caught(made: MadePiece): Generator<Warning> {
  for (const [name, bodyId] of caughtIn(made))
    yield {
      id: `piece/caught ${made.piece.id} ${bodyId}`,
      code: 'piece/caught',
      severity: 'care',
      featureId: null,
      title: made.piece.name,
      text: [`${name} cannot be removed: the part above it blocks it at any tilt. Make it in two halves, or leave a gap above it.`],
      mends: [],
    };
}

/** Rooms that no hand reaches into once the piece is put together. */
export function* closedIn(made: MadePiece, { handMm }: CheckInputs): Generator<Warning> {
  const { piece, shape } = made;
  if (shape === null || shape.waysIn.length === 0) return;
  const widest = shape.waysIn.reduce((best, way) =>
    Math.min(way.widthMm, way.heightMm) > Math.min(best.widthMm, best.heightMm) ? way : best,
  );
  if (Math.min(widest.widthMm, widest.heightMm) >= handMm) return;
  for (const level of closedLevels(made)) {
    yield {
      id: `piece/unreachable ${piece.id} ${level.name}`,
      code: 'piece/unreachable',
      severity: 'care',
      featureId: null,
      title: piece.name,
      text: [
        `${level.name} is permanently covered, and a hand of `,
        given('Hand', handMm, 'mm', 'plan'),
        ` does not fit through ${widest.name.toLowerCase()}, so no figure can be placed there.`,
      ],
      mends: level.openedBy === undefined ? [] : [set(made, level.openedBy.change, 'Open', level.openedBy.label)],
    };
  }
}

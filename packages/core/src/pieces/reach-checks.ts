import type { Warning } from '../checks';
import { given } from '../base/units';
import { type CheckInputs, set } from './check';
import type { MadePiece } from './made';
import { comesOff, isClosedOver } from './reach';

/** Roofs and floors that are meant to come off, and are caught under something that stays. */
export function* caught({ piece, objects, shape }: MadePiece): Generator<Warning> {
  const liftsOff = shape?.liftsOff ?? [];
  const loose = new Set(liftsOff.flatMap(({ bodyIds }) => bodyIds));
  for (const { name, bodyIds } of liftsOff) {
    for (const { bodies } of objects) {
      const parts = bodies.filter(({ id }) => bodyIds.includes(id));
      if (parts.length === 0) continue;
      const stays = bodies.filter(({ id }) => !loose.has(id));
      if (comesOff(parts, stays)) continue;
      yield {
        id: `piece/caught ${piece.id} ${bodyIds[0]}`,
        code: 'piece/caught',
        severity: 'care',
        featureId: null,
        title: piece.name,
        text: [`${name} does not come off: what lies over it stays, however it is tilted. Make it in two halves, or leave a gap over it.`],
        mends: [],
      };
    }
  }
}

/** Rooms that no hand reaches into once the piece is put together. */
export function* closedIn(made: MadePiece, { handMm }: CheckInputs): Generator<Warning> {
  const { piece, objects, shape } = made;
  if (shape === null || shape.waysIn.length === 0) return;
  const widest = shape.waysIn.reduce((best, way) =>
    Math.min(way.widthMm, way.heightMm) > Math.min(best.widthMm, best.heightMm) ? way : best,
  );
  if (Math.min(widest.widthMm, widest.heightMm) >= handMm) return;
  for (const level of shape.levels) {
    const object = objects.find(({ id }) => id === level.objectId);
    if (level.headroomMm === null || object === undefined || !isClosedOver(level, object, shape.liftsOff)) continue;
    yield {
      id: `piece/unreachable ${piece.id} ${level.name}`,
      code: 'piece/unreachable',
      severity: 'care',
      featureId: null,
      title: piece.name,
      text: [
        `${level.name} is closed over for good, and a hand of `,
        given('Hand', handMm, 'mm', 'plan'),
        ` does not go through ${widest.name.toLowerCase()}: no figure can be set there.`,
      ],
      mends: level.openedBy === undefined ? [] : [set(made, level.openedBy.change, 'Open', level.openedBy.label)],
    };
  }
}

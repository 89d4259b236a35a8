import { type Feature, kindOf, reshaped } from './features';
import { type Box, type Point, boxAround } from '../base/geometry';
import { type Shape, mapped, movedBy, shapeBox } from './shapes';

/** What several features can be lined up by. */
export type Alignment = 'left' | 'centre' | 'right' | 'back' | 'middle' | 'near';

/** The box around several shapes. @throws RangeError for none */
export function boxOfAll(features: readonly Feature[]): Box {
  const boxes = features.map(({ shape }) => shapeBox(shape));
  return boxAround(
    boxes.flatMap(({ left, top, right, bottom }) => [
      { x: left, y: top },
      { x: right, y: bottom },
    ]),
  );
}

/** Features moved so that they line up with a box: the one around them all, a tile, or the table. */
export function aligned(features: readonly Feature[], by: Alignment, to: Box): readonly Feature[] {
  return features.map((feature) => {
    const own = shapeBox(feature.shape);
    const dx =
      { left: to.left - own.left, right: to.right - own.right, centre: (to.left + to.right - own.left - own.right) / 2 }[by as 'left'] ?? 0;
    const dy =
      { back: to.top - own.top, near: to.bottom - own.bottom, middle: (to.top + to.bottom - own.top - own.bottom) / 2 }[by as 'back'] ?? 0;
    return moved(feature, dx, dy);
  });
}

/** Features mirrored left to right or back to front about a line. */
export function mirrored(features: readonly Feature[], across: 'x' | 'y', aboutMm: number): readonly Feature[] {
  return features.map(
    (feature) =>
      ({ ...reshaped(feature, mirroredShape(feature.shape, across, aboutMm)), ...turnedRows(feature, (deg) => -deg) }) as Feature,
  );
}
function mirroredShape(shape: Shape, across: 'x' | 'y', aboutMm: number): Shape {
  return mapped(shape, ({ x, y }) => (across === 'x' ? { x: 2 * aboutMm - x, y } : { x, y: 2 * aboutMm - y }));
}

/** Features turned clockwise about a point. */
export function turned(features: readonly Feature[], byDeg: number, about: Point): readonly Feature[] {
  const angle = (byDeg * Math.PI) / 180;
  // Quarter turns stay exact: a sine of 1e-16 would leave crooked corners.
  const [c, s] = [exact(Math.cos(angle)), exact(Math.sin(angle))];
  const turn = ({ x, y }: Point): Point => {
    const [dx, dy] = [x - about.x, y - about.y];
    return { x: about.x + dx * c - dy * s, y: about.y + dx * s + dy * c };
  };
  return features.map(
    (feature) => ({ ...reshaped(feature, mapped(feature.shape, turn)), ...turnedRows(feature, (deg) => (deg + byDeg) % 360) }) as Feature,
  );
}

/** Further copies of features, each the same step on from the last; the names and ids are the caller's to give. */
export function repeated(features: readonly Feature[], times: number, dxMm: number, dyMm: number): readonly (readonly Feature[])[] {
  return Array.from({ length: times }, (_, i) => features.map((feature) => moved(feature, dxMm * (i + 1), dyMm * (i + 1))));
}

const moved = (feature: Feature, dxMm: number, dyMm: number): Feature => reshaped(feature, movedBy(feature.shape, dxMm, dyMm));
const turnedRows = (feature: Feature, to: (deg: number) => number): object => kindOf(feature).turned?.(feature, to) ?? {};
const exact = (value: number): number => (Math.abs(value - Math.round(value)) < 1e-12 ? Math.round(value) : value);

import { type Catalogue, type Material, estimated, materialBy, toolBy } from '../catalogue';
import { type Figure, given, inMetres, reckon, total, wholeUp } from '../units';
import type { Part } from './parts';

/** Marked lines of a part: one along each side of the box it is cut from. */
const LINES_PER_PART = 4;

/** Passes through a thickness: one guiding score, then cuts of a stated depth. @source craft.md §4 */
export function passesThrough(material: Material, thicknessMm: number): number {
  const afterScore = Math.max(0, thicknessMm - material.scoreMm);
  return (material.scoreMm > 0 ? 1 : 0) + wholeUp(afterScore / material.passMm);
}

/** {@link passesThrough} as a figure. */
export function passes(material: Material, thicknessMm: number): Figure<'1'> {
  const note =
    material.scoreMm > 0 ? `a score of ${material.scoreMm} mm, then ${material.passMm} mm a pass` : `${material.passMm} mm a pass`;
  return given(`Passes through ${thicknessMm} mm of ${material.name}`, passesThrough(material, thicknessMm), '1', 'catalogue', note);
}

/** Hands-on minutes to mark and cut parts that share a tile: cut length × passes ÷ speed, and the marking. */
export function cutMinutes(label: string, parts: readonly Part[], catalogue: Catalogue): Figure<'min'> {
  const cuts = parts.map((part) => {
    const material = materialBy(catalogue, part.materialId);
    const tool = toolBy(catalogue, material.toolId);
    const length = inMetres(given(`${part.name}, round the part`, part.cutMm, 'mm', 'drawing'));
    const path = reckon(`${part.name}, blade travel`, 'm', length, '×', passes(material, part.thicknessMm));
    return reckon(`${part.name}, cutting`, 'min', path, '÷', estimated(`${tool.name}, a pass`, tool.mPerMin, 'm/min'));
  });
  const lines = given('Lines to mark', parts.length * LINES_PER_PART, '1', 'layout', `${LINES_PER_PART} a part`);
  const marking = reckon('Marking', 'min', lines, '×', estimated('A marked line', catalogue.bench.markingMinPerLine, 'min'));
  return total(label, 'min', [...cuts, marking]);
}

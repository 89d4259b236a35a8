import { type Figure, given, calculate } from '../../base/units';

/** So many of all cells, in per cent; 0 of none. */
export function shareOf(label: string, part: number, cells: number): Figure<'%'> {
  if (cells === 0) return given(`${label}: no cells`, 0, '%', 'drawing');
  const share = calculate(`${label}: share`, '1', given('Cells', part, '1', 'drawing'), '÷', given('All cells', cells, '1', 'drawing'));
  return calculate(label, '%', share, '×', given('Per cent in a whole', 100, '%', 'definition'));
}

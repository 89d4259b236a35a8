import { type Figure, applied } from '../../base/units';
import type { Draws } from './draws';

/** One value a chance; a plain number where none of what it goes by is unsure. */
export type Drawn = Float64Array | number;

/** Works figures out again from inputs that are drawn, sign by sign as they were worked out: whole pots and batches as well. What several use is worked out once. */
export class Redrawn {
  private readonly known = new Map<Figure, Drawn>();

  constructor(private readonly draws: Draws) {}

  of(figure: Figure): Drawn {
    const known = this.known.get(figure);
    if (known !== undefined) return known;
    const own = this.worked(figure);
    this.known.set(figure, own);
    return own;
  }

  private worked(figure: Figure): Drawn {
    if ('source' in figure) return figure.range === undefined ? figure.value : this.draws.of(figure.range);
    if ('parts' in figure) return this.summed(figure.parts);
    const [left, right, { sign }] = [this.of(figure.left), this.of(figure.right), figure];
    if (typeof left === 'number' && typeof right === 'number') return figure.value;
    const { count } = this.draws;
    const own = new Float64Array(count);
    if (typeof left === 'number') for (let i = 0; i < count; i++) own[i] = applied(sign, left, (right as Float64Array)[i]!);
    else if (typeof right === 'number') for (let i = 0; i < count; i++) own[i] = applied(sign, left[i]!, right);
    else for (let i = 0; i < count; i++) own[i] = applied(sign, left[i]!, right[i]!);
    return own;
  }

  private summed(parts: readonly Figure[]): Drawn {
    let sure = 0;
    let own: Float64Array | null = null;
    for (const part of parts) {
      const drawn = this.of(part);
      if (typeof drawn === 'number') sure += drawn;
      else if (own === null) own = drawn.slice();
      else for (let i = 0; i < own.length; i++) own[i]! += drawn[i]!;
    }
    if (own === null) return sure;
    if (sure !== 0) for (let i = 0; i < own.length; i++) own[i]! += sure;
    return own;
  }
}

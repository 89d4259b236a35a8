import { expose } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Pot, type SolvedMix, potsOf, solveMix } from '@spare-acre/core/finishing/paint';
import type { Coat, OwnPaint } from '@spare-acre/core/plan';
import {
  type Judgement,
  type Look,
  type SwatchNumbers,
  type SwatchRecipe,
  CELLS,
  SwatchBench,
  judged,
  numbersOf,
  picture,
} from '@spare-acre/core/finishing/swatch';
import type { OnProgress } from './searches/progress';

let bench: SwatchBench | null = null;
let catalogue: Catalogue | null = null;
let pots: readonly Pot[] = [];

/** A picture of a swatch and its figures, after so many of its coats. */
export interface Shown {
  readonly pixels: Uint8ClampedArray;
  readonly cells: number;
  readonly numbers: SwatchNumbers;
}

const benches = {
  /** Takes the catalogue and the builder's own paints; what was made before is forgotten. */
  open(of: Catalogue, own: readonly OwnPaint[]): void {
    catalogue = of;
    pots = potsOf(of, own);
    bench = new SwatchBench(of, () => pots);
  },
  show(recipe: SwatchRecipe, stage: number, look: Look, baseHex: string): Shown {
    const { relief, lie, stages } = bench!.make(recipe);
    const after = stages[Math.min(stage, stages.length - 1)]!;
    return { pixels: picture(relief, lie, after, look), cells: CELLS, numbers: numbersOf(after.tones, baseHex) };
  },
  judge: (recipe: SwatchRecipe, of: { readonly baseHex: string; readonly darkId: string; readonly paleId: string }): Judgement =>
    judged(bench!, recipe, of, catalogue!),
  /** Numbers of other coats on the same relief: nothing is drawn. */
  numbers: (recipe: SwatchRecipe, coats: readonly Coat[], baseHex: string): SwatchNumbers =>
    numbersOf(bench!.make({ ...recipe, coats }).stages.at(-1)!.tones, baseHex),
  async solve(wanted: string, potIds: readonly string[], onProgress: OnProgress): Promise<SolvedMix | null> {
    let best: SolvedMix | null = null;
    for (const progress of solveMix(
      wanted,
      pots.filter(({ id }) => potIds.includes(id)),
    )) {
      best = progress.best;
      if (!(await onProgress(progress.done, 1))) return null;
    }
    return best;
  },
};

export type Swatches = typeof benches;
expose(benches);

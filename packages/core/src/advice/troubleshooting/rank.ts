import { MISHAPS } from './causes';
import type { Cause, Mishap } from './mishap';
import type { MishapFacts } from './facts';

/** A cause as it stands among the others. */
export interface Ranked {
  readonly cause: Omit<Cause, 'traces'>;
  /** How strongly the board speaks for it; 0 where it says nothing. */
  readonly weight: number;
  /** What of the board's own plan, climate and log speaks for it, the strongest first. */
  readonly evidence: readonly string[];
}
/** What a mishap may come of on a board. */
export interface Diagnosis {
  readonly mishapId: string;
  readonly name: string;
  readonly causes: readonly Ranked[];
  /** Nothing of the board speaks for any of them: it came of something else than the plan. */
  readonly isNotFromPlan: boolean;
}

/** Each further trace of a cause adds less than the one before. */
const FURTHER = 0.25;
const SHOWN = 4;

/** Causes by how strongly the board speaks for them; what it says nothing of comes in the order of how usual it is. */
export function diagnosed(mishapId: string, facts: MishapFacts): Diagnosis | null {
  const mishap = MISHAPS.find(({ id }) => id === mishapId);
  if (mishap === undefined) return null;
  const causes = mishap.causes
    .map(({ traces, ...cause }): Ranked => {
      const found = [...traces(facts)].sort((a, b) => b.weight - a.weight);
      const weight = found.reduce((sum, { weight: own }, i) => sum + own * FURTHER ** i, 0);
      return { cause, weight, evidence: [...new Set(found.map(({ text }) => text))].slice(0, SHOWN) };
    })
    .sort((a, b) => b.weight - a.weight);
  return { mishapId, name: mishap.name, causes, isNotFromPlan: causes.every(({ weight }) => weight === 0) };
}

export const mishapNames = (): readonly Pick<Mishap, 'id' | 'name'>[] => MISHAPS.map(({ id, name }) => ({ id, name }));

import { expose } from 'comlink';
import { type Patch, applyPatches, enablePatches } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Offcut } from '@spare-acre/core/cutting';
import { type Derivation, derivePipeline } from '@spare-acre/core/derive';
import type { Plan } from '@spare-acre/core/plan';
import { type SectionDrawing, sectionDrawing } from '@spare-acre/core/section';

/** What the worker answers: everything that follows from the plan, and the cut through it. */
export interface Answer {
  readonly derivation: Derivation;
  readonly section: SectionDrawing;
}

enablePatches();

let derive = derivePipeline();
let plan: Plan | null = null;
let catalogue: Catalogue | null = null;
let rack: readonly Offcut[] = [];

const reckoner = {
  /** Takes a whole plan; what was remembered of an earlier board goes. */
  open(newPlan: Plan, newCatalogue: Catalogue, newRack: readonly Offcut[]): Answer {
    derive = derivePipeline();
    [plan, catalogue, rack] = [newPlan, newCatalogue, newRack];
    return answer();
  },
  /** Takes what the rack holds now. */
  shelve(newRack: readonly Offcut[]): Answer {
    rack = newRack;
    return answer();
  },
  /** Takes changes to the plan. Parts that did not change stay the same objects, so their stages need not run again. */
  change(patches: readonly Patch[]): Answer {
    plan = applyPatches(plan!, patches);
    return answer();
  },
};

function answer(): Answer {
  const derivation = derive(plan!, catalogue!, rack);
  return { derivation, section: sectionDrawing(plan!, derivation.ground, derivation.stack, catalogue!) };
}

export type Reckoner = typeof reckoner;
expose(reckoner);

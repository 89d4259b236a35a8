import type { Catalogue } from '../catalogue';
import type { CoatNeed, SealNeed } from '../coats';
import type { CutJob, PartList } from '../cutting';
import type { Ground, Zones } from '../ground';
import type { Plan } from '../plan';
import type { BoardStack, Joint } from '../stack';
import type { Figure } from '../units';
import { coatSteps } from './coat-steps';
import { cutStep, hollowStep, trimStep } from './cut-steps';
import { glueStep, sealStep } from './glue-steps';
import { type Step, withSetUp } from './step';

/** Eighth stage: every step in the order of work, with its task on each tile. @source craft.md, the order of work */
export function stepsOf(
  plan: Plan,
  ground: Ground,
  zones: Zones,
  stack: BoardStack,
  parts: PartList,
  jobs: readonly CutJob[],
  minutes: ReadonlyMap<string, Figure<'min'>>,
  coats: readonly CoatNeed[],
  sealing: SealNeed | null,
  catalogue: Catalogue,
): readonly Step[] {
  const jointsOf = (part: Joint['place']['part']): readonly Joint[] => stack.joints.filter(({ place }) => place.part === part);
  const drafts = [
    cutStep('base', ground, jobs, minutes, catalogue),
    ...(sealing === null ? [] : [sealStep(sealing, plan, ground, catalogue)]),
    glueStep('base', jointsOf('ground'), plan, zones, ground, catalogue),
    ...(plan.stack.edges === 'trim-after' ? [trimStep(jointsOf('ground'), ground, catalogue)] : []),
    hollowStep(ground, parts, catalogue),
    cutStep('raised', ground, jobs, minutes, catalogue),
    glueStep('raised', jointsOf('raised'), plan, zones, ground, catalogue),
    cutStep('facing', ground, jobs, minutes, catalogue),
    glueStep('facing', jointsOf('facing'), plan, zones, ground, catalogue),
    ...coatSteps(plan, ground, zones, coats, catalogue),
  ];
  return drafts.filter(({ tasks }) => tasks.length > 0).map((draft) => withSetUp(draft, catalogue));
}

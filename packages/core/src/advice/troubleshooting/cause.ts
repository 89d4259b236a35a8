import { adhesiveBy, materialBy } from '../../catalogue';
import { type MishapFacts, bySurface, trace } from './facts';

import type { Cause, MendWork } from './mishap';

export const NIGHT = 720;
export const DAY = 1_440;
export const mend = (name: string, workMin: number, waitMin: number, takes: MendWork['takes'] = null): MendWork => ({
  name,
  workMin,
  waitMin,
  takes,
});
export const cause = (
  id: string,
  name: string,
  traces: Cause['traces'],
  help: Pick<Cause, 'now' | 'next'> & { readonly mend?: MendWork },
): Cause => ({ id, name, traces, mend: null, ...help });
/** From so many bevelled parts on, the errors of each show in the last joint. */
export const BEVELS_ADD_UP = 4;
export const none: Cause['traces'] = () => [];
export const SEAL = { of: 'sealer', perM2: 120 } as const;
export const GLUE = { of: 'glue', perM2: 180 } as const;

export const waterGlues = ({ joints, catalogue }: MishapFacts): MishapFacts['joints'] =>
  joints.filter(({ adhesiveId }) => adhesiveBy(catalogue, adhesiveId).family === 'water');
/** Surfaces that several colours lie on and no wash. */
export const unwashed: Cause['traces'] = ({ coats }) => {
  const lists = bySurface(coats);
  const bare = lists.filter((list) => !list.some(({ method }) => method.does === 'wash'));
  return bare.length === 0 || bare.length * 2 < lists.length ? [] : [trace(0.7, `${bare.length} of ${lists.length} surfaces have no wash`)];
};
/** A base that takes water up, open on a side while something wet lies on the other. */
export const bareUnder: Cause['traces'] = (facts) => {
  const { substrate } = facts.plan.stack;
  if (substrate === null || substrate.sealed === 'both') return [];
  const { name, waterPassage } = materialBy(facts.catalogue, substrate.materialId);
  return waterPassage === 'no' || waterGlues(facts).length === 0
    ? []
    : [trace(0.8, `${name} is not sealed on both faces, and glued with water`)];
};
export const unweighed: Cause['traces'] = ({ plan }) =>
  plan.stack.weighed ? [] : [trace(0.55, 'the plan takes the weights off before it is dry through')];
export const weakest = (facts: MishapFacts): number | null => {
  const least = facts.coats.flatMap(({ coating }) => coating.minC ?? []);
  return least.length === 0 ? null : Math.max(...least);
};
export const chemicals = ({ coats }: MishapFacts): MishapFacts['coats'] =>
  coats.filter(({ coating }) => coating.family === 'water' && coating.drying.how === 'chemical');
export const locks = ({ coats }: MishapFacts): MishapFacts['coats'] => coats.filter(({ method }) => method.does === 'lock');
export const grains = ({ coats }: MishapFacts): MishapFacts['coats'] =>
  coats.filter(({ method }) => method.does === 'grain' || method.does === 'embed');
export const unlocked: Cause['traces'] = (facts) => {
  const list = grains(facts);
  if (list.length === 0) return [];
  const goes = locks(facts).reduce((most, { coat }) => Math.max(most, coat.goes), 0);
  return goes === 0
    ? [trace(0.95, 'nothing locks the grain after it is strewn')]
    : goes === 1
      ? [trace(0.6, 'it is locked once only')]
      : [];
};

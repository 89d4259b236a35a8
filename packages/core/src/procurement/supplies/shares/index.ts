export { costShares } from './shares';
export type { CostShares, CostStage } from './shares';

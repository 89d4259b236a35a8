export { withFinishingStages } from './stages';

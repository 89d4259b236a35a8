export { withDryingStages, withScheduleStages } from './stages';

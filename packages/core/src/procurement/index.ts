export { withProcurementStages } from './stages';

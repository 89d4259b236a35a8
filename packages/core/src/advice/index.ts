export { withAdviceStages } from './stages';

export { withBuildStages, withMassStages, withPieceStages } from './stages';

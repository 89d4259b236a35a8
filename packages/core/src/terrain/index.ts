export { withGroundStages, withTileStages } from './stages';

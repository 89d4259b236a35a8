export { featureNeeds } from './feature-needs';

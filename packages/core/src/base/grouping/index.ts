export { listedBy } from './grouping';

export { listedBy, putIn } from './grouping';

export { listedBy, upsertById } from './grouping';

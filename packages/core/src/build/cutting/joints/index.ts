export { autoSplits } from './auto-splits';

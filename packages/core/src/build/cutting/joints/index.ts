export { laidSplits } from './laid-splits';

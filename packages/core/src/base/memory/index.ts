export { isSame, once, memoize, memoizeEach, memoizePairs, sameItems, sameList } from './memoize';

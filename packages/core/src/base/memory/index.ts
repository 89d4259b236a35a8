export { isSame, remembered, sameItems, sameList } from './memory';

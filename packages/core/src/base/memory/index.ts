export { isSame, remembered, rememberedEach, sameItems, sameList } from './memory';

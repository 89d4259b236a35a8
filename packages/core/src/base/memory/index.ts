export { isSame, once, remembered, rememberedEach, rememberedPairs, sameItems, sameList } from './memory';

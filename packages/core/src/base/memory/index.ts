export { isSame, once, remembered, rememberedEach, sameItems, sameList } from './memory';

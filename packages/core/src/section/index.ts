export { sectionDrawing } from './section';
export type { CutMark, SectionDrawing, Slab } from './section';

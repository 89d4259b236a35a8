export { sectionDrawing } from './section';
export type { SectionDrawing } from './section';

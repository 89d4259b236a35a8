export { detailOf } from './details';
export type { BenchTaskDetail, BenchTaskDrawing, SheetToCut } from './details';
export { benchTasksOf, sittingAt, standingOf } from './bench-tasks';
export type { Before, BenchTask, Sitting, Standing } from './bench-tasks';
export { usedOf } from './usage';
export type { Usage } from './usage';

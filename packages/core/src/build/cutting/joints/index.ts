export { autoSplits } from './auto-splits';
export { savingSplits } from './saving-splits';
export { edgeGlue, partJoints } from './part-joints';
export type { PartJoint } from './part-joints';

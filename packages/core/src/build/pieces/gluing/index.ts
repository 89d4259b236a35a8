export { pieceGlues } from './faults';
export type { GlueFault, PieceGlue } from './faults';
export { gluedOf } from './glued';
export type { Glued } from './glued';
export { joiningMinutes } from './joining';
export type { JoiningWork } from './joining';
export { gluedJoints } from './joints';
export type { GluedJoint } from './joints';

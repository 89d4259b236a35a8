import type { Catalogue } from '../../schema';
import { about } from '../estimate';

/** Paces and worths that catalogues kept before December 2026 lack. */
export const benchPaces = {
  crossCutMin: about(0.2, 0.15, 0.3),
  laminateMin: about(480, 480, 720),
  flushPartMin: about(1.5, 1, 3),
  jointWorthMinor: about(150, 100, 300),
  jointLongMm: about(50, 30, 100),
  tenthJointShare: about(0.5, 0.4, 0.65),
  leastJointShare: about(0.25, 0.2, 0.35),
  partJoinedMPerMin: about(0.1, 0.07, 0.17),
} satisfies Partial<Catalogue['bench']>;

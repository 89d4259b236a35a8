import { z } from 'zod';
import { Id, LIMITS, askLength, mm, within } from '../../fields';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';

/** A level place kept for a building; `heightMm` of the building, 0 while it is open. */
const schema = z.strictObject({
  ...overAnArea,
  kind: z.literal('plot'),
  heightMm: mm(LIMITS.plotHeightMm),
  /** The piece that stands on it, and how far it is turned there. */
  pieceId: Id.nullable(),
  pieceTurnDeg: within(LIMITS.turnDeg, '°'),
});

export const plot = featureKind('plot', schema, {
  name: 'Plot',
  drawnAs: 'area',
  fresh: (shape) => ({ shape: areaOf(shape), heightMm: 60, pieceId: null, pieceTurnDeg: 0 }),
  fields: [askLength('heightMm', 'Building height', LIMITS.plotHeightMm)],
  stretches: (_feature, region) => whole('surface', 'plot', 0, region),
  standsMm: ({ heightMm }) => heightMm,
  isDeck: ({ heightMm }) => heightMm === 0,
  isPlot: true,
  carries: {
    pieceId: ({ pieceId }) => pieceId,
    turnDeg: ({ pieceTurnDeg }) => pieceTurnDeg,
    // Ground kept open stays so: a bridge is walked over, not round.
    carrying: (feature, heightMm) => (feature.heightMm === 0 || feature.heightMm === heightMm ? feature : { ...feature, heightMm }),
  },
  turned: ({ pieceTurnDeg }, turn) => ({ pieceTurnDeg: turn(pieceTurnDeg) }),
  rank: () => RANK.plot,
  hatch: () => 'plot',
});

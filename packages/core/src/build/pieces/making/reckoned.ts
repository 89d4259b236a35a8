import type { Warning } from '../../../advice/checks';
import { listedBy } from '../../../base/grouping';
import type { Part } from '../../cutting/parts';
import { type Feature, pieceOn } from '../../../plan/features';
import type { Upright } from '../../../terrain/ground';
import type { Ring } from '../../../base/geometry';
import type { Piece } from '../../../plan';
import type { GlueNeed } from '../../stack/adhesives';
import { type Figure, type MeasureSystem, given, calculate, total } from '../../../base/units';
import { type Catalogue, type Cladding, type Pack, adhesiveBy } from '../../../catalogue';
import type { PieceSurface } from '../../../finishing/coats';
import { cladTotal } from '../cladding';
import { madeByHand } from './copies';
import { pieceWarnings } from '../checks';
import { pieceScale } from '../family';
import { type FixedPiece, fixedOn } from './fixing';
import { type Footprint, footprintOf } from '../measures/footprint';
import { type LengthNeed, lengthNeeds } from './lengths';
import type { FillNeed } from '../facts';
import { type MadePiece, makePiece } from './made';
import { type PlacedWay, placedWays } from '../measures/standing';
import { uprightOn } from '../measures/upright';
import { type PieceWork, workOn } from './work';

/** What the pieces of a board are made from. */
export interface PieceInputs {
  readonly pieces: readonly Piece[];
  readonly features: readonly Feature[];
  readonly figureHeightMm: number;
  readonly baseMm: number;
  readonly stepUpMm: number;
  readonly handMm: number;
  readonly units: MeasureSystem;
  readonly catalogue: Catalogue;
}
/** What is bought of stuff by the gram: mould and casting material. */
export interface CastNeed {
  readonly name: string;
  readonly mass: Figure<'g'>;
  readonly packs: readonly Pack[];
}
/** What is bought of one cladding, with its waste. */
export interface CladNeed {
  readonly cladding: Cladding;
  readonly count: Figure<'1'>;
}
/** Everything that follows from the pieces of a board. */
export interface Pieces {
  readonly made: readonly MadePiece[];
  readonly parts: readonly Part[];
  readonly lengths: readonly LengthNeed[];
  readonly glues: readonly GlueNeed[];
  /** Units to buy, by cladding. */
  readonly clads: readonly CladNeed[];
  readonly fills: readonly Pick<FillNeed, 'fill' | 'volume'>[];
  readonly casts: readonly CastNeed[];
  readonly surfaces: readonly PieceSurface[];
  readonly work: readonly PieceWork[];
  /** Of all copies that are made here, piece by piece. */
  readonly masses: readonly Figure<'g'>[];
  /** By piece. */
  readonly footprints: ReadonlyMap<string, Footprint>;
  /** Where they stand on the plan, by plot. */
  readonly standing: readonly StandingPiece[];
  /** Those of them that are glued down. */
  readonly fixed: readonly FixedPiece[];
  readonly warnings: readonly Warning[];
}
/** A piece on its plot, as the ground knows it. */
export interface StandingPiece {
  readonly featureId: string;
  readonly pieceId: string;
  readonly rings: readonly Ring[];
  readonly upright: Upright;
  readonly ways: readonly PlacedWay[];
}
export type MakePieces = (inputs: PieceInputs) => Pieces;

/** Makes all pieces of a board. Loaded when a board has some: a board without needs none of this. */
export function makePieces({ pieces, features, figureHeightMm, baseMm, stepUpMm, handMm, units, catalogue }: PieceInputs): Pieces {
  const scale = pieceScale(figureHeightMm, baseMm, catalogue);
  const made = pieces.map((piece) => makePiece(piece, scale, catalogue));
  const footprints = new Map(
    made.flatMap((one) => {
      const footprint = footprintOf(one);
      return footprint === null ? [] : [[one.piece.id, footprint] as const];
    }),
  );
  const standing = standingOn(features, made, catalogue);
  const fixed = fixedPieces(features, { made, standing, footprints }, catalogue);
  const here = made.filter(({ piece, facts }) => facts !== null && !piece.isMadeElsewhere);
  return {
    made,
    parts: made.flatMap(({ parts }) => parts),
    lengths: lengthNeeds(
      made.flatMap(({ lengths }) => lengths),
      catalogue,
    ),
    glues: gluesOf(here, fixed, catalogue),
    clads: cladNeeds(here),
    fills: fillNeeds(here),
    casts: castNeeds(here),
    surfaces: here.flatMap((one) => one.surfaces),
    masses: here.map(massOfAll),
    work: here.map((one) => workOn(one, catalogue)),
    footprints,
    standing,
    fixed,
    warnings: [...pieceWarnings({ made, footprints, features, scale, stepUpMm, handMm, units, catalogue })],
  };
}

function standingOn(features: readonly Feature[], made: readonly MadePiece[], catalogue: Catalogue): readonly StandingPiece[] {
  const byId = new Map(made.map((one) => [one.piece.id, one]));
  return features.flatMap((feature) => {
    const pieceId = pieceOn(feature);
    const own = pieceId === null ? undefined : byId.get(pieceId);
    const upright = own === undefined ? null : uprightOn(feature, own, catalogue);
    if (own === undefined || upright === null) return [];
    const ways = placedWays(feature, own, footprintOf(own)!);
    return [{ featureId: feature.id, pieceId: pieceId!, rings: upright.ground.rings, upright, ways }];
  });
}

function fixedPieces(
  features: readonly Feature[],
  { made, standing, footprints }: Pick<Pieces, 'made' | 'standing' | 'footprints'>,
  catalogue: Catalogue,
): readonly FixedPiece[] {
  return standing.flatMap(({ featureId, pieceId, upright: { ground } }) => {
    const own = made.find(({ piece }) => piece.id === pieceId)!;
    if (!own.piece.isFixed) return [];
    const plot = features.find(({ id }) => id === featureId)!;
    return [fixedOn(plot, { made: own, ground, highMm: footprints.get(pieceId)!.highMm }, catalogue)];
  });
}

function massOfAll({ piece, facts, copying }: MadePiece): Figure<'g'> {
  const byHand = calculate(
    `${piece.name}, made by hand`,
    'g',
    facts!.mass,
    '×',
    given('Copies made by hand', madeByHand(piece), '1', 'plan'),
  );
  return copying?.way == null ? byHand : total(`${piece.name}, all copies`, 'g', [byHand, copying.way.cast]);
}

function fillNeeds(here: readonly MadePiece[]): Pieces['fills'] {
  const all = here.flatMap(({ fills }) => fills);
  return [...listedBy(all, ({ fill }) => fill.id).values()].map((own) => {
    const { fill } = own[0]!;
    return {
      fill,
      volume: total(
        fill.name,
        'ml',
        own.map(({ volume }) => volume),
      ),
    };
  });
}

/** Moulds of several pieces are poured from one tub. */
function castNeeds(here: readonly MadePiece[]): readonly CastNeed[] {
  const all = here.flatMap(({ copying }) =>
    copying?.way == null
      ? []
      : [
          { ...copying.way.casting.mould, mass: copying.way.mould },
          { ...copying.way.casting.cast, mass: copying.way.cast },
        ],
  );
  return [...listedBy(all, ({ name }) => name).values()].map((own) => ({
    name: own[0]!.name,
    packs: own[0]!.packs,
    mass: total(
      own[0]!.name,
      'g',
      own.map(({ mass }) => mass),
    ),
  }));
}

/** Of what is laid; a surface that is worked itself takes none. */
function cladNeeds(here: readonly MadePiece[]): readonly CladNeed[] {
  const laid = here.flatMap(({ clads }) => clads.filter(({ way }) => way.count > 0));
  return [...listedBy(laid, ({ cladding }) => cladding.id).values()].map((own) => {
    const { cladding } = own[0]!;
    return { cladding, count: cladTotal(cladding.name, own) };
  });
}

function gluesOf(here: readonly MadePiece[], fixed: readonly FixedPiece[], catalogue: Catalogue): readonly GlueNeed[] {
  const ofMaking = here.flatMap(({ piece, facts, clads }) => [
    { adhesiveId: piece.glueId, mass: facts!.glue },
    ...clads.flatMap(({ way }) => way.glue ?? []),
  ]);
  const spread = [...ofMaking, ...fixed.map(({ adhesiveId, glue }) => ({ adhesiveId, mass: glue }))];
  return [...listedBy(spread, ({ adhesiveId }) => adhesiveId)].map(([adhesiveId, own]) => {
    const { name } = adhesiveBy(catalogue, adhesiveId);
    return {
      adhesiveId,
      name,
      mass: total(
        `${name}, for pieces`,
        'g',
        own.map(({ mass }) => mass),
      ),
    };
  });
}

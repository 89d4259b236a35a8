import { type Catalogue, adhesiveBy, estimated, layingBy, materialBy, toolBy } from '../../../catalogue';
import { type Figure, given, inMetres, inSquareMetres, calculate, total } from '../../../base/units';
import type { PieceSurface } from '../../../finishing/coats';
import { joiningMinutes } from '../gluing';
import { madeByHand } from './copies';
import type { MadePiece } from './made';
import { stripGluedMm2 } from './strips';

/** What is done to a piece in one step, and what it waits for after. */
export interface PieceTask {
  readonly work: Figure<'min'>;
  readonly wait: Figure<'min'>;
  /** Until it is through, should nothing come after. */
  readonly cure: Figure<'min'>;
  readonly cautionIds: readonly string[];
  /** What dries in that time, and so by the air there is; null for what does not. */
  readonly adhesiveId: string | null;
}
/** The making of one piece. */
export interface PieceWork {
  readonly pieceId: string;
  readonly name: string;
  /** Strips glued, segments cut from them, put together, clad, moulds made, copies cast: null where there is nothing of it to do. */
  readonly tasks: readonly (PieceTask | null)[];
  readonly surfaces: readonly PieceSurface[];
}

/** Everything that is done to a piece before it is coated. */
export const workOn = (made: MadePiece, catalogue: Catalogue): PieceWork => {
  const { piece, clads, copying, surfaces } = made;
  const way = copying?.way ?? null;
  const cast =
    way === null
      ? [null, null]
      : way.tasks.map(([work, wait]): PieceTask => ({ work, wait, cure: wait, cautionIds: way.casting.cautionIds, adhesiveId: null }));
  return {
    pieceId: piece.id,
    name: piece.name,
    tasks: [...stripTasks(made, catalogue), assembled(made, catalogue), clads.length === 0 ? null : clad(made, catalogue), ...cast],
    surfaces,
  };
};

/** Strips glued and left under weights until they can be cut; then an edge of each squared, and one segment after the other cut from it. */
function stripTasks({ piece, strips, laminates }: MadePiece, catalogue: Catalogue): readonly (PieceTask | null)[] {
  if (strips.length === 0) return [null, null];
  const { name } = piece;
  const { bench } = catalogue;
  const adhesive = adhesiveBy(catalogue, piece.glueId);
  const area = inSquareMetres(given(`${name}: faces of the strips`, stripGluedMm2(strips), 'mm²', 'drawing'));
  const spreading = calculate(
    `${name}: adhesive on the strips`,
    'min',
    area,
    '×',
    given(`${adhesive.name}, spread per m²`, adhesive.spreadMinPerM2, 'min/m²', 'catalogue', 'our default value'),
  );
  const layers = given(
    'Layers',
    strips.reduce((sum, strip) => sum + strip.layers.length, 0),
    '1',
    'drawing',
    `${strips.length} strips`,
  );
  const aligning = calculate(`${name}: layers brought flush`, 'min', layers, '×', estimated('Each', bench.alignMinPerLayer, 'min'));
  const dries = driedOf(adhesive);
  // Between long faces glue that gives off water dries from the rim alone.
  const wait = adhesive.needsWaterPath
    ? calculate(`${name}: strips under weights`, 'min', dries.wait, 'or, if larger,', estimated('Overnight', bench.laminateMin, 'min'))
    : dries.wait;
  const segments = strips.flatMap((strip) => strip.segments);
  const squaring = calculate(
    `${name}: an edge of each strip squared`,
    'min',
    given('Strips', strips.length, '1', 'drawing'),
    '×',
    estimated('Each', bench.measuredCutMin, 'min'),
  );
  const across = calculate(
    `${name}: segments cut across`,
    'min',
    given('Cuts', segments.length + strips.length, '1', 'drawing', 'the first end of each strip, then one after each segment'),
    '×',
    estimated('Each', bench.crossCutMin, 'min'),
  );
  const moreMm = segments.reduce((sum, segment) => sum + segment.moreMm, 0);
  const role = laminates.find(({ stripField }) => stripField !== undefined)!.layers[0]!;
  const tool = toolBy(catalogue, materialBy(catalogue, piece.sheets.find((sheet) => sheet.role === role)!.materialId).toolIds[0]!);
  const shaping = [
    calculate(
      `${name}: openings and slants marked`,
      'min',
      given('Segments', segments.filter((segment) => segment.moreMm > 1).length, '1', 'drawing', 'that are more than a rectangle'),
      '×',
      estimated('Each', bench.measuredCutMin, 'min'),
    ),
    calculate(
      `${name}: openings and slants cut`,
      'min',
      inMetres(given('Outlines', moreMm, 'mm', 'drawing')),
      '÷',
      estimated(`${tool.name}, a minute`, tool.mPerMin, 'm/min'),
    ),
  ];
  return [
    { ...dries, work: total(`Glue strips, ${name}`, 'min', [spreading, aligning]), wait, cautionIds: adhesive.cautionIds },
    {
      work: total(`Cut segments, ${name}`, 'min', [squaring, across, ...(moreMm > 1 ? shaping : [])]),
      wait: NO_WAIT,
      cure: NO_WAIT,
      cautionIds: tool.cautionIds,
      adhesiveId: null,
    },
  ];
}

/** Its strips cut, its joints fitted and glued, then left until it can be handled; null where there is nothing of it to do. */
function assembled({ piece, facts, lengths }: MadePiece, catalogue: Catalogue): PieceTask | null {
  const { name } = piece;
  const adhesive = adhesiveBy(catalogue, piece.glueId);
  const fitting = joiningMinutes(name, facts!.joining, madeByHand(piece), catalogue);
  const work = [...fitting, ...stripsCut(name, lengths, catalogue)];
  if (work.length === 0) return null;
  const isGlued = facts!.glue.value > 0;
  return {
    work: total(`Assemble pieces, ${name}`, 'min', work),
    ...(isGlued
      ? { ...driedOf(adhesive), cautionIds: adhesive.cautionIds }
      : { wait: NO_WAIT, cure: NO_WAIT, cautionIds: [], adhesiveId: null }),
  };
}

/** Strips, rods and tubes cut across: the first of a length is marked, the others like it are cut against a stop. */
function stripsCut(name: string, lengths: MadePiece['lengths'], { bench }: Catalogue): readonly Figure<'min'>[] {
  if (lengths.length === 0) return [];
  const sorts = new Set(lengths.map(({ lengthId, lengthMm, endDeg }) => [lengthId, lengthMm.toFixed(1), ...endDeg].join())).size;
  const cut = (what: string, count: number, each: Figure<'min'>): Figure<'min'> =>
    calculate(`${name}: ${what}`, 'min', given(what, count, '1', 'drawing'), '×', each);
  return [
    cut('strips marked and cut', sorts, estimated('Each', bench.lengthCutMin, 'min')),
    ...(lengths.length > sorts
      ? [cut('strips cut against a stop', lengths.length - sorts, estimated('Each', bench.guidedCutMin, 'min'))]
      : []),
  ];
}

/** Units laid and left to hold, or the surface itself worked. */
function clad({ piece, clads }: MadePiece, catalogue: Catalogue): PieceTask {
  const layings = clads.map(({ way: { layingId } }) => layingBy(catalogue, layingId));
  const work = total(
    `Clad pieces, ${piece.name}`,
    'min',
    clads.map(({ way: { time } }) => time),
  );
  const slowest = layings
    .flatMap(({ adhesiveId }) => (adhesiveId === null ? [] : [adhesiveBy(catalogue, adhesiveId)]))
    .sort((a, b) => b.fullMin - a.fullMin)[0];
  const cautionIds = layings.flatMap((laying) => laying.cautionIds);
  return slowest === undefined
    ? { work, wait: NO_WAIT, cure: NO_WAIT, cautionIds, adhesiveId: null }
    : { work, ...driedOf(slowest), cautionIds };
}
const NO_WAIT = given('No wait', 0, 'min', 'definition');

/** How long what is glued with it waits. */
export const driedOf = ({
  id,
  name,
  handleMin,
  fullMin,
}: ReturnType<typeof adhesiveBy>): Pick<PieceTask, 'wait' | 'cure'> & { readonly adhesiveId: string } => ({
  adhesiveId: id,
  wait: estimated(`${name}, until it can be handled`, handleMin, 'min'),
  cure: given(`${name}, until cured`, fullMin, 'min', 'catalogue', 'our default value; the product label comes first'),
});

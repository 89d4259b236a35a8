import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { type Random, seeded } from '../../../../base/random';
import { ok } from '../../../../base/result';
import { mm, oneOf, whole } from '../../../../plan/fields';
import type { Assembly } from '../../../shell';
import { SIZES, askChoice, askLength, askNumber, when } from '../../asks';
import { levelFace } from '../../measures/enclosure';
import { moundOver } from '../../making/loose';
import { type PieceShape, pieceFamily, refused } from '../../family';

const settings = z.strictObject({
  large: whole(SIZES.count),
  middling: whole(SIZES.count),
  small: whole(SIZES.count),
  /** Across the large ones; middling are two thirds, small one third of that. */
  acrossMm: mm({ min: 8, max: 400 }),
  /** Carved from layers of foam, or modelled of clay over a foam core. */
  made: oneOf(['foam', 'clay']),
  layers: whole({ min: 1, max: 8 }),
  skinMm: mm({ min: 1, max: 20 }),
  seed: whole({ min: 1, max: 9_999 }),
});
type Rocks = z.infer<typeof settings>;

const isClay = ({ made }: Rocks): boolean => made === 'clay';

export const rocks = pieceFamily('rocks', settings, {
  name: 'Rocks',
  says: 'Large, middling and small, carved from layers of foam or modelled of clay over a foam core.',
  fields: [
    askNumber('large', 'Large', SIZES.count),
    askNumber('middling', 'Medium', SIZES.count),
    askNumber('small', 'Small', SIZES.count),
    askLength('acrossMm', 'Diameter of a large rock', { min: 8, max: 400 }),
    askChoice('made', 'Materials', { foam: 'foam, carved', clay: 'clay over a foam core' }),
    askNumber('layers', 'Layers of foam', { min: 1, max: 8 }),
    askLength('skinMm', 'Clay on the core', { min: 1, max: 20 }, when<Rocks>(isClay)),
    askNumber('seed', 'Random number', { min: 1, max: 9_999 }),
  ],
  roles: [{ role: 'layer', name: 'Layers', sold: 'sheet', usual: 'layer' }],
  clads: [],
  fresh: ({ baseMm }): Rocks => ({
    large: 1,
    middling: 2,
    small: 4,
    acrossMm: Math.round(baseMm * 2.4),
    made: 'foam',
    layers: 3,
    skinMm: 3,
    seed: 5,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

const SORTS = [
  { id: 'large', name: 'Large rock', share: 1 },
  { id: 'middling', name: 'Medium rock', share: 2 / 3 },
  { id: 'small', name: 'Small rock', share: 1 / 3 },
] as const;

function refusal(own: Rocks): ReturnType<typeof refused> | null {
  if (own.large + own.middling + own.small === 0) return refused('large', 'the set is empty. Enter at least one');
  const core = own.acrossMm / 6 - own.skinMm;
  if (isClay(own) && core < MIN_MM)
    return own.acrossMm / 6 - MIN_MM >= 1
      ? refused('skinMm', `leaves no core in a small rock. Enter up to ${Math.floor(own.acrossMm / 6 - MIN_MM)} mm`)
      : refused('acrossMm', `too small for a core. Enter ${Math.ceil(6 * (own.skinMm + MIN_MM))} mm`);
  return null;
}
const MIN_MM = 1;
const CORNERS = 9;

/** A broken outline about a middle, its corners at chance angles and distances. */
function outline(random: Random, radiusMm: number): readonly Point[] {
  return Array.from({ length: CORNERS }, (_, i) => {
    const turn = (2 * Math.PI * (i + 0.6 * random())) / CORNERS;
    const out = radiusMm * (0.75 + 0.25 * random());
    return { x: out * Math.cos(turn), y: out * Math.sin(turn) };
  });
}

function shapeOf(own: Rocks): PieceShape {
  const random = seeded(own.seed);
  const inMm = isClay(own) ? own.skinMm : 0;
  const made = SORTS.flatMap(({ id, name, share }) => {
    const ring = outline(random, (own.acrossMm / 2) * share);
    const count = own[id];
    if (count === 0) return [];
    const core = ring.map(({ x, y }) => ({ x: x * (1 - inMm / Math.hypot(x, y)), y: y * (1 - inMm / Math.hypot(x, y)) }));
    const faces = Array.from({ length: own.layers }, (_, i) => {
      const shrink = 1 - (0.55 * i) / own.layers;
      return levelFace(
        {
          id: `layer-${i + 1}`,
          name: `Layer ${i + 1}`,
          role: 'layer',
          ...(i === 0 ? {} : { lies: { on: `layer-${i}` } }),
          shows: { far: 'rock' },
        },
        core.map(({ x, y }) => ({ x: x * shrink, y: y * shrink })),
        0,
        'above',
        () => ({ joint: 'free' }),
      );
    });
    const object: Assembly = { id, name, count, faces };
    return [
      { object, ring, radiusMm: (own.acrossMm / 2) * share, skinMl: isClay(own) ? skinMl((own.acrossMm / 2) * share, own.skinMm) : 0 },
    ];
  });
  return {
    objects: made.map(({ object }) => object),
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Glue the layers on top of each other at any angle. Weigh down until dry.',
        bodyIds: [...new Set(made.flatMap(({ object }) => object.faces.map(({ id }) => id)))],
      },
      {
        does: 'fill',
        says: isClay(own)
          ? 'Press clay on the core, break the surface with a stone and dry it slowly. Clay shrinks: fill cracks afterwards.'
          : 'Break the edges off instead of cutting them, then press in a stone for texture.',
        bodyIds: [],
      },
    ],
    rests: Array.from({ length: own.layers - 1 }, (_, i) => ({ bodyId: `layer-${i + 2}`, on: [`layer-${i + 1}`] })),
    loose: isClay(own)
      ? made.map(({ object, ring, radiusMm }) => ({
          id: `clay-${object.id}`,
          name: 'Clay',
          objectId: object.id,
          mesh: moundOver(ring, [0, radiusMm], (share) => Math.sqrt(1 - share ** 2), 6),
        }))
      : [],
    fills: made.map(({ object, skinMl: ml }) => ({ usual: 'clay', objectId: object.id, ml })),
    facts: isClay(own)
      ? made.map(({ object, skinMl: ml }) => ({ label: `Clay on a ${object.name.toLowerCase()}, dry`, value: ml, unit: 'ml' as const }))
      : [],
    handles: made
      .slice(0, 1)
      .map(({ object }) => ({
        key: 'acrossMm',
        label: 'Diameter of a large rock',
        objectId: object.id,
        at: [own.acrossMm / 2, 0, 0] as const,
        along: [1, 0, 0] as const,
        perUnitMm: 0.5,
        step: 1,
      })),
  };
}

/** A half ball less the half ball within: 2π/3 · (R³ − r³). @param radiusMm outside, clay and all */
const skinMl = (radiusMm: number, skinMm: number): number =>
  ((2 * Math.PI) / 3 / 1_000) * (radiusMm ** 3 - Math.max(0, radiusMm - skinMm) ** 3);

import { z } from 'zod';
import { ok } from '../../../base/result';
import { mm, whole, within } from '../../../plan/fields';
import type { Bar, Vec } from '../../shell';
import { SIZES, askLength, askNumber } from '../asks';
import { type Catenary, catenary, hangsMm } from '../measures/catenary';
import { type PieceShape, type Strung, pieceFamily, refused } from '../family';

const SLACK = { min: 0.5, max: 60 } as const;
const settings = z.strictObject({
  /** From post to post along the ground. */
  spanMm: mm(SIZES.lengthMm),
  posts: whole({ min: 2, max: 20 }),
  heightMm: mm({ min: 10, max: 500 }),
  /** How much higher each post stands than the one before it. */
  riseMm: mm({ min: 0, max: 200 }),
  cables: whole({ min: 1, max: 6 }),
  slackPct: within(SLACK, '%'),
});
type Cable = z.infer<typeof settings>;

export const cable = pieceFamily('cable', settings, {
  name: 'Posts and slack cables',
  says: 'Cables that hang naturally: length, sag, and a template to bend the wire on.',
  fields: [
    askLength('spanMm', 'Post spacing', SIZES.lengthMm),
    askNumber('posts', 'Posts', { min: 2, max: 20 }),
    askLength('heightMm', 'Post', { min: 10, max: 500 }),
    askLength('riseMm', 'Rise per post', { min: 0, max: 200 }),
    askNumber('cables', 'Parallel cables', { min: 1, max: 6 }),
    askNumber('slackPct', 'Slack over the straight distance', SLACK, { unit: '%', step: 0.5 }),
  ],
  roles: [
    { role: 'post', name: 'Posts', sold: 'length', section: 'rod', usual: 'rod' },
    { role: 'wire', name: 'Cables', sold: 'length', section: 'rod', usual: 'wire' },
  ],
  clads: [],
  fresh: ({ figureMm, baseMm }): Cable => ({
    spanMm: Math.round(baseMm * 5),
    posts: 3,
    heightMm: Math.round(figureMm * 2.5),
    riseMm: 0,
    cables: 1,
    slackPct: 4,
  }),
  shape: (own) => {
    const hung = catenary(own.spanMm, own.riseMm, own.slackPct / 100);
    const sagMm = hangsMm(hung, 0);
    if (hung.lowAtMm > 0 && sagMm > own.heightMm - CLEAR_MM)
      return refused('slackPct', `hangs down to the ground. Enter ${mostSlackPct(own)} % or less, or raise the posts`);
    return ok(shapeOf(own, hung));
  },
});
/** A cable ends this far over the ground at its lowest. */
const CLEAR_MM = 2;
/** In halves of a per cent. */
function mostSlackPct(own: Cable): number {
  let pct = own.slackPct;
  while (pct > SLACK.min && hangsMm(catenary(own.spanMm, own.riseMm, pct / 100), 0) > own.heightMm - CLEAR_MM) pct -= 0.5;
  return Math.max(SLACK.min, pct);
}

const POINTS = 24;
const APART_MM = 5;
function shapeOf(own: Cable, hung: Catenary): PieceShape {
  const posts = Array.from({ length: own.posts }, (_, i): Bar => {
    const [x, z] = [i * own.spanMm, i * own.riseMm];
    return { id: `post-${i + 1}`, name: `Post ${i + 1}`, role: 'post', from: [x, 0, z], to: [x, 0, z + own.heightMm], across: [1, 0, 0] };
  });
  const strung = posts.slice(1).flatMap((_, bay) =>
    Array.from({ length: own.cables }, (__, k): Strung => {
      const [x0, z0] = [bay * own.spanMm, bay * own.riseMm + own.heightMm - k * APART_MM];
      const at = (x: number): Vec => [x0 + x, 0, z0 + hangsMm(hung, x) - hangsMm(hung, 0)];
      return {
        id: `cable-${bay + 1}-${k + 1}`,
        name: `Cable ${bay + 1}.${k + 1}`,
        role: 'wire',
        objectId: 'line',
        lengthMm: hung.lengthMm,
        places: Array.from({ length: POINTS + 1 }, (___, i) => at((own.spanMm * i) / POINTS)),
      };
    }),
  );
  const sagMm = hung.lowAtMm > 0 ? hangsMm(hung, 0) : 0;
  return {
    objects: [{ id: 'line', name: 'Posts and cables', count: 1, faces: [], bars: posts }],
    clear: [],
    levels: [],
    waysIn: [],
    strung,
    order: [
      { does: 'pin', says: 'Fit the posts on pins, plumb.', bodyIds: posts.map(({ id }) => id) },
      {
        does: 'dry-fit',
        says: 'Bend every wire along the drawn line before you glue it: seen front it should match the line.',
        bodyIds: [],
      },
      { does: 'glue', says: 'Run the cables from end to end, with a drop of glue at each post.', bodyIds: [] },
    ],
    facts: [
      { label: 'Cable length between posts', value: hung.lengthMm, unit: 'mm' },
      { label: 'Sag below the lower end', value: sagMm, unit: 'mm' },
      { label: 'Lowest point, from that end', value: Math.max(0, hung.lowAtMm), unit: 'mm' },
    ],
    handles: [
      { key: 'spanMm', label: 'Post spacing', objectId: 'line', at: [own.spanMm, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
      { key: 'heightMm', label: 'Post', objectId: 'line', at: [0, 0, own.heightMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
    ],
  };
}

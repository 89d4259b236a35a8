import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aCoat, aPool, derived, mended, withCoats } from '../../../testing';
import type { Coat, Plan } from '../../../plan';
import type { WarningCode } from '../warning';

const OWN: readonly WarningCode[] = [
  'coats/damp',
  'coats/embed-slow',
  'coats/order',
  'coats/over-bare',
  'coats/set-hard',
  'coats/solvent',
  'coats/spray-on-plants',
  'coats/uncured',
  'coats/unsealed-pour',
  'coats/wash-early',
  'grain/coarse',
];
const found = (plan: Plan) => derived(plan).warnings.filter(({ code }) => OWN.includes(code));
const codes = (plan: Plan): string[] => found(plan).map(({ code }) => code);
/** Every mend of the one warning there is clears it, and brings no other of these. */
function expectMended(plan: Plan, code: WarningCode): void {
  expect(codes(plan)).toEqual([code]);
  const { mends } = found(plan)[0]!;
  expect(mends.length).toBeGreaterThan(0);
  for (const mend of mends) expect(codes(mended(plan, mend)), mend.label).toEqual([]);
}
const open = (...coats: Coat[]): Plan => withCoats(aBoard(), 'open', coats);
const [filler, sand, seal, base, wash, dry, matt] = [
  aCoat('light-filler', 'spread'),
  aCoat('fine-sand', 'sprinkle', { before: 'wet' }),
  aCoat('sealing-glue', 'soak'),
  aCoat('masonry-paint', 'base'),
  aCoat('wash', 'wash'),
  aCoat('pale-acrylic', 'drybrush'),
  aCoat('matt-varnish', 'varnish'),
];

describe('coats in an order that spoils them', () => {
  test('a sound list is let be', () => expect(codes(open(filler, sand, seal, base, wash, dry, matt))).toEqual([]));
  test('every starter recipe is sound', () => {
    for (const { id } of CATALOGUE.starter.surfaces) {
      const { coats } = CATALOGUE.starter.surfaces.find((one) => one.id === id)!;
      const plan = open(
        ...coats.map((coat, i) => ({ ...aCoat(coat.coatingId, coat.methodId), ...coat, id: `c${i}`, tint: [], strewn: null })),
      );
      // Stones and tufts come in thousands on so large a board: how long they take is another matter.
      expect(
        codes(plan).filter((code) => code !== 'coats/embed-slow' && code !== 'grain/coarse'),
        id,
      ).toEqual([]);
    }
  });
  test('varnish before the drybrush', () => expectMended(open(filler, seal, base, matt, dry), 'coats/order'));
  test('a wash before sand is strewn on', () =>
    expectMended(open(filler, wash, aCoat('joint-compound', 'spread'), dry), 'coats/wash-early'));
  test('sand on filler that has set', () => expectMended(open(filler, { ...sand, before: 'dry' }, seal, base), 'coats/set-hard'));
  test('stones after the glue: put back right after the filler', () =>
    expectMended(
      open(filler, seal, aCoat('set-stones', 'set-in', { strewn: { perM2: 20, clumpPct: 0, feetPct: 0 } }), base),
      'coats/set-hard',
    ));
  test('stones said to go on wet, over glue that was let dry: nothing there is wet any more', () =>
    expectMended(
      open(filler, seal, aCoat('set-stones', 'set-in', { before: 'wet', strewn: { perM2: 20, clumpPct: 0, feetPct: 0 } }), base),
      'coats/set-hard',
    ));
  test('stones on nothing at all are left out', () =>
    expectMended(open(aCoat('set-stones', 'set-in', { strewn: { perM2: 20, clumpPct: 0, feetPct: 0 } }), base), 'coats/set-hard'));
  test('more stones than the filler stays workable for', () =>
    expectMended(open(filler, aCoat('set-stones', 'set-in', { before: 'wet' }), seal), 'coats/embed-slow'));
  test('tape on paint that has not cured', () =>
    expectMended(open(seal, base, aCoat('low-tack-tape', 'tape'), aCoat('craft-acrylic', 'stencil')), 'coats/uncured'));
  test('a drybrush on damp paint', () => expectMended(open(seal, base, { ...dry, before: 'wet' }), 'coats/damp'));
  test('thinned oil on bare foam', () => expectMended(open(aCoat('oil-wash', 'wash')), 'coats/solvent'));
  test('colour over grass', () =>
    expectMended(open(filler, seal, aCoat('static-grass', 'strew'), aCoat('craft-acrylic', 'drybrush')), 'coats/over-bare'));
  test('planting before the last spray', () =>
    expectMended(open(filler, seal, aCoat('static-grass', 'strew'), aCoat('spray-primer', 'spray')), 'coats/spray-on-plants'));
  test('grit that reads as rocks at this scale', () =>
    expectMended({ ...open(filler, aCoat('small-grit', 'sprinkle', { before: 'wet' }), seal), figureHeightMm: 15 }, 'grain/coarse'));
  test('a pour before the bed is sealed; one on no water says nothing', () => {
    expectMended(
      withCoats(aBoard({}, aPool([100, 100, 200, 100], 8, 4)), 'water', [aCoat('casting-epoxy', 'pour')]),
      'coats/unsealed-pour',
    );
    expect(codes(withCoats(aBoard(), 'water', [aCoat('casting-epoxy', 'pour')]))).toEqual([]);
  });
});

import type { Catalogue } from '../schema';

const use = (coatingId: string, methodId: string): { coatingId: string; methodId: string } => ({ coatingId, methodId });
const painted = [
  use('masonry-paint', 'base'),
  use('craft-acrylic', 'overbrush'),
  use('wash', 'wash'),
  use('pale-acrylic', 'drybrush'),
  use('matt-varnish', 'varnish'),
];
const hour = (h: number): number => h * 60;

/** Where a new board starts: one sheet of foam on a substrate, and a plain run of coats. */
export const starter: Catalogue['starter'] = {
  substrate: { materialId: 'mdf', thicknessMm: 6 },
  ground: { materialId: 'xps-foam', thicknessMm: 30, glueBelowId: 'white-glue' },
  raised: { materialId: 'xps-foam', glueId: 'foam-safe-construction' },
  coats: {
    open: [use('light-filler', 'spread'), use('sealing-glue', 'soak'), ...painted],
    raised: [use('light-filler', 'spread'), use('sealing-glue', 'soak'), ...painted],
    route: [use('joint-compound', 'spread'), use('sealing-glue', 'soak'), ...painted],
    pit: [use('sealing-glue', 'soak'), ...painted],
    plot: [use('sealing-glue', 'soak'), ...painted],
    field: [use('light-filler', 'spread'), use('sealing-glue', 'soak'), ...painted],
    water: [use('sealing-glue', 'soak'), use('masonry-paint', 'base'), use('casting-epoxy', 'pour')],
  },
  join: { methodId: 'loose', offsetMm: 120 },
  pieces: {
    sheets: {
      wall: { materialId: 'foam-board', thicknessMm: 5 },
      roof: { materialId: 'greyboard', thicknessMm: 2 },
      floor: { materialId: 'foam-board', thicknessMm: 5 },
      card: { materialId: 'greyboard', thicknessMm: 1 },
      layer: { materialId: 'xps-foam', thicknessMm: 10 },
      board: { materialId: 'hardboard', thicknessMm: 3 },
      thin: { materialId: 'xps-foam', thicknessMm: 10 },
      print: { materialId: 'print-paper', thicknessMm: 0.2 },
    },
    lengths: {
      strip: 'strip-3x3',
      lath: 'lath-5x2',
      post: 'strip-4x4',
      wide: 'strip-6x6',
      stick: 'strip-2x2',
      rod: 'dowel-4',
      spout: 'skewer-3',
      tube: 'tube-10',
      wire: 'wire-0-8',
      skewer: 'skewer-3',
    },
    fills: {
      coarse: 'broken-plaster',
      stones: 'small-stones',
      fine: 'sand-and-grout',
      clay: 'air-clay',
      soil: 'dark-soil',
      leaves: 'hedge-foam',
    },
    coats: painted,
    glueId: 'white-glue',
  },
  light: { batteryId: 'two-cell-box', lampId: 'warm-white' },
  play: { baseMm: 25, tiltDeg: 12, walkDeg: 30, reachMm: 600, handMm: 90 },
  climate: { airC: 20, humidityPct: 50, airId: 'still' },
  hours: [
    { weekday: 2, fromMin: hour(19), toMin: hour(21) },
    { weekday: 4, fromMin: hour(19), toMin: hour(21) },
    { weekday: 6, fromMin: hour(10), toMin: hour(12) + 30 },
    { weekday: 7, fromMin: hour(14), toMin: hour(17) },
  ],
};

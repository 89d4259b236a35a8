import type { Catalogue } from '../schema';
import { painted, surfaces } from './surfaces';

const hour = (h: number): number => h * 60;

/** Where a new board starts: one sheet of foam on a substrate, and a plain run of coats. */
export const starter: Catalogue['starter'] = {
  substrate: { materialId: 'mdf', thicknessMm: 6 },
  ground: { materialId: 'xps-foam', thicknessMm: 30, glueBelowId: 'white-glue' },
  raised: { materialId: 'xps-foam', glueId: 'foam-safe-construction' },
  surfaces,
  wears: {
    open: 'packed-earth',
    raised: 'rock-face',
    route: 'flagstone',
    pit: 'bare-bed',
    plot: 'stand',
    field: 'ploughed-earth',
    water: 'still-water',
  },
  water: [
    {
      id: 'pour',
      coatingId: 'casting-epoxy',
      methodId: 'pour',
      goes: 1,
      says: 'Deep and clear. The most expensive option; it needs a sealed, level bed.',
    },
    { id: 'tinted-pour', coatingId: 'tinted-epoxy', methodId: 'pour', goes: 1, says: 'Opaque: hides the bed, so a shallow bed is enough.' },
    { id: 'lamp-resin', coatingId: 'lamp-resin', methodId: 'pour', goes: 1, says: 'Thin layers, each cured in minutes under the lamp.' },
    {
      id: 'gel',
      coatingId: 'water-gel',
      methodId: 'gel',
      goes: 1,
      says: 'Ripples and foam shaped by hand. It shrinks and needs a day per layer.',
    },
    {
      id: 'gloss',
      coatingId: 'gloss-varnish',
      methodId: 'gloss',
      goes: 3,
      says: 'Painted depth under three coats of gloss: flat, light and quick.',
    },
  ],
  join: { methodId: 'loose', offsetMm: 120 },
  pieces: {
    sheets: {
      wall: { materialId: 'foam-board', thicknessMm: 5 },
      roof: { materialId: 'greyboard', thicknessMm: 2 },
      floor: { materialId: 'foam-board', thicknessMm: 5 },
      card: { materialId: 'greyboard', thicknessMm: 1 },
      layer: { materialId: 'xps-foam', thicknessMm: 10 },
      board: { materialId: 'hardboard', thicknessMm: 3 },
      thin: { materialId: 'thin-foam', thicknessMm: 3 },
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
  shades: { darkId: 'bog-oak', paleId: 'chalk-cliff' },
  light: { batteryId: 'two-cell-box', lampId: 'warm-white' },
  play: { baseHex: '#4a4034', baseMm: 25, tiltDeg: 12, walkDeg: 30, reachMm: 600, handMm: 90 },
  places: [
    { id: 'room', name: 'Room', kindId: 'room', by: 'typed', airC: 20, humidityPct: 50, flatPlaces: 12, hasExtraction: true },
    { id: 'garage', name: 'Garage', kindId: 'garage', by: 'season', airC: 9, humidityPct: 78, flatPlaces: 6, hasExtraction: false },
    { id: 'outside', name: 'Outside', kindId: 'outside', by: 'season', airC: 5, humidityPct: 82, flatPlaces: 6, hasExtraction: false },
  ],
  airId: 'still',
  personName: 'You',
  noise: { fromMin: hour(8), toMin: hour(21) },
  kit: { weightsKg: 60, fans: 1 },
  hours: [
    { weekday: 2, fromMin: hour(19), toMin: hour(21) },
    { weekday: 4, fromMin: hour(19), toMin: hour(21) },
    { weekday: 6, fromMin: hour(10), toMin: hour(12) + 30 },
    { weekday: 7, fromMin: hour(14), toMin: hour(17) },
  ],
};

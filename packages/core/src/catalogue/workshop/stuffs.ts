import type { Catalogue, Stuff } from '../schema';
import { about } from './estimate';

const pack = (amount: number, priceMinor: number): Stuff['packsMl'][number] => ({ amount, priceMinor });

/** What goes into bowls: general trade knowledge, rounded; prices invented. */
export const stuffs: Catalogue['stuffs'] = [
  { id: 'water', name: 'Water', densityGPerMl: about(1), voidShare: null, packsMl: [] },
  {
    id: 'white-glue',
    name: 'White glue',
    densityGPerMl: about(1.08, 1.05, 1.1),
    voidShare: null,
    packsMl: [pack(250, 290), pack(1_000, 790), pack(5_000, 2_990)],
    adhesiveId: 'white-glue',
  },
  {
    id: 'acrylic',
    name: 'Craft acrylic',
    densityGPerMl: about(1.2, 1.1, 1.3),
    voidShare: null,
    packsMl: [pack(60, 260), pack(250, 690), pack(500, 1_090)],
  },
  {
    id: 'wall-paint',
    name: 'Masonry paint',
    densityGPerMl: about(1.4, 1.3, 1.5),
    voidShare: null,
    packsMl: [pack(250, 450), pack(1_000, 1_190)],
  },
  { id: 'matt-medium', name: 'Matt medium', densityGPerMl: about(1.05, 1, 1.1), voidShare: null, packsMl: [pack(250, 790)] },
  { id: 'rubbing-alcohol', name: 'Rubbing alcohol', densityGPerMl: about(0.79), voidShare: null, packsMl: [pack(500, 390)] },
  {
    id: 'paper-powder',
    name: 'Paper-and-plaster powder',
    densityGPerMl: about(0.55, 0.45, 0.65),
    voidShare: about(0.5, 0.4, 0.65),
    packsMl: [pack(2_000, 1_250)],
  },
  {
    id: 'plaster',
    name: 'Casting plaster',
    densityGPerMl: about(0.95, 0.85, 1.05),
    voidShare: about(0.6, 0.55, 0.65),
    packsMl: [pack(1_000, 290), pack(5_000, 990)],
  },
  {
    id: 'grout',
    name: 'Fine cement grout',
    densityGPerMl: about(1.2, 1.1, 1.3),
    voidShare: about(0.5, 0.45, 0.55),
    packsMl: [pack(2_000, 480)],
  },
  {
    id: 'fine-sand',
    name: 'Fine sand',
    densityGPerMl: about(1.55, 1.5, 1.65),
    voidShare: about(0.4, 0.36, 0.44),
    packsMl: [pack(1_000, 240)],
  },
  {
    id: 'sieved-soil',
    name: 'Sieved soil, baked dry',
    densityGPerMl: about(1.1, 0.9, 1.3),
    voidShare: about(0.5, 0.45, 0.55),
    packsMl: [pack(1_000, 180)],
  },
  { id: 'sawdust', name: 'Sawdust', densityGPerMl: about(0.2, 0.15, 0.3), voidShare: about(0.8, 0.7, 0.85), packsMl: [pack(2_000, 150)] },
  {
    id: 'filler',
    name: 'Light filler, ready mixed',
    densityGPerMl: about(0.9, 0.8, 1),
    voidShare: null,
    packsMl: [pack(500, 520), pack(1_000, 860), pack(5_000, 2_900)],
  },
  {
    id: 'resin',
    name: 'Resin',
    densityGPerMl: about(1.14, 1.1, 1.16),
    voidShare: null,
    packsMl: [pack(250, 1_120), pack(500, 1_890)],
    life: { closedDays: 365, openDays: 180 },
  },
  { id: 'hardener', name: 'Hardener', densityGPerMl: about(0.98, 0.95, 1), voidShare: null, packsMl: [pack(250, 1_120), pack(500, 1_890)] },
];

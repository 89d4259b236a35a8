import type { Catalogue } from '../../schema';
import { about } from '../estimate';

/** General trade knowledge; prices invented. */
export const castings: Catalogue['castings'] = [
  {
    id: 'plaster-in-silicone',
    name: 'Casting plaster in a silicone mould',
    mould: { name: 'Mould silicone', wallMm: 8, densityGPerMl: about(1.2, 1.1, 1.3), packs: [pack(1_000, 2_900), pack(5_000, 12_400)] },
    cast: { name: 'Casting plaster', densityGPerMl: about(1.5, 1.3, 1.7), packs: [pack(1_000, 390), pack(5_000, 1_290)] },
    lossPct: about(10, 5, 20),
    perMould: 60,
    mouldWorkMin: about(45, 30, 70),
    mouldCureMin: about(720, 480, 1_440),
    workMin: about(7, 4, 12),
    settingMin: about(40, 30, 60),
    cautionIds: ['dust'],
    remark: 'Undercuts are limited by how far the silicone stretches. Plaster edges chip.',
  },
  {
    id: 'resin-in-silicone',
    name: 'Casting resin in a silicone mould',
    mould: { name: 'Mould silicone', wallMm: 8, densityGPerMl: about(1.2, 1.1, 1.3), packs: [pack(1_000, 2_900), pack(5_000, 12_400)] },
    cast: { name: 'Casting resin, two parts', densityGPerMl: about(1.1, 1.05, 1.2), packs: [pack(500, 1_650), pack(2_000, 5_200)] },
    lossPct: about(8, 4, 15),
    perMould: 25,
    mouldWorkMin: about(45, 30, 70),
    mouldCureMin: about(720, 480, 1_440),
    workMin: about(9, 6, 15),
    settingMin: about(30, 15, 60),
    cautionIds: ['resin'],
    remark: 'Strong, with sharp detail. Sets in minutes: mix for one pour at a time.',
  },
];

function pack(amount: number, priceMinor: number): { readonly amount: number; readonly priceMinor: number } {
  return { amount, priceMinor };
}

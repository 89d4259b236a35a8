import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { adhesiveBy, airBy, coatingBy, estimated } from '../../catalogue';
import { CATALOGUE, aSpot } from '../../testing';
import { newPlace } from '../../plan';
import { dryingFactor, settingFactor } from './paces';
import { type Airs, dryingPlacesOf } from './spots';
import { coatWaits, fullGlueWait, glueWait, usualMin } from './waits';

const ROOM = { airC: 20, humidityPct: 50 };
/** kPa, written out a second time on purpose. */
const deficit = (t: number, rh: number): number => 0.6108 * Math.exp((17.27 * t) / (t + 237.3)) * (1 - rh / 100);
const moved = (id: string) => estimated(id, airBy(CATALOGUE, id).factor, '1');
const coating = (id: string) => coatingBy(CATALOGUE, id);
const recoatMin = (id: string, filmMm: number | null, spot = aSpot(ROOM)): number =>
  usualMin(coatWaits(coating(id), filmMm, spot, CATALOGUE).recoat);

describe('water-borne films', () => {
  test('at the reference the stated time holds', () => {
    expect(dryingFactor(ROOM, moved('still')).value).toBeCloseTo(1, 9);
    expect(recoatMin('joint-compound', 1)).toBeCloseTo(600, 6);
  });
  test('a garage of 10 °C and 80 % dries 1.17 kPa ÷ 0.245 kPa = 4.8 times slower', () => {
    const factor = dryingFactor({ airC: 10, humidityPct: 80 }, moved('still')).value;
    expect(factor).toBeCloseTo(deficit(20, 50) / deficit(10, 80), 9);
    expect(factor).toBeCloseTo(4.76, 1);
  });
  test('a fan takes 0.6 of the time; a warm blower 0.35 on a thin film, and nothing off a thick one', () => {
    expect(recoatMin('masonry-paint', null, aSpot({ ...ROOM, airId: 'fan' }))).toBeCloseTo(0.6 * recoatMin('masonry-paint', null), 6);
    expect(recoatMin('masonry-paint', null, aSpot({ ...ROOM, airId: 'blower' }))).toBeCloseTo(0.35 * recoatMin('masonry-paint', null), 6);
    expect(recoatMin('joint-compound', 2, aSpot({ ...ROOM, airId: 'blower' }))).toBeCloseTo(recoatMin('joint-compound', 2), 6);
  });
  test('joint compound: 10 h at 1 mm and 30 h at 2.5 mm, within a quarter of an hour', () => {
    expect(recoatMin('joint-compound', 2.5) / 60).toBeCloseTo(30, 0);
  });
  test('on a face that drinks 0.8 of the time, over a sealed one 1.2', () => {
    const onto = (ground: 'drinks' | 'sealed'): number =>
      usualMin(coatWaits(coating('masonry-paint'), null, aSpot(ROOM), CATALOGUE, ground).recoat);
    expect([onto('drinks'), onto('sealed')].map((min) => min / recoatMin('masonry-paint', null))).toEqual([
      expect.closeTo(0.8, 9),
      expect.closeTo(1.2, 9),
    ]);
  });
  test('touch, recoat, through and cure come one after another', () => {
    for (const { id } of CATALOGUE.coatings) {
      const { touch, recoat, through, cure } = coatWaits(coating(id), 2, aSpot(ROOM), CATALOGUE);
      const order = [touch, recoat, through, cure].map(usualMin);
      expect(order, id).toEqual([...order].sort((a, b) => a - b));
    }
  });
  test('never in these conditions is an answer: full air takes up nothing, and colder than its film forms it never binds', () => {
    for (const air of [
      { airC: 18, humidityPct: 98 },
      { airC: 5, humidityPct: 40 },
    ])
      expect(recoatMin('masonry-paint', null, aSpot(air))).toBe(Infinity);
    expect(recoatMin('masonry-paint', null, aSpot({ airC: 8, humidityPct: 40 }))).toBeLessThan(Infinity);
  });
  test('over a cold floor the same air is damper and dries slower', () => {
    const garage = { airC: 12, humidityPct: 70 };
    const shelf = recoatMin('masonry-paint', null, aSpot({ ...garage, kindId: 'garage' }));
    const floor = recoatMin('masonry-paint', null, aSpot({ ...garage, kindId: 'garage', on: 'floor' }));
    // 2.5 °C under the air: the same water fills more of it.
    expect(floor / shelf).toBeCloseTo(deficit(12, 70) / deficit(9.5, (70 * deficit(12, 0)) / deficit(9.5, 0)), 6);
    expect(floor).toBeGreaterThan(shelf);
  });
  test('thicker, damper, colder: never sooner', () => {
    const air = fc.record({ airC: fc.double({ min: 8, max: 35, noNaN: true }), humidityPct: fc.double({ min: 10, max: 95, noNaN: true }) });
    const more = fc.double({ min: 0, max: 5, noNaN: true });
    fc.assert(
      fc.property(air, fc.double({ min: 0.2, max: 8, noNaN: true }), more, (own, filmMm, by) => {
        const at = (change: object, mm = filmMm): number => recoatMin('joint-compound', mm, aSpot({ ...own, ...change }));
        const here = at({}) * (1 - 1e-12);
        expect(at({}, filmMm + by)).toBeGreaterThanOrEqual(here);
        expect(at({ humidityPct: Math.min(98, own.humidityPct + by) })).toBeGreaterThanOrEqual(here);
        expect(at({ airC: own.airC - by })).toBeGreaterThanOrEqual(here);
      }),
    );
  });
});

describe('air that changes', () => {
  const spells = [{ id: 'cold', from: '2026-12-01', to: '2026-12-02', airC: 5, humidityPct: 50 }];
  const { recoat } = coatWaits(coating('masonry-paint'), null, aSpot(ROOM, { spells }), CATALOGUE);
  test('what is put on before a cold spell and not dry by then dries on after it', () => {
    // 240 minutes as stated: two hours before midnight, two days of nothing, two hours after.
    expect(recoat.stated.value).toBe(240);
    expect(recoat.pace.after(22 * 60, 240)).toBeCloseTo(3 * 1_440 + 120, 6);
    expect(recoat.pace.before(3 * 1_440 + 120, 240)).toBeCloseTo(22 * 60, 6);
  });
  test('after weeks of cold it goes on: that is not never', () => {
    const long = [{ id: 'cold', from: '2026-11-30', to: '2026-12-20', airC: 5, humidityPct: 50 }];
    const waits = coatWaits(coating('masonry-paint'), null, aSpot(ROOM, { spells: long }), CATALOGUE);
    expect(usualMin(waits.recoat)).toBeCloseTo(240, 6);
    expect(waits.recoat.pace.after(0, 240)).toBeCloseTo(21 * 1_440 + 240, 6);
  });
  test('far from it the stated time holds', () => expect(recoat.pace.after(10 * 1_440, 240)).toBeCloseTo(10 * 1_440 + 240, 6));
  test('what ends later is never dry sooner, and from dry there is a way back', () => {
    const garage = aSpot(
      { ...ROOM, kindId: 'garage' },
      { spells, air: { by: 'season', airC: 9, humidityPct: 80, season: 'winter', sensorId: null } },
    );
    const { pace } = coatWaits(coating('craft-acrylic'), null, garage, CATALOGUE).recoat;
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30_000, noNaN: true }),
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: 1, max: 2_000, noNaN: true }),
        (from, by, stated) => {
          const dry = pace.after(from, stated);
          expect(pace.after(from + by, stated)).toBeGreaterThanOrEqual(dry - 1e-6);
          expect(dry - from).toBeGreaterThanOrEqual(stated * pace.least - 1e-6);
          const back = pace.before(dry, stated);
          expect(back).toBeGreaterThanOrEqual(from - 1e-6);
          expect(pace.after(back, stated)).toBeLessThanOrEqual(dry + 1e-6);
        },
      ),
    );
  });
  test('a garage in winter, by hand: hour by hour of the day curve', () => {
    const garage = aSpot(
      { ...ROOM, kindId: 'garage' },
      { air: { by: 'season', airC: 9, humidityPct: 80, season: 'winter', sensorId: null } },
    );
    const { pace } = coatWaits(coating('sealing-glue'), null, garage, CATALOGUE).recoat;
    let [done, hour] = [0, 12];
    for (; done < 120; hour++) {
      const warmth = (1 + Math.cos((2 * Math.PI * ((hour % 24) + 0.5 - 15)) / 24)) / 2;
      const [airC, pct] = [7 + 4 * warmth, 85 - 15 * warmth];
      if (airC >= 8) done += (60 * deficit(airC, pct)) / deficit(20, 50);
    }
    const over = pace.after(12 * 60, 120);
    expect(over).toBeGreaterThan((hour - 1) * 60);
    expect(over).toBeLessThanOrEqual(hour * 60);
  });
});

describe('where a workpiece dries', () => {
  const [room, garage] = CATALOGUE.starter.places.map((place) => newPlace(place));
  const drying = { placeId: room!.id, on: 'shelf', lies: 'flat', airId: 'still' } as const;
  const spots = dryingPlacesOf({
    places: [room!, garage!],
    drying,
    driedAt: [{ workpieceId: 'B1', ...drying, placeId: garage!.id, on: 'floor' }],
    startsOn: '2026-11-30',
    airs: {},
    catalogue: CATALOGUE,
  });
  test('one that is put somewhere else dries there, the others with the rest', () => {
    expect([spots.at('A1'), spots.at('B1')].map(({ place, on }) => [place.id, on])).toEqual([
      ['room', 'shelf'],
      ['garage', 'floor'],
    ]);
    expect(spots.at('B1').course.at(600).airC).toBeLessThan(spots.at('A1').course.at(600).airC);
  });
  test('what a thermo-hygrometer says is its air; silent, what is typed stands in', () => {
    const air = { ...garage!.air, by: 'sensor' as const, sensorId: 's', airC: 13 };
    const told = Array.from({ length: 24 }, (_, hour) => ({ airC: hour, humidityPct: 60 }));
    const at = (airs: Airs): number =>
      dryingPlacesOf({
        places: [{ ...garage!, air }],
        drying: { ...drying, placeId: garage!.id },
        driedAt: [],
        startsOn: '2026-11-30',
        airs,
        catalogue: CATALOGUE,
      }).usual.course.at(7 * 60).airC;
    expect([at({ s: told }), at({})]).toEqual([7, 13]);
  });
});

describe('chemical setters', () => {
  const epoxy = coating('casting-epoxy');
  const cureMin = (air: object): number => usualMin(coatWaits(epoxy, null, aSpot({ ...ROOM, ...air }), CATALOGUE).cure);
  test('epoxy is twice as fast 10 °C warmer and does not mind damp', () => {
    expect(settingFactor(30, 2).value).toBeCloseTo(0.5, 9);
    expect(cureMin({ humidityPct: 90 })).toBeCloseTo(cureMin({}), 9);
    expect(cureMin({ airC: 15 })).toBeCloseTo(2 ** 0.5 * cureMin({}), 6);
    expect(cureMin({ airC: 14 })).toBe(Infinity);
  });
});

describe('glue', () => {
  const glue = (id: string) => adhesiveBy(CATALOGUE, id);
  const white = glue('white-glue');
  const handleMin = (halfWidthMm: number, isSealedIn: boolean, air: object = {}): number =>
    usualMin(glueWait(white, { isSealedIn, halfWidthMm }, aSpot({ ...ROOM, ...air })));
  test('white glue with a way out for its water: 45 min under weight', () => expect(handleMin(250, false)).toBeCloseTo(45, 9));
  test('between two sealed faces it dries from the rim, with the square: a 500 mm tile takes 6.25 days, a 250 mm one a quarter', () => {
    expect(handleMin(250, true) / 1440).toBeCloseTo(6.25, 9);
    expect(handleMin(125, true) / 1440).toBeCloseTo(6.25 / 4, 9);
  });
  test('between vent holes 60 mm apart it is a matter of hours', () => expect(handleMin(30, true) / 60).toBeCloseTo(24 * 0.09, 6));
  test('too colds film it never holds; left until it is through it takes a day', () => {
    expect(handleMin(250, false, { airC: 6 })).toBe(Infinity);
    expect(usualMin(fullGlueWait(white, aSpot(ROOM)))).toBeCloseTo(1440, 9);
  });
  test('hot melt does not mind the air; two-part epoxy sets by warmth', () => {
    const line = { isSealedIn: false, halfWidthMm: 100 };
    const at = (id: string, airC: number): number => usualMin(glueWait(glue(id), line, aSpot({ airC, humidityPct: 95 })));
    const [hot] = CATALOGUE.adhesives.filter(({ family }) => family === 'hot');
    const [epoxy] = CATALOGUE.adhesives.filter(({ family }) => family === 'epoxy');
    expect(at(hot!.id, 5)).toBe(at(hot!.id, 25));
    expect(at(epoxy!.id, 10) / at(epoxy!.id, 20)).toBeCloseTo(2, 9);
  });
});

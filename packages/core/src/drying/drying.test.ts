import { describe, expect, test } from 'vitest';
import { adhesiveBy, coatingBy } from '../catalogue';
import { CATALOGUE } from '../testing';
import { coatWaits, glueWait } from './waits';
import { dryingFactor, settingFactor } from './climate';

const ROOM = { airC: 20, humidityPct: 50, airId: 'still' };
/** kPa, written out a second time on purpose. */
const deficit = (t: number, rh: number): number => 0.6108 * Math.exp((17.27 * t) / (t + 237.3)) * (1 - rh / 100);

describe('water-borne films', () => {
  test('at the reference the stated time holds', () => {
    expect(dryingFactor(ROOM, CATALOGUE).value).toBeCloseTo(1, 9);
    expect(coatWaits(coatingBy(CATALOGUE, 'joint-compound'), 1, ROOM, CATALOGUE).recoat.value).toBeCloseTo(600, 6);
  });

  test('a garage of 10 °C and 80 % dries 1.17 kPa ÷ 0.245 kPa = 4.8 times slower', () => {
    const factor = dryingFactor({ airC: 10, humidityPct: 80, airId: 'still' }, CATALOGUE).value;
    expect(factor).toBeCloseTo(deficit(20, 50) / deficit(10, 80), 9);
    expect(factor).toBeCloseTo(4.76, 1);
  });

  test('a fan takes 0.6 of the time', () => {
    expect(dryingFactor({ ...ROOM, airId: 'fan' }, CATALOGUE).value).toBeCloseTo(0.6, 9);
  });

  test('joint compound: 10 h at 1 mm and 30 h at 2.5 mm, within a quarter of an hour', () => {
    expect(coatWaits(coatingBy(CATALOGUE, 'joint-compound'), 2.5, ROOM, CATALOGUE).recoat.value / 60).toBeCloseTo(30, 0);
  });
});

describe('chemical setters', () => {
  const epoxy = coatingBy(CATALOGUE, 'casting-epoxy');
  test('epoxy is twice as fast 10 °C warmer and does not mind damp', () => {
    expect(settingFactor({ ...ROOM, airC: 30 }, 2).value).toBeCloseTo(0.5, 9);
    const dry = coatWaits(epoxy, null, ROOM, CATALOGUE).cure.value;
    expect(coatWaits(epoxy, null, { ...ROOM, humidityPct: 90 }, CATALOGUE).cure.value).toBeCloseTo(dry, 9);
    expect(coatWaits(epoxy, null, { ...ROOM, airC: 10 }, CATALOGUE).cure.value).toBeCloseTo(2 * dry, 6);
  });
});

describe('glue', () => {
  const white = adhesiveBy(CATALOGUE, 'white-glue');
  test('white glue with a way out for its water: 45 min under weight', () => {
    expect(glueWait(white, { isSealedIn: false, halfWidthMm: 250 }, ROOM, CATALOGUE).value).toBeCloseTo(45, 9);
  });
  test('between two sealed faces it dries from the rim, with the square: a 500 mm tile takes 6.25 days, a 250 mm one a quarter', () => {
    expect(glueWait(white, { isSealedIn: true, halfWidthMm: 250 }, ROOM, CATALOGUE).value / 1440).toBeCloseTo(6.25, 9);
    expect(glueWait(white, { isSealedIn: true, halfWidthMm: 125 }, ROOM, CATALOGUE).value / 1440).toBeCloseTo(6.25 / 4, 9);
  });
});

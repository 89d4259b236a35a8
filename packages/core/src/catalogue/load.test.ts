import { expect, test } from 'vitest';
import { estimated, sheetsOf, thicknessesOf } from './look-up';
import { loadCatalogue } from './load';
import { WORKSHOP_CATALOGUE } from './workshop';

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

test('the catalogue that ships is sound', () => {
  expect(loadCatalogue(copyOf(WORKSHOP_CATALOGUE))).toMatchObject({ ok: true });
});

test('a density under its own range is refused by name', () => {
  const [first, ...rest] = copyOf(WORKSHOP_CATALOGUE.materials);
  const bad = {
    ...WORKSHOP_CATALOGUE,
    materials: [{ ...first!, densityKgPerM3: { value: 5, low: 28, high: 38, origin: 'label' } }, ...rest],
  };
  expect(loadCatalogue(bad)).toMatchObject({
    ok: false,
    problem: { issues: [{ path: 'materials.0.densityKgPerM3', message: 'expected low ≤ value ≤ high' }] },
  });
});

test('a tool that is not there, and an id that stands twice, are refused by name', () => {
  const materials = copyOf(WORKSHOP_CATALOGUE.materials);
  materials[1]!.toolIds[0] = 'laser';
  materials[2]!.id = materials[0]!.id;
  const loaded = loadCatalogue({ ...WORKSHOP_CATALOGUE, materials });
  expect(loaded).toMatchObject({ ok: false });
  if (!loaded.ok) {
    const said = loaded.problem.issues.map(({ path, message }) => `${path}: ${message}`);
    expect(said).toContain('materials.1.toolIds.0: the catalogue has no tool “laser”');
    expect(said).toContain('materials.2.id: xps-foam appears twice in materials');
  }
});

test('an unknown field is refused rather than dropped', () => {
  expect(loadCatalogue({ ...WORKSHOP_CATALOGUE, surprise: 1 })).toMatchObject({ ok: false });
});

test('insulation foam of 30 mm comes in three sizes, the smallest first, and in five thicknesses', () => {
  expect(sheetsOf(WORKSHOP_CATALOGUE, 'xps-foam', 30).map(({ widthMm }) => widthMm)).toEqual([1200, 1250, 2400]);
  expect(thicknessesOf(WORKSHOP_CATALOGUE, 'xps-foam', 'metric')).toEqual([10, 20, 30, 40, 50]);
  expect(thicknessesOf(WORKSHOP_CATALOGUE, 'xps-foam', 'inch')).toEqual([12.7, 19.05, 25.4, 38.1, 50.8]);
});

test('an estimate carries its range and origin into the working', () => {
  expect(estimated('Density', { value: 33, low: 28, high: 38, origin: 'our default value' }, 'kg/m³')).toMatchObject({
    value: 33,
    source: 'catalogue',
    note: 'our default value, 28 to 38',
  });
});

test('a start that names a join, battery or lamp nobody has, and a caution that is missing, are refused by name', () => {
  const starter = copyOf(WORKSHOP_CATALOGUE.starter);
  starter.join.methodId = 'rivets';
  starter.light = { batteryId: 'reactor', lampId: 'sun' };
  const joins = copyOf(WORKSHOP_CATALOGUE.joins);
  joins[1]!.cautionIds = ['dragons'];
  const loaded = loadCatalogue({ ...WORKSHOP_CATALOGUE, starter, joins });
  expect(loaded.ok ? [] : loaded.problem.issues.map(({ path, message }) => `${path}: ${message}`)).toEqual([
    'joins.1.cautionIds.0: the catalogue has no caution “dragons”',
    'starter.join.methodId: the catalogue has no join “rivets”',
    'starter.light.batteryId: the catalogue has no battery box “reactor”',
    'starter.light.lampId: the catalogue has no lamp “sun”',
  ]);
});

test('what a new board starts with refers to what there is: foam, adhesive, coats and air', () => {
  const starter = copyOf(WORKSHOP_CATALOGUE.starter);
  starter.ground.materialId = 'marble';
  starter.raised.glueId = 'spit';
  starter.surfaces[0]!.coats[0]!.coatingId = 'quicksilver';
  starter.airId = 'gale';
  const loaded = loadCatalogue({ ...WORKSHOP_CATALOGUE, starter });
  expect(loaded.ok ? [] : loaded.problem.issues.map(({ path }) => path)).toEqual([
    'starter.ground.materialId',
    'starter.raised.glueId',
    'starter.surfaces.0.coats.0.coatingId',
    'starter.airId',
  ]);
});

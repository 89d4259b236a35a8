import { describe, expect, test } from 'vitest';
import { loadCatalogue } from '../load';
import { WORKSHOP_CATALOGUE as OURS } from '../workshop';
import {
  ALL_KINDS,
  NOTHING_OWN,
  bareEntry,
  blankGroup,
  entriesCsv,
  fieldsOf,
  idFor,
  isSameValue,
  otherNames,
  readEntries,
  saidIn,
  searched,
  withEntries,
  withEntry,
} from '.';
import { inTerms } from './terms';
import { offered } from '../offered';
import { sheetsOf } from '../look-up';
import { withOwn } from '../own';

const FOAM = { ...OURS.materials[0]!, id: 'my-grey-foam', name: 'Grey foam' };
const SHEET = { id: 'my-grey-sheet', materialId: FOAM.id, thicknessMm: 25, widthMm: 1_000, depthMm: 500, priceMinor: 640 };
const OF_LAST_YEAR = { ...SHEET, materialId: 'of-last-year' };
const own = (entries: readonly (readonly ['materials' | 'sheets' | 'coatings', object & { readonly id: string }])[]) => ({
  ...NOTHING_OWN,
  entries: entries.map(([kind, body]) => ({ kind, id: body.id, body })),
});

test('entries of one’s own stand beside ours, one of the same id in its place, in whatever order they were kept', () => {
  const cheap = { ...OURS.sheets[0]!, priceMinor: 1 };
  const { catalogue, leftOut } = withEntries(
    OURS,
    own([
      ['sheets', SHEET],
      ['materials', FOAM],
      ['sheets', cheap],
    ]),
  );
  expect(leftOut).toEqual([]);
  expect(catalogue.materials).toHaveLength(OURS.materials.length + 1);
  expect(catalogue.sheets.find(({ id }) => id === cheap.id)?.priceMinor).toBe(1);
  expect(loadCatalogue(catalogue).ok).toBe(true);
});

test('what a newer catalogue cannot take is left out and told, with what hangs on it; the rest holds', () => {
  const { catalogue, leftOut } = withEntries(
    OURS,
    own([
      ['sheets', OF_LAST_YEAR],
      ['sheets', { ...SHEET, id: 'before-its-foam' }],
      ['materials', FOAM],
      ['coatings', { id: 'old', name: 'Without what is asked for now' } as never],
    ]),
  );
  expect(catalogue.materials.some(({ id }) => id === FOAM.id)).toBe(true);
  expect(catalogue.sheets.some(({ id }) => id === 'before-its-foam')).toBe(true);
  expect(leftOut.map(({ id, issues }) => [id, issues[0]!.path])).toEqual([
    [SHEET.id, 'materialId'],
    ['old', 'family'],
  ]);
});

test('an entry that will not do says which field and what would', () => {
  const tried = withEntry(OURS, { kind: 'sheets', id: SHEET.id, body: { ...SHEET, materialId: OURS.materials[0]!.id, widthMm: -3 } });
  expect(tried.ok ? [] : tried.issues.map(({ path }) => path)).toEqual(['widthMm']);
  expect(withEntry(OURS, { kind: 'sheets', id: 'other', body: { ...SHEET, materialId: OURS.materials[0]!.id } }).ok).toBe(false);
});

test('every kind goes out as a table and comes back as it was', () => {
  for (const kind of ALL_KINDS) {
    const there = OURS[kind] as readonly { readonly id: string }[];
    const { entries, bad } = readEntries(kind, entriesCsv(kind, there), { ...OURS, outOfUse: [] });
    expect(bad, kind).toEqual([]);
    expect(entries.map(({ body }) => body)).toEqual(there);
    // Nothing of a row may come from what is there already: all of it under new ids.
    const text = entriesCsv(
      kind,
      there.map((entry) => ({ ...entry, id: `n-${entry.id}`.slice(0, 60) })),
    );
    const fresh = readEntries(kind, text, OURS);
    expect(fresh.bad, kind).toEqual([]);
    expect(
      isSameValue(
        fresh.entries.map(({ body }) => ({ ...(body as object), id: '' })),
        there.map((entry) => ({ ...entry, id: '' })),
      ),
    ).toBe(true);
  }
});

test('bad rows are told by line and column and the good ones kept; a cell over two lines counts as two', () => {
  const text = [
    'id,materialId,thicknessMm,widthMm,depthMm,priceMinor',
    'a,xps,20,1250,600,900',
    '"b",xps,20,wide,600,900',
    'c,"x\nps",20,1250,600,900',
    'd,xps,20,1250,600,free',
    'e,xps,20,800,600,700',
  ].join('\n');
  const { entries, bad } = readEntries('sheets', text.replaceAll('xps', OURS.materials[0]!.id), OURS);
  expect(entries.map(({ id }) => id)).toEqual(['a', 'e']);
  expect(bad.map(({ line, column }) => [line, column])).toEqual([
    [3, 'widthMm'],
    [4, 'materialId'],
    [6, 'priceMinor'],
  ]);
});

test('a row may refer to one above it', () => {
  const [first] = OURS.coatings;
  const rows = [
    { ...first!, id: 'fine', finerId: null },
    { ...first!, id: 'coarse', finerId: 'fine' },
  ];
  const { entries, bad } = readEntries('coatings', entriesCsv('coatings', rows), OURS);
  expect([entries.map(({ id }) => id), bad]).toEqual([['fine', 'coarse'], []]);
  expect(readEntries('coatings', entriesCsv('coatings', [...rows].reverse()), OURS).bad).toMatchObject([{ line: 2, column: 'finerId' }]);
});

test('a table changes only the columns it has; one it does not know is told', () => {
  const sheet = OURS.sheets[3]!;
  const { entries, bad } = readEntries('sheets', `id,priceMinor,colour\n${sheet.id},777,red`, OURS);
  expect(entries[0]!.body).toEqual({ ...sheet, priceMinor: 777 });
  expect(bad).toMatchObject([{ line: 1, column: 'colour' }]);
});

test('a form has a field for everything, and what it starts from differs from sound only where something is asked for', () => {
  for (const kind of ALL_KINDS) {
    const fields = fieldsOf(kind);
    const first = OURS[kind][0] as unknown as Record<string, unknown>;
    expect(fields.map(({ key }) => key)).toEqual(expect.arrayContaining(Object.keys(first)));
    const blank = blankGroup(fields);
    const tried = withEntry(OURS, { kind, id: 'new', body: { ...blank, id: 'new', ...('name' in blank ? { name: 'New' } : {}) } });
    const asked = tried.ok ? [] : tried.issues.map(({ path, message }) => `${path}: ${message}`);
    expect(
      asked.every((said) => /Id|is empty/.test(said)),
      `${kind}: ${asked.join('; ')}`,
    ).toBe(true);
  }
});

test('a figure says its unit, a price is money, a limit is told', () => {
  const field = (key: string) => fieldsOf('materials').find((one) => one.key === key)?.field;
  expect(field('densityKgPerM3')).toEqual({ is: 'figure', unit: 'kg/m³' });
  expect(fieldsOf('sheets').find(({ key }) => key === 'priceMinor')?.field).toEqual({ is: 'money', mayBeFree: false });
  expect(field('toolIds')).toEqual({ is: 'list', of: { is: 'entry', kind: 'tools' }, least: 1 });
  expect(field('edgeLifeM')).toMatchObject({ is: 'number', unit: 'm', isAbove: true });
});

test('one stuff is found by what it is called elsewhere, and says by which name', () => {
  const by = (words: string) => searched(OURS, words).map(({ name }) => name);
  expect(by('spackle')).toEqual(by('filler').filter((name) => /filler/i.test(name)));
  expect(by('spackle').length).toBeGreaterThan(0);
  expect(searched(OURS, 'box cutter')[0]).toMatchObject({ kind: 'tools', by: 'box cutter' });
  expect(otherNames('White glue')).toContain('pva');
  expect(searched(OURS, 'no such thing at all')).toEqual([]);
  expect(searched(OURS, '').length).toBeGreaterThan(200);
});

test('what the server tells of a figure is not kept with it, and no difference', () => {
  const told = withOwn(OURS, {}).materials[0]!;
  expect(told.densityKgPerM3.path).toBeDefined();
  expect(bareEntry(told)).toEqual(OURS.materials[0]);
  expect(isSameValue(told, OURS.materials[0])).toBe(true);
  expect(isSameValue({ ...told, name: 'Other' }, told)).toBe(false);
});

test('ids come from names, are new, and never those of ours', () => {
  expect(idFor(OURS, 'materials', 'Größerer Schaum (grün)')).toBe('my-gro-erer-schaum-gru-n');
  expect(idFor({ ...OURS, materials: [FOAM] }, 'materials', 'Grey foam')).toBe('my-grey-foam-2');
});

test('what is out of use is not offered, but to who has it; its sheets are not cut while there are others', () => {
  const [gone, other] = OURS.materials;
  const some = OURS.sheets.filter(({ materialId, thicknessMm }) => materialId === 'xps-foam' && thicknessMm === 20);
  expect(some.length).toBeGreaterThan(1);
  const catalogue = { ...OURS, outOfUse: [`materials.${gone!.id}`, `sheets.${some[0]!.id}`] };
  const ids = (keptId?: string) => offered(catalogue, 'materials', keptId).map(({ id }) => id);
  expect([ids().includes(gone!.id), ids(gone!.id).includes(gone!.id), ids().includes(other!.id)]).toEqual([false, true, true]);
  expect(sheetsOf(catalogue, 'xps-foam', 20)).toHaveLength(some.length - 1);
  const none = { ...OURS, outOfUse: some.map(({ id }) => `sheets.${id}`) };
  expect(sheetsOf(none, 'xps-foam', 20)).toHaveLength(some.length);
});

describe('names in American words', () => {
  const theirs = inTerms(OURS, 'american');
  test('whole words, in the case they stand in, and nothing but what is read', () => {
    const name = (catalogue: typeof OURS, id: string) => catalogue.coatings.find((one) => one.id === id)!.name;
    expect(name(theirs, 'light-filler')).toBe(name(OURS, 'light-filler').replace('filler', 'spackle'));
    const read = (value: unknown): string[] =>
      typeof value === 'object' && value !== null
        ? Object.entries(value).flatMap(([key, one]) =>
            typeof one === 'string' ? (key === 'name' || key === 'remark' ? [one] : []) : read(one),
          )
        : [];
    const said = read(theirs);
    expect(said.filter((words) => /\b(greyboard|colour|moulds?|superglue)\b/i.test(words))).toEqual([]);
    expect(theirs.materials.map(({ name: own }) => own)).toContain('Corrugated cardboard');
    expect(said.filter((words) => words.includes('cardboardboard') || words.includes('boardboard'))).toEqual([]);
  });
  test('ids and figures are ours, so no plan notices', () => {
    const without = (value: unknown): unknown =>
      JSON.parse(JSON.stringify(value, (key, one: unknown) => (['name', 'remark', 'text', 'unitsName'].includes(key) ? '' : one)));
    expect(without(theirs)).toEqual(without(OURS));
    expect(loadCatalogue(theirs).ok).toBe(true);
    expect(inTerms(OURS, 'british')).toBe(OURS);
  });
  test('everything is found by the words of either side', () => {
    const ids = (words: string) => searched(theirs, words).map(({ id }) => id);
    for (const words of ['filler', 'spackle']) expect(ids(words)).toContain('light-filler');
  });
});

test('a place of the catalogue is told in words', () => {
  expect(saidIn(OURS, 'materials.xps-foam.densityKgPerM3')).toBe('XPS insulation foam, density');
  expect(saidIn(OURS, 'adhesives.white-glue.gPerM2')).toBe('White glue, spread');
  expect(saidIn(OURS, 'tools.knife.mPerMin')).toBe('Knife and rule, cuts');
  expect(saidIn(OURS, 'bench.glueLossPct')).toBe('glue loss');
});

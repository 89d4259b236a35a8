import { type Catalogue, coatingBy, methodBy } from '../../catalogue';
import type { Plan } from '../../plan';
import { type Edit, type SingleEdit, appliedTo, atOnce } from '../../plan/edits';
import { type Derivation, waterWay } from '../../pipeline';
import { glueFit } from '../../build/stack/adhesives';

/** One answer to a question that a plan leaves open; the first of each is the plan as it is. */
export interface Option {
  readonly id: string;
  readonly name: string;
  /** What it changes of a plan in which other questions may be answered already; null for as it is. */
  readonly edit: ((plan: Plan) => Edit) | null;
}
/** A question on which builders differ. */
export interface Axis {
  readonly id: string;
  readonly name: string;
  readonly options: readonly Option[];
}
type Known = Pick<Derivation, 'stack' | 'areas'>;

/** What a plan leaves open: each question with the plan's own answer first; a question with one answer is none. */
export function axesOf(plan: Plan, catalogue: Catalogue, derived: Known): readonly Axis[] {
  const axes = [
    edges(plan),
    substrate(plan, catalogue),
    adhesive(catalogue, derived),
    water(plan, catalogue, derived),
    texture(plan, catalogue),
    spray(plan, catalogue),
    cladding(plan, catalogue),
    casting(plan, catalogue),
  ];
  return axes.filter((axis) => axis !== null && axis.options.length > 1) as readonly Axis[];
}
const asItIs = (name: string): Option => ({ id: 'own', name, edit: null });
const inUse = (catalogue: Catalogue, path: string): boolean => !(catalogue.outOfUse ?? []).includes(path);
type Replaced = 'coatings' | 'methods' | 'layings';
/** One thing in the place of another, wherever the plan has it. */
const replaced = (kind: Replaced, fromId: string, { id, name }: { readonly id: string; readonly name: string }): Option => ({
  id,
  name: name.toLowerCase(),
  edit: () => ({ code: 'supply/replace', kind, fromId, toId: id, name }),
});

function edges({ table, stack }: Plan): Axis | null {
  if (table.columnWidthsMm.length === 0) return null;
  const names = { 'cut-first': 'cut to size first', 'trim-after': 'trimmed flush after' } as const;
  const other = stack.edges === 'cut-first' ? 'trim-after' : 'cut-first';
  const option: Option = { id: other, name: names[other], edit: () => ({ code: 'stack/edges', edges: other }) };
  return { id: 'edges', name: 'Layers', options: [asItIs(names[stack.edges]), option] };
}

function substrate({ table, stack }: Plan, catalogue: Catalogue): Axis | null {
  if (table.columnWidthsMm.length === 0) return null;
  const own = stack.substrate;
  const board = own ?? { ...catalogue.starter.substrate, sealed: 'none' as const, grain: null };
  const name = catalogue.materials.find(({ id }) => id === board.materialId)?.name.toLowerCase() ?? board.materialId;
  const sealed = `${name}, sealed`;
  const set = (id: string, words: string, value: Plan['stack']['substrate']): Option => ({
    id,
    name: words,
    edit: () => ({ code: 'substrate/set', substrate: value }),
  });
  const isSealed = own !== null && own.sealed !== 'none';
  const options = [
    asItIs(own === null ? 'none' : isSealed ? sealed : name),
    ...(own === null ? [] : [set('none', 'none', null)]),
    ...(own === null || isSealed ? [set('bare', name, { ...board, sealed: 'none' })] : []),
    ...(isSealed ? [] : [set('sealed', sealed, { ...board, sealed: 'both' })]),
  ];
  return { id: 'substrate', name: 'Substrate', options };
}

/** Adhesives that hold on every pair of faces of the ground. */
function adhesive(catalogue: Catalogue, { stack: { joints } }: Known): Axis | null {
  const own = joints.filter(({ place }) => place.part === 'ground' || place.part === 'raised');
  const used = [...new Set(own.map(({ adhesiveId }) => adhesiveId))];
  if (own.length === 0) return null;
  const nameOf = (id: string): string => catalogue.adhesives.find((one) => one.id === id)?.name.toLowerCase() ?? id;
  const others = catalogue.adhesives.filter((one) => {
    const isOther = used.length > 1 || one.id !== used[0];
    const holds = own.every(({ lower, upper }) => glueFit(one, lower, upper, 'full', catalogue) === 'holds');
    return isOther && holds && one.spreads.includes('full') && inUse(catalogue, `adhesives.${one.id}`);
  });
  const places = [...new Map(own.map(({ place }) => [JSON.stringify(place), place])).values()];
  const option = ({ id, name }: { readonly id: string; readonly name: string }): Option => {
    const edits = places.map((place) => ({ code: 'glue/set' as const, place, adhesiveId: id, spread: 'full' as const }));
    return { id, name: name.toLowerCase(), edit: () => atOnce(edits, `Glue with ${name.toLowerCase()}`) };
  };
  return { id: 'adhesive', name: 'Adhesive', options: [asItIs(used.map(nameOf).join(' and ')), ...others.map(option)] };
}

function water({ surfaces }: Plan, catalogue: Catalogue, { areas }: Known): Axis | null {
  type WaterWay = Catalogue['starter']['water'][number];
  const wet = areas.list.filter(({ basins }) => basins.length > 0).map(({ surfaceId }) => surfaceId as string);
  if (wet.length === 0) return null;
  const coatsOf = (plan: Pick<Plan, 'surfaces'>, surfaceId: string) => plan.surfaces.find(({ id }) => id === surfaceId)?.coats ?? [];
  const isOwn = ({ coatingId }: WaterWay): boolean =>
    wet.every((id) => coatsOf({ surfaces }, id).some((coat) => coat.coatingId === coatingId));
  const nameOf = ({ coatingId, goes }: WaterWay): string =>
    `${coatingBy(catalogue, coatingId).name.toLowerCase()}${goes > 1 ? `, ${goes} coats` : ''}`;
  const own = catalogue.starter.water.find(isOwn);
  const option = (way: WaterWay): Option => ({
    id: way.id,
    name: nameOf(way),
    edit: (now) => {
      const edits = wet.map((surfaceId) => ({
        code: 'coats/set' as const,
        surfaceId,
        coats: waterWay(coatsOf(now, surfaceId), way, catalogue),
      }));
      return atOnce(edits, `Use ${nameOf(way)} for water`);
    },
  });
  const others = catalogue.starter.water.filter((way) => way !== own);
  return { id: 'water', name: 'Water', options: [asItIs(own === undefined ? 'current choice' : nameOf(own)), ...others.map(option)] };
}

/** More than these of one question are hardly looked at. */
const MAX_TEXTURES = 3;
/** Pastes in the place of the one that is used most. */
function texture({ surfaces }: Plan, catalogue: Catalogue): Axis | null {
  const counts = new Map<string, number>();
  for (const { coatingId } of surfaces.flatMap(({ coats }) => coats)) {
    const { family, spread } = coatingBy(catalogue, coatingId);
    if (family === 'texture' && spread.by === 'film') counts.set(coatingId, (counts.get(coatingId) ?? 0) + 1);
  }
  const fromId = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
  if (fromId === undefined) return null;
  const others = catalogue.coatings.filter(
    ({ id, family, spread }) => id !== fromId && family === 'texture' && spread.by === 'film' && inUse(catalogue, `coatings.${id}`),
  );
  const options = others.slice(0, MAX_TEXTURES).map((one) => replaced('coatings', fromId, one));
  return { id: 'texture', name: 'Ground texture', options: [asItIs(coatingBy(catalogue, fromId).name.toLowerCase()), ...options] };
}

/** Colour by the brush, or blown on. */
function spray({ surfaces }: Plan, catalogue: Catalogue): Axis | null {
  const used = [...new Set(surfaces.flatMap(({ coats }) => coats.map(({ methodId }) => methodId)))].map((id) => methodBy(catalogue, id));
  const from = used.find(({ does, isSpray }) => does === 'colour' && !isSpray);
  if (from === undefined) return null;
  const others = catalogue.methods.filter(({ id, does, isSpray }) => does === 'colour' && isSpray && inUse(catalogue, `methods.${id}`));
  return {
    id: 'colour',
    name: 'Colour method',
    options: [asItIs(from.name.toLowerCase()), ...others.slice(0, 1).map((one) => replaced('methods', from.id, one))],
  };
}

/** How the surfaces of pieces get their look: only ways in which every one of them may be put on. */
function cladding({ pieces }: Plan, catalogue: Catalogue): Axis | null {
  const all = pieces.flatMap(({ cladding: own }) => own);
  const fromId = all[0]?.layingId;
  if (fromId === undefined) return null;
  const clads = new Set(all.filter(({ layingId }) => layingId === fromId).map(({ claddingId }) => claddingId));
  const others = catalogue.layings.filter(
    ({ id }) =>
      id !== fromId && [...clads].every((claddingId) => catalogue.claddings.find((one) => one.id === claddingId)?.layingIds.includes(id)),
  );
  const own = catalogue.layings.find(({ id }) => id === fromId)?.name.toLowerCase() ?? fromId;
  return { id: 'cladding', name: 'Cladding', options: [asItIs(own), ...others.map((one) => replaced('layings', fromId, one))] };
}

/** Copies of a piece built one by one, or cast from the first. */
function casting({ pieces }: Plan, catalogue: Catalogue): Axis | null {
  const many = pieces.filter(({ count, isMadeElsewhere }) => count > 1 && !isMadeElsewhere);
  if (many.length === 0) return null;
  const own = many[0]!.castingId;
  const nameOf = (id: string | null): string =>
    id === null ? 'built one by one' : (catalogue.castings.find((one) => one.id === id)?.name.toLowerCase() ?? id);
  const option = (castingId: string | null): Option => {
    const edits: readonly SingleEdit[] = many.map(({ id }) => ({
      code: 'piece/change',
      pieceId: id,
      change: { castingId },
      what: 'copying method',
    }));
    return { id: castingId ?? 'by-hand', name: nameOf(castingId), edit: () => atOnce(edits, `Copies ${nameOf(castingId)}`) };
  };
  const others = [null, ...catalogue.castings.map(({ id }) => id)].filter((id) => id !== own);
  return { id: 'copies', name: 'Copies', options: [asItIs(nameOf(own)), ...others.map(option)] };
}

/** One answer to each question, by its place; all noughts is the plan as it is. */
export type Combination = readonly number[];

/** The plan with a combination of answers in it, and all of it as one edit. */
export function withAnswers(
  plan: Plan,
  axes: readonly Axis[],
  combination: Combination,
): { readonly plan: Plan; readonly edit: Edit; readonly names: readonly string[] } {
  let now = plan;
  const edits: SingleEdit[] = [];
  const names: string[] = [];
  for (const [i, at] of combination.entries()) {
    const option = axes[i]!.options[at]!;
    if (option.edit === null) continue;
    const edit = option.edit(now);
    edits.push(...(edit.code === 'together' ? edit.edits : [edit]));
    names.push(`${axes[i]!.name}: ${option.name}`.toLowerCase());
    now = appliedTo(now, edit);
  }
  return { plan: now, edit: atOnce(edits, `Build it with ${names.join('; ')}`), names };
}

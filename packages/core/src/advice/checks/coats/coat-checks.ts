import { type Catalogue, coatingBy, estimated } from '../../../catalogue';
import { type CoatNeed, grainLook } from '../../../finishing/coats';
import type { DryingPlaces } from '../../../schedule/drying';
import type { Ground } from '../../../terrain/ground';
import { banksOf } from '../../../terrain/ground/banks';
import type { BoardStack } from '../../../build/stack';
import type { Bow } from '../../../build/stack/bow';
import { type MeasureSystem, given, hoursInMinutes, lengthWords, calculate } from '../../../base/units';
import type { Warning } from '../warning';
import { type CoatList, type ListInputs, changed, coatLists, told } from './coat-list';
import { orderWarnings } from './order-checks';

interface Inputs extends ListInputs {
  readonly spots: DryingPlaces;
  readonly units: MeasureSystem;
  readonly figureHeightMm: number;
  readonly joints: BoardStack['joints'];
  readonly bow: Bow;
  readonly ground: Ground;
  readonly coats: readonly CoatNeed[];
  readonly catalogue: Catalogue;
}

/** What is too cold to bind, coats in an order that spoils them, grain out of scale, water that would run off, and a face wetted alone. */
export function* coatWarnings(inputs: Inputs): Generator<Warning> {
  for (const list of coatLists(inputs)) {
    yield* orderWarnings(list, inputs);
    yield* grainWarnings(list, inputs);
  }
  yield* slowWarnings(inputs);
  yield* leakWarnings(inputs);
  yield* oneFaceWarning(inputs);
}

/** Grain that reads as rocks beside the figures. @source craft.md §6 */
function* grainWarnings(list: CoatList, { figureHeightMm, catalogue }: Inputs): Generator<Warning> {
  const scale = figureHeightMm / catalogue.bench.personMm.value;
  for (const [i, { coat, coating }] of told(list, catalogue).entries()) {
    const look = grainLook(coating, scale);
    if (look === null || !look.isCoarse) continue;
    const finer = coating.finerId === null ? null : coatingBy(catalogue, coating.finerId);
    yield {
      id: `grain/coarse ${list.id} ${coat.id}`,
      code: 'grain/coarse',
      severity: 'care',
      featureId: null,
      title: list.name,
      text: [
        `${coating.name} looks like ${look.readsAs} beside the figures: up to `,
        given(
          'Largest grain at figure scale',
          Math.round(look.realMostMm),
          'mm',
          'catalogue',
          'real size divided by the scale of the board',
        ),
        ' across.',
      ],
      mends:
        finer === null
          ? []
          : [{ label: `Use ${finer.name.toLowerCase()}`, edit: list.put(changed(list.coats, i, { coatingId: finer.id })) }],
    };
  }
}

/** More to press in than there is time for on the largest tile. @source craft.md §6: within its workable time */
function* slowWarnings({ coats, catalogue, surfaces }: Inputs): Generator<Warning> {
  for (const need of coats) {
    const { coating, method, coat, area } = need;
    if (method.onto !== 'wet' || method.perH === null || coating.spread.by !== 'count') continue;
    const list = surfaces.find(({ id }) => id === (need.surfaceId as string));
    if (list === undefined) continue;
    const at = list.coats.indexOf(coat);
    const holder = list.coats
      .slice(0, at)
      .map(({ coatingId }) => coatingBy(catalogue, coatingId))
      .findLast(({ workableMin }) => workableMin !== null);
    if (holder === undefined || area.value <= 0) continue;
    const perM2 =
      coat.strewn === null
        ? estimated('On a square metre', coating.spread.perM2, '1/m²')
        : given('On a square metre', coat.strewn.perM2, '1/m²', 'plan');
    const count = calculate(`${coating.name}: count`, '1', area, '×', perM2);
    const time = hoursInMinutes(calculate('Time for all', 'h', count, '÷', estimated(`${method.name}, per hour`, method.perH, '1/h')));
    const workable = estimated(`${holder.name}, workable`, holder.workableMin!, 'min');
    if (time.value <= workable.value) continue;
    const stretches = calculate('Parts', '1', time, '⌈÷⌉', workable);
    yield {
      id: `coats/embed-slow ${list.id} ${coat.id}`,
      code: 'coats/embed-slow',
      severity: 'care',
      featureId: null,
      title: list.name,
      text: [
        `${coating.name} takes `,
        time,
        `, but ${holder.name.toLowerCase()} is workable only for `,
        workable,
        ': spread and press in ',
        stretches,
        ' stretches.',
      ],
      mends: [
        {
          label: 'Use fewer, so that one pot life is enough',
          edit: {
            code: 'coat/change',
            surfaceId: list.id,
            coatId: coat.id,
            what: 'Use fewer pieces',
            change: {
              strewn: {
                clumpPct: 0,
                feetPct: 0,
                ...coat.strewn,
                perM2: Math.max(1, Math.floor((perM2.value * workable.value) / time.value)),
              },
            },
          },
        },
      ],
    };
  }
}

/** Water that stands higher than the ground beside it. @source craft.md §6: gaps under the bank must be sealed */
function* leakWarnings({ ground, coats, units }: Inputs): Generator<Warning> {
  if (!coats.some(({ coating }) => coating.spread.by === 'depth')) return;
  for (const { featureId, name, waterMm, leaks } of banksOf({ ground })) {
    const [lowest] = leaks;
    if (lowest === undefined) continue;
    const holdsMm = Math.max(0.5, Math.floor((waterMm - lowest.belowMm) * 2) / 2);
    yield {
      id: `water/leak ${featureId}`,
      code: 'water/leak',
      severity: 'stop',
      featureId,
      title: name,
      text: [
        `leaks into ${lowest.into}: the bank between them is `,
        given('Lower than the water', lowest.belowMm, 'mm', 'drawing', `at ${lengthWords([lowest.at.x, lowest.at.y], units)}`),
        ' lower than the water.',
      ],
      mends:
        lowest.belowMm < waterMm
          ? [
              {
                label: `Fill only to ${lengthWords(holdsMm, units)}`,
                edit: { code: 'feature/set', featureId, change: { waterMm: holdsMm }, what: 'Reduce the fill of' },
              },
            ]
          : [],
    };
  }
}

/** Coats that wet only the top pull a thin board hollow. @source craft.md §3, §6 */
function* oneFaceWarning({ bow, coats, layers, catalogue }: Inputs): Generator<Warning> {
  const own = bow.parts.find(({ cause }) => cause === 'coats');
  const most = estimated('A tile may bow', catalogue.bench.bowMostMm, 'mm');
  const wet = coats.find(({ coating }) => coating.wets);
  if (own === undefined || wet === undefined || Math.abs(own.bow.value) <= most.value) return;
  yield {
    id: 'coats/one-face',
    code: 'coats/one-face',
    severity: 'care',
    featureId: null,
    title: 'One face wetted',
    text: [`${wet.coating.name} and the next coats wet only the top of the board. This alone bows it by `, own.bow, '.'],
    mends:
      layers.substrate === null || layers.substrate.sealed === 'both'
        ? []
        : [{ label: 'Seal both faces of the substrate first', edit: { code: 'layer/seal', layer: { kind: 'substrate' }, sealed: 'both' } }],
  };
}

import { type Catalogue, estimated, materialBy, stuffBy } from '../catalogue';
import { type Part, type PartList, jointLines, proposedSplits } from '../cutting';
import { type Ground, ZONE_NAMES, type Zones } from '../ground';
import { type Plan, ZONE_KINDS, type ZoneKind } from '../plan';
import { type BaseLayer, type BoardStack, type Bow, bowLevers, leversUnder } from '../stack';
import type { Mend } from './mends';
import type { Warning } from './warning';

/** Levers offered for a bow. */
const MAX_LEVERS = 3;

/** Checks of how the layers lie: bow, grain, joints right through, and solvent on bare foam. @source craft.md §3 */
export function* stackWarnings(
  plan: Plan,
  ground: Ground,
  zones: Zones,
  stack: BoardStack,
  bow: Bow,
  { parts }: PartList,
  catalogue: Catalogue,
): Generator<Warning> {
  yield* bowWarning(plan, ground, stack, bow, catalogue);
  yield* grainWarnings(plan, stack, catalogue);
  yield* jointWarnings(ground, parts, catalogue);
  yield* solventWarnings(plan, zones, catalogue);
}

const common = { severity: 'care', view: 'section', featureId: null } as const;

function* bowWarning(plan: Plan, ground: Ground, stack: BoardStack, bow: Bow, catalogue: Catalogue): Generator<Warning> {
  const most = estimated('A tile may bow', catalogue.bench.bowMostMm, 'mm');
  if (Math.abs(bow.likely.value) <= most.value) return;
  const levers = bowLevers(plan, ground, stack, bow, catalogue);
  // What is enough and harms no joint; where nothing is, several together, and else the strongest.
  const enough = levers.filter(({ likelyMm, isSound }) => likelyMm <= most.value && isSound).slice(0, MAX_LEVERS);
  const together = enough.length > 0 ? [] : leversUnder(plan, ground, most.value, catalogue);
  const mends: Mend[] =
    together.length > 0
      ? [{ code: 'stack/levers', deeds: together.map(({ deed }) => deed), label: together.map(({ label }) => label).join(' + ') }]
      : (enough.length > 0 ? enough : levers.slice(0, MAX_LEVERS)).map(({ deed, label }) => ({ ...deed, label }));
  yield {
    ...common,
    id: 'stack/bow',
    code: 'stack/bow',
    title: 'Bow',
    text: [
      'The largest tile is likely to bow ',
      bow.likely,
      ' over ',
      bow.span,
      ', at worst ',
      bow.worst,
      '; more than ',
      most,
      ' rocks and opens its seams.',
    ],
    mends,
  };
}

/** Two layers with a grain, one on the other, that do not cross: they bend and break the same way. */
function* grainWarnings(plan: Plan, stack: BoardStack, catalogue: Catalogue): Generator<Warning> {
  for (const [i, upper] of stack.base.entries()) {
    const lower = stack.base[i - 1];
    if (lower === undefined) continue;
    const [low, up] = [lower, upper].map(({ materialId }) => materialBy(catalogue, materialId));
    // Wood under foam is the stiff one whichever way the foam lies; like on like is what has to cross.
    if (!low!.hasGrain || !up!.hasGrain || low !== up || (lower.grain !== null && upper.grain !== null && lower.grain !== upper.grain))
      continue;
    yield {
      ...common,
      id: `stack/grain ${upper.id}`,
      code: 'stack/grain',
      title: `${up!.name}, layer ${i + 1} on ${i}`,
      text: [
        lower.grain === null || upper.grain === null
          ? 'Both have a grain, and it is not said which way it runs. Turned across each other they stay flatter.'
          : 'Both have their grain the same way: they bend and break together.',
      ],
      mends: crossed(lower, upper),
    };
  }
  const { raised } = plan.stack;
  const several = stack.raised.find(({ buildUp }) => (buildUp?.thicknessesMm.length ?? 0) > 1);
  if (several !== undefined && !raised.crossGrain && materialBy(catalogue, raised.materialId).hasGrain) {
    yield {
      ...common,
      id: 'stack/grain raised',
      code: 'stack/grain',
      title: 'Raised ground',
      text: [`${several.land.name} has several layers with their grain the same way.`],
      mends: [{ code: 'raised/cross-grain', label: 'Turn every second layer' }],
    };
  }
}

function crossed(lower: BaseLayer, upper: BaseLayer): Mend[] {
  const own = lower.grain ?? 'x';
  const across = own === 'x' ? 'y' : 'x';
  const grains = [
    ...(lower.grain === null ? [{ layerId: lower.id, grain: own } as const] : []),
    { layerId: upper.id, grain: across } as const,
  ];
  return [{ code: 'stack/grain', grains, label: 'Lay the upper one across the lower' }];
}

/** Joints of two layers that lie over each other: the stack breaks there. */
function* jointWarnings(ground: Ground, parts: readonly Part[], catalogue: Catalogue): Generator<Warning> {
  const stagger = estimated('Joints apart', catalogue.bench.jointStaggerMm, 'mm');
  const told = new Set<string>();
  for (const upper of parts.filter(({ id, level }) => id.includes('/') && level > 0)) {
    const root = upper.id.split('/')[0]!;
    if (told.has(root)) continue;
    const same = (part: Part): boolean => part.tileId === upper.tileId && part.stage === upper.stage && part.featureId === upper.featureId;
    const own = parts.filter((part) => part.id.split('/')[0] === root);
    const below = parts.filter((part) => same(part) && part.level === upper.level - 1);
    const isThrough = (['x', 'y'] as const).some((along) =>
      jointLines(own, along).some((line) => jointLines(below, along).some((other) => Math.abs(other - line) < stagger.value)),
    );
    if (!isThrough) continue;
    told.add(root);
    yield {
      ...common,
      id: `stack/joints ${root}`,
      code: 'stack/joints',
      title: own[0]!.name.replace(/, piece .*/, ''),
      text: ['Its joint lies less than ', stagger, ' from that of the layer below: the stack breaks there.'],
      mends: staggered(own, parts, ground, catalogue),
    };
  }
}

/** The part in as many pieces, with its joints moved off those of its neighbours. */
function staggered(own: readonly Part[], parts: readonly Part[], ground: Ground, catalogue: Catalogue): Mend[] {
  const whole = wholeOf(own);
  const along = jointLines(own, 'x').length > 0 ? 'x' : 'y';
  const longest = Math.max(...own.map((piece) => (along === 'x' ? piece.widthMm : piece.depthMm)));
  const sizeMm = along === 'x' ? whole.widthMm : whole.depthMm;
  const { jointStaggerMm } = catalogue.bench;
  // Pieces may grow by what the joint has to move, as long as there are as many of them.
  const most = Math.min(sizeMm - 1, longest + 2 * jointStaggerMm.value);
  const splits = proposedSplits(whole, (w, d) => (along === 'x' ? w : d) <= most, parts, ground, catalogue);
  return splits.length === 0 ? [] : [{ code: 'part/split', splits, label: 'Move its joint' }];
}

function wholeOf(own: readonly Part[]): Part {
  const [first] = own;
  const placed = own.filter(({ at }) => at !== null);
  const left = Math.min(...placed.map(({ at }) => at!.x));
  const top = Math.min(...placed.map(({ at }) => at!.y));
  const right = Math.max(...placed.map(({ at, widthMm }) => at!.x + widthMm));
  const bottom = Math.max(...placed.map(({ at, depthMm }) => at!.y + depthMm));
  return { ...first!, id: first!.id.split('/')[0]!, at: { x: left, y: top }, widthMm: right - left, depthMm: bottom - top };
}

/** A solvent-borne coat on foam that nothing has covered yet. */
function* solventWarnings(plan: Plan, zones: Zones, catalogue: Catalogue): Generator<Warning> {
  for (const zone of ZONE_KINDS) {
    if (zones.byKind[zone].coated.value <= 0) continue;
    const stuffs = plan.coats[zone].map(({ stuffId }) => stuffBy(catalogue, stuffId));
    const [first] = stuffs;
    const surface = materialBy(catalogue, surfaceOf(plan, zone));
    if (first === undefined || !first.hasSolvent || !surface.isHurtBySolvent) continue;
    const own = plan.coats[zone].find(({ stuffId }) => isSealer(stuffId, catalogue));
    const sealer =
      own ??
      starterSealer(
        catalogue,
        plan.coats[zone].map(({ id }) => id),
      );
    yield {
      ...common,
      severity: 'stop',
      id: `coats/solvent ${zone}`,
      code: 'coats/solvent',
      title: ZONE_NAMES[zone],
      text: [`${first.name} on bare ${surface.name} eats it. Something without solvent has to cover the foam first.`],
      mends:
        sealer === null ? [] : [{ code: 'coats/first', zone, coat: sealer, label: `${stuffBy(catalogue, sealer.stuffId).name} first` }],
    };
  }
}

const isSealer = (stuffId: string, catalogue: Catalogue): boolean => {
  const { family, hasSolvent } = stuffBy(catalogue, stuffId);
  return family === 'sealer' && !hasSolvent;
};

/** What lies uppermost on a kind of surface. */
const surfaceOf = ({ stack }: Plan, zone: ZoneKind): string =>
  stack.facings[zone].at(-1)?.materialId ?? (zone === 'raised' ? stack.raised.materialId : stack.ground.at(-1)!.materialId);

/** The sealing coat a new board starts with. */
function starterSealer({ starter, ...catalogue }: Catalogue, taken: readonly string[]): Plan['coats']['open'][number] | null {
  const use = starter.coats.open.find(({ stuffId }) => isSealer(stuffId, { starter, ...catalogue }));
  if (use === undefined) return null;
  const id = `${use.stuffId}-${use.methodId}`;
  return { id: taken.includes(id) ? `${id}-first` : id, ...use, filmMm: null };
}

import { type Bow, type LeverInputs, bowLevers, leversUnder } from '../../build/stack/bow';
import { atOnce } from '../../plan/edits';
import { type Part, isPieceOf, jointLines, proposedSplits } from '../../build/cutting/parts';
import { type Catalogue, estimated, materialBy } from '../../catalogue';
import type { Ground } from '../../terrain/ground';
import type { Plan } from '../../plan';
import type { BaseLayer } from '../../build/stack/joint';
import type { BoardStack } from '../../build/stack';
import type { QuickFix, Warning } from './warning';

/** Levers offered for a bow. */
const MAX_LEVERS = 3;

/** Checks of how the layers lie: bow, grain, and joints right through. @source craft.md §3 */
export function* stackWarnings(inputs: GrainInputs & JointInputs): Generator<Warning> {
  yield* grainWarnings(inputs);
  yield* jointWarnings(inputs);
}

const common = { severity: 'care', featureId: null } as const;

/** A bow that rocks, with what would lower it. */
export function* bowWarnings({ bow, ...inputs }: LeverInputs & { readonly bow: Bow }): Generator<Warning> {
  const { catalogue } = inputs;
  const most = estimated('A tile may bow', catalogue.bench.bowMostMm, 'mm');
  if (Math.abs(bow.likely.value) <= most.value) return;
  const levers = bowLevers({ ...inputs, bow });
  // What is enough and harms no joint; where nothing is, several together, and else the strongest.
  const enough = levers.filter(({ likelyMm, isSound }) => likelyMm <= most.value && isSound).slice(0, MAX_LEVERS);
  const together = enough.length > 0 ? [] : leversUnder(inputs, most.value);
  const mends: QuickFix[] =
    together.length > 0
      ? [
          {
            edit: atOnce(
              together.map(({ edit }) => edit),
              'Apply fixes',
            ),
            label: together.map(({ label }) => label).join(' + '),
          },
        ]
      : (enough.length > 0 ? enough : levers.slice(0, MAX_LEVERS)).map(({ edit, label }) => ({ edit, label }));
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
      '. Above ',
      most,
      ' the tile rocks and its seams open.',
    ],
    mends,
  };
}

/** Two layers with a grain, one on the other, that do not cross: they bend and break the same way. */
interface GrainInputs {
  readonly layers: Plan['stack'];
  readonly stack: Pick<BoardStack, 'base' | 'raised'>;
  readonly catalogue: Catalogue;
}
function* grainWarnings({ layers, stack, catalogue }: GrainInputs): Generator<Warning> {
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
          ? 'Both layers have a grain, but its direction is not set. Crossed grains stay flatter.'
          : 'Both layers have their grain in the same direction, so they bend and break together.',
      ],
      mends: crossed(lower, upper),
    };
  }
  const { raised } = layers;
  const several = stack.raised.find(({ buildUp }) => (buildUp?.thicknessesMm.length ?? 0) > 1);
  if (several !== undefined && !raised.crossGrain && materialBy(catalogue, raised.materialId).hasGrain) {
    yield {
      ...common,
      id: 'stack/grain raised',
      code: 'stack/grain',
      title: 'Raised ground',
      text: [`${several.land.name} has several layers with their grain in the same direction.`],
      mends: [{ edit: { code: 'raised/cross-grain', crossGrain: true }, label: 'Turn every second layer' }],
    };
  }
}

function crossed(lower: BaseLayer, upper: BaseLayer): QuickFix[] {
  const own = lower.grain ?? 'x';
  const across = own === 'x' ? 'y' : 'x';
  const grains = [
    ...(lower.grain === null ? [{ layer: lower.ref, grain: own } as const] : []),
    { layer: upper.ref, grain: across } as const,
  ];
  return [{ edit: { code: 'layer/grain', grains }, label: 'Turn the upper layer across the lower' }];
}

/** Joints of two layers that lie over each other: the stack breaks there. */
interface JointInputs {
  readonly ground: Ground;
  readonly parts: readonly Part[];
  readonly catalogue: Catalogue;
}
function* jointWarnings({ ground, parts, catalogue }: JointInputs): Generator<Warning> {
  const stagger = estimated('Joint distance', catalogue.bench.jointStaggerMm, 'mm');
  const told = new Set<string>();
  for (const upper of parts.filter((part) => isPieceOf(part) && part.level > 0)) {
    const { wholeId, wholeName } = upper;
    if (told.has(wholeId)) continue;
    const same = (part: Part): boolean =>
      part.workpieceId === upper.workpieceId && part.stage === upper.stage && part.featureId === upper.featureId;
    const own = parts.filter((part) => part.wholeId === wholeId);
    const below = parts.filter((part) => same(part) && part.level === upper.level - 1);
    const isThrough = (['x', 'y'] as const).some((along) =>
      jointLines(own, along).some((line) => jointLines(below, along).some((other) => Math.abs(other - line) < stagger.value)),
    );
    if (!isThrough) continue;
    told.add(wholeId);
    yield {
      ...common,
      id: `stack/joints ${wholeId}`,
      code: 'stack/joints',
      title: wholeName,
      text: ['Its joint lies less than ', stagger, ' from a joint in the layer below, so the tile may break there.'],
      mends: staggered(own, parts, ground, catalogue),
    };
  }
}

/** The part in as many pieces, with its joints moved off those of its neighbours. */
function staggered(own: readonly Part[], parts: readonly Part[], ground: Ground, catalogue: Catalogue): QuickFix[] {
  const whole = wholeOf(own);
  const along = jointLines(own, 'x').length > 0 ? 'x' : 'y';
  const longest = Math.max(...own.map((piece) => (along === 'x' ? piece.widthMm : piece.depthMm)));
  const sizeMm = along === 'x' ? whole.widthMm : whole.depthMm;
  const { jointStaggerMm } = catalogue.bench;
  // Pieces may grow by what the joint has to move, as long as there are as many of them.
  const most = Math.min(sizeMm - 1, longest + 2 * jointStaggerMm.value);
  const splits = proposedSplits(whole, (w, d) => (along === 'x' ? w : d) <= most, { parts, ground, catalogue });
  return splits.length === 0 ? [] : [{ edit: { code: 'part/split', splits }, label: 'Move its joint' }];
}

function wholeOf(own: readonly Part[]): Part {
  const [first] = own;
  const placed = own.filter(({ at }) => at !== null);
  const left = Math.min(...placed.map(({ at }) => at!.x));
  const top = Math.min(...placed.map(({ at }) => at!.y));
  const right = Math.max(...placed.map(({ at, widthMm }) => at!.x + widthMm));
  const bottom = Math.max(...placed.map(({ at, depthMm }) => at!.y + depthMm));
  return { ...first!, id: first!.wholeId, name: first!.wholeName, at: { x: left, y: top }, widthMm: right - left, depthMm: bottom - top };
}

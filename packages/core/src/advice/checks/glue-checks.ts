import { type GlueSpread, type Plan, sealedAt } from '../../plan';
import { type Adhesive, type Catalogue, adhesiveBy, materialBy } from '../../catalogue';
import type { BoardStack } from '../../build/stack';
import type { Joint } from '../../build/stack/joint';
import { type GlueFit, glueFit } from '../../build/stack/adhesives';
import { lengthWords } from '../../base/units';
import type { QuickFix, Warning } from './warning';

interface Inputs {
  readonly layers: Plan['stack'];
  readonly units: Plan['units'];
  readonly joints: BoardStack['joints'];
  readonly catalogue: Catalogue;
}

/** Mends offered at most for one joint: a choice, not a list. */
const MAX_MENDS = 3;

/** Adhesives that cannot do their work between the faces they are put on, and spots under what will be worked. @source craft.md §3 */
export function* glueWarnings(inputs: Inputs): Generator<Warning> {
  const { joints, units, catalogue } = inputs;
  const seen = new Set<string>();
  for (const joint of joints) {
    const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
    const fit = glueFit(adhesive, joint.lower, joint.upper, joint.spread, catalogue);
    const spots = fit === 'holds' && joint.isWorked && joint.spread === 'beads';
    // All raised ground shares one adhesive: one warning of a kind, not one a layer.
    const where = joint.place.part === 'raised' ? 'raised' : joint.id;
    if (fit === 'holds' && !spots) continue;
    const code = fit === 'holds' ? 'glue/spots' : (`glue/${fit}` as const);
    if (seen.has(`${code} ${where}`)) continue;
    seen.add(`${code} ${where}`);
    yield {
      id: `${code} ${where}`,
      code,
      severity: fit === 'dissolves' ? 'stop' : 'care',
      featureId: joint.featureId,
      title: joint.place.part === 'raised' ? 'Raised ground' : joint.label,
      text: [spots ? spotText(adhesive) : fitText(fit, adhesive, joint, units, catalogue)],
      mends: mendsFor(joint, adhesive, inputs),
    };
  }
}

const spotText = ({ name }: Adhesive): string =>
  `${name} in beads leaves air under a layer that will be pressed, scored or textured, so it may come loose. Glue the whole face.`;

function fitText(fit: GlueFit, { name }: Adhesive, { lower, upper }: Joint, units: Plan['units'], catalogue: Catalogue): string {
  const nameOf = (face: Joint['lower']): string => `${materialBy(catalogue, face.materialId).name}${face.isSealed ? ', sealed' : ''}`;
  const faces = [...new Set([nameOf(lower), nameOf(upper)])].join(' and ');
  switch (fit) {
    case 'dissolves':
      return `${name} dissolves ${faces}.`;
    case 'slips':
      return `${name} does not stick to ${faces}. It peels off.`;
    case 'buckles':
      return `A film of ${name.toLowerCase()} under ${lengthWords(upper.thicknessMm, units)} of ${nameOf(upper)} makes it buckle.`;
    case 'never-dries':
      return `${name} dries by giving off water, but neither face of ${faces} lets water through. It stays wet in the middle for days.`;
    case 'holds':
      return '';
    default:
      throw fit satisfies never;
  }
}

const SPREAD_MENDS: Readonly<Record<GlueSpread, string>> = {
  full: 'Spread it over the whole face',
  beads: 'Apply it in beads',
  vented: 'Punch vent holes through the upper sheet',
};

/** Another way of laying it on, a face left bare, or another adhesive: only what really clears the joint it is offered for. */
function mendsFor(joint: Joint, current: Adhesive, { layers, catalogue }: Inputs): QuickFix[] {
  const mends: QuickFix[] = [];
  for (const spread of current.spreads) {
    if (spread !== joint.spread && works(current, joint, spread, catalogue)) {
      mends.push({ edit: { code: 'glue/set', place: joint.place, spread }, label: SPREAD_MENDS[spread] });
    }
  }
  const { lowerLayer } = joint;
  if (
    lowerLayer !== null &&
    joint.lower.isSealed &&
    works(current, { ...joint, lower: { ...joint.lower, isSealed: false } }, joint.spread, catalogue)
  ) {
    mends.push({
      edit: { code: 'layer/seal', layer: lowerLayer, sealed: sealedAt(layers, lowerLayer) === 'both' ? 'under' : 'none' },
      label: `Leave the glued face of ${lowerLayer.kind === 'substrate' ? 'the substrate' : 'the layer below'} unsealed`,
    });
  }
  const others = catalogue.adhesives
    .filter((other) => other.id !== current.id && works(other, joint, spreadWith(other, joint.spread), catalogue))
    // Strength before haste: by time to full cure.
    .sort((a, b) => b.fullMin - a.fullMin || a.gPerM2.value - b.gPerM2.value)
    .map((other): QuickFix => ({
      edit: { code: 'glue/set', place: joint.place, adhesiveId: other.id },
      label: `Use ${other.name.toLowerCase()}`,
    }));
  return [...mends, ...others].slice(0, Math.max(MAX_MENDS, mends.length));
}

/** How another adhesive would be laid on where the plan says `spread`. */
const spreadWith = ({ spreads }: Adhesive, spread: GlueSpread): GlueSpread => (spreads.includes(spread) ? spread : spreads[0]!);

const works = (adhesive: Adhesive, joint: Joint, spread: GlueSpread, catalogue: Catalogue): boolean =>
  !(joint.isWorked && spread === 'beads') && glueFit(adhesive, joint.lower, joint.upper, spread, catalogue) === 'holds';

import { type Adhesive, type Catalogue, adhesiveBy, materialBy } from '../catalogue';
import type { CutJob } from '../cutting';
import type { Plan } from '../plan';
import { type BoardStack, type Joint, glueFit } from '../stack';
import { given } from '../units';
import type { Mend } from './mends';
import type { Warning } from './warning';

/** Mends offered at most for one joint: a choice, not a list. */
const MAX_MENDS = 2;

/** Adhesives that cannot do their work between the faces they are put on. @source craft.md §3 */
export function* glueWarnings(stack: BoardStack, catalogue: Catalogue): Generator<Warning> {
  const seen = new Set<string>();
  for (const joint of stack.joints) {
    const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
    const fit = glueFit(adhesive, joint.lowerMaterialId, joint.upperMaterialId, catalogue);
    // All raised ground shares one adhesive: one warning, not one a layer.
    const where = joint.featureId === null ? joint.id : 'raised';
    if (fit === 'holds' || seen.has(where)) continue;
    seen.add(where);
    const faces = [...new Set([joint.lowerMaterialId, joint.upperMaterialId])].map((id) => materialBy(catalogue, id).name).join(' and ');
    yield {
      id: `glue/${fit} ${where}`,
      code: `glue/${fit}`,
      severity: fit === 'dissolves' ? 'stop' : 'care',
      view: 'section',
      featureId: joint.featureId,
      title: joint.featureId === null ? joint.label : 'Raised ground',
      text:
        fit === 'dissolves'
          ? [`${adhesive.name} eats ${faces}.`]
          : [`${adhesive.name} gives off water, and neither face of ${faces} lets it out: it stays wet in the middle for days.`],
      mends: otherGlues(joint, adhesive, catalogue).map((other) => glueMend(joint, other)),
    };
  }
}

/** Adhesives that hold this pair, the quickest to handle last: strength before haste, so by time to full cure. */
function otherGlues(joint: Joint, current: Adhesive, catalogue: Catalogue): Adhesive[] {
  return catalogue.adhesives
    .filter((other) => other.id !== current.id && glueFit(other, joint.lowerMaterialId, joint.upperMaterialId, catalogue) === 'holds')
    .sort((a, b) => b.fullMin - a.fullMin || a.gPerM2.value - b.gPerM2.value)
    .slice(0, MAX_MENDS);
}

function glueMend(joint: Joint, adhesive: Adhesive): Mend {
  const label = `Use ${adhesive.name.toLowerCase()}`;
  return joint.featureId === null
    ? { code: 'glue/ground', layerId: joint.id.replace(/^under-/, ''), adhesiveId: adhesive.id, label }
    : { code: 'glue/raised', adhesiveId: adhesive.id, label };
}

/** Parts that fit no sheet. Base parts are mended by splitting the tile; raised parts follow their tile. */
export function* cutWarnings(plan: Plan, jobs: readonly CutJob[]): Generator<Warning> {
  const offered = new Set<string>();
  for (const job of jobs) {
    for (const id of job.layout.tooLarge) {
      const part = job.parts.find((candidate) => candidate.id === id)!;
      const size = [given('Part, width', part.widthMm, 'mm', 'drawing'), ' × ', given('Part, depth', part.depthMm, 'mm', 'drawing')];
      const mends = splitMends(plan, part.tileId, part.widthMm >= part.depthMm);
      // One warning a job and tile is enough: the split mends all parts of it.
      const key = `${job.key} ${part.tileId}`;
      if (offered.has(key)) continue;
      offered.add(key);
      yield {
        id: `cut/too-large ${key}`,
        code: 'cut/too-large',
        severity: 'stop',
        view: 'cuts',
        featureId: part.featureId,
        title: part.name,
        text:
          job.sheet === null
            ? [`No sheet of ${job.name} is stocked. Choose another thickness in Section.`]
            : [
                'measures ',
                ...size,
                `; the largest sheet of ${job.name} takes ${job.sheet.widthMm - 2 * job.rule.trimMm} × ${job.sheet.depthMm - 2 * job.rule.trimMm} mm after trimming.`,
              ],
        mends: job.sheet === null ? [] : mends,
      };
    }
  }
}

function splitMends(plan: Plan, tileId: string, isWide: boolean): Mend[] {
  const column = tileId.charCodeAt(0) - 65;
  const row = Number(tileId.slice(1)) - 1;
  const split = (along: 'columns' | 'rows', index: number): Mend => ({
    code: 'tiles/split',
    along,
    index,
    into: 2,
    label: along === 'columns' ? `Split column ${tileId[0]} in two` : `Split row ${row + 1} in two`,
  });
  const { columnWidthsMm, rowDepthsMm } = plan.table;
  const mends = [
    ...(columnWidthsMm.length < 12 ? [split('columns', column)] : []),
    ...(rowDepthsMm.length < 12 ? [split('rows', row)] : []),
  ];
  return isWide ? mends : mends.reverse();
}

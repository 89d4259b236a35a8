import { describe, expect, test } from 'vitest';
import { areaMm2 } from '../../../../base/geometry';
import { appliedTo } from '../../../../plan/edits';
import type { Plan } from '../../../../plan';
import { derivePipeline } from '../../../../pipeline';
import { CATALOGUE, aBoard } from '../../../../testing';
import { type MadePiece, makePiece, newPiece } from '../..';
import { chordAt, drawnPlan } from './emplacement-plan';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const made = (settings: Readonly<Record<string, string | number | boolean>>): MadePiece => {
  const piece = newPiece('emplacement', 'one', SCALE, [], CATALOGUE);
  return makePiece({ ...piece, settings: { ...piece.settings, ...settings } }, SCALE, CATALOGUE);
};

describe('an emplacement', () => {
  test.each([
    ['0,0 100,0 130,40 100,80 0,80', 'Back', 2],
    // Turns inwards at one corner: that wall is a front as well.
    ['0,40 40,0 70,25 100,0 140,40 140,100 0,100', 'Back', 4],
  ])('drawn as %s has its door behind and %s', (trace, back, fronts) => {
    const plan = drawnPlan(trace);
    if (!plan.ok) throw new Error(plan.problem.says);
    expect(plan.value.names[plan.value.back]).toBe(back);
    expect(plan.value.ring[plan.value.back]!.y).toBe(Math.max(...plan.value.ring.map(({ y }) => y)));
    expect(plan.value.fronts).toHaveLength(fronts);
    expect(made({ plan: 'drawn', trace, roof: 'on-walls', doorWidthMm: 20, embrasureMm: 8 }).problem).toBeNull();
  });
  test('a roof between walls needs two that face each other: a triangle has none', () => {
    const { problem } = made({ plan: 'drawn', trace: '0,0 120,0 60,100', roof: 'on-ledge' });
    expect(problem?.field).toBe('roof');
  });
  test('its platform and the floor behind it are its whole plan; the riser stands under the free edge, between two walls', () => {
    const { problem, shape, objects } = made({ platformMm: 12, platformDeepMm: 50 });
    expect(problem).toBeNull();
    const [floor, platform] = shape!.levels.map(({ ring }) => areaMm2({ rings: [ring] }));
    const { assembly, bodies } = objects[0]!;
    const whole = assembly.faces.find(({ id }) => id === 'floor')!.corners.map(([x, y]) => ({ x, y }));
    expect(floor! + platform!).toBeCloseTo(areaMm2({ rings: [whole] }), 1);
    const riser = bodies.find(({ id }) => id === 'riser')!;
    const sheet = objects[0]!.sheets.find(({ id }) => id === 'riser')!;
    const chord = chordAt(whole, 50)!;
    const wide = sheet.blank.rings[0]!.map(({ x }) => x);
    expect(Math.max(...wide) - Math.min(...wide)).toBeCloseTo(chord[1] - chord[0], 2);
    const high = sheet.blank.rings[0]!.map(({ y }) => y);
    // Under the platform's own thickness.
    const thickMm = riser.kind === 'plate' ? riser.thicknessMm : 0;
    expect(Math.max(...high) - Math.min(...high)).toBeCloseTo(12 - thickMm, 2);
  });
  test('a platform higher than figures climb is told, and made lower with a click', () => {
    const plan: Plan = { ...aBoard(), pieces: [{ ...made({ platformMm: 25, platformDeepMm: 50 }).piece }] };
    const told = (of: Plan) => derivePipeline()(of, CATALOGUE).warnings.filter(({ code }) => code === 'piece/step');
    expect(told(plan).map(({ text }) => text[0])).toEqual(['Platform: a step of ']);
    expect(told(appliedTo(plan, told(plan)[0]!.mends[0]!.edit))).toEqual([]);
  });
  test('buttresses stand on blind walls alone, as deep over the wall as asked', () => {
    const { objects } = made({ buttresses: 2, buttressMm: 14 });
    const ribs = objects[0]!.bodies.filter(({ id }) => id.startsWith('buttress-'));
    expect(ribs).toHaveLength(4);
    const [rib] = ribs;
    if (rib?.kind !== 'plate') throw new Error('no plate');
    const xs = rib.loops[0]!.drawn.map(({ x }) => x);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(14, 6);
  });
  test('a roof that is glued on stays on', () => {
    expect(made({ isRoofFixed: true }).shape!.liftsOff).toEqual([]);
    expect(made({}).shape!.liftsOff).toHaveLength(1);
  });
  test('scored and folded, its corners open by tan of half the turn each way, and are filled as long as the wall is high', () => {
    const strips = made({ corners: 'score-fold', embrasures: false }).facts!.fillStrips!;
    // Five corners are folded; the sixth is where the strip of walls is closed.
    expect(strips.value).toBeCloseTo(
      5 *
        made({}).objects[0]!.bodies.reduce(
          (most, body) =>
            body.id === 'wall-1' && body.kind === 'plate'
              ? Math.max(...body.loops[0]!.drawn.map(({ y }) => y)) - Math.min(...body.loops[0]!.drawn.map(({ y }) => y))
              : most,
          0,
        ),
      3,
    );
    const piece = made({ corners: 'score-fold', embrasures: false }).piece;
    expect(makePiece({ ...piece, count: 3 }, SCALE, CATALOGUE).facts!.fillStrips!.value).toBeCloseTo(3 * strips.value, 6);
    expect(made({ corners: 'mitre' }).facts!.fillStrips).toBeNull();
  });
  test('a glued roof still gives a hand its door', () => {
    expect(made({ isRoofFixed: true }).shape!.levels.every(({ openedBy }) => openedBy !== undefined)).toBe(true);
  });
});

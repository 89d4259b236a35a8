import { expect, test } from 'vitest';
import { derivePipeline } from '../pipeline';
import { brinefold } from '../demo';
import { heightsIn } from '../stack';
import { CATALOGUE } from '../testing';
import { fieldOf, heightAtCell } from './height-field';
import { solidOf } from './solid';
import { tableBox } from './tiles';

const plan = brinefold(CATALOGUE);
const { ground, stack } = derivePipeline()(plan, CATALOGUE);
const field = fieldOf(ground, tableBox(plan.table), 2, heightsIn(stack));

test('the solid is closed: every edge belongs to two triangles that run along it in opposite directions', () => {
  const small = { ...field, cols: 12, rows: 9, heightMm: field.heightMm.slice(0, 108) };
  const { indices } = solidOf(small, 30);
  const directed = new Set<string>();
  for (let i = 0; i < indices.length; i += 3) {
    for (const [a, b] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ] as const) {
      const edge = `${indices[i + a]} ${indices[i + b]}`;
      expect(directed.has(edge)).toBe(false);
      directed.add(edge);
    }
  }
  for (const edge of directed) expect(directed.has(edge.split(' ').reverse().join(' '))).toBe(true);
});

test('its volume by the divergence theorem is the area times the mean height over the underside, and it faces outwards', () => {
  const flat = { ...field, cols: 10, rows: 5, cellMm: 4, heightMm: new Float32Array(50).fill(7) };
  const { positions, indices } = solidOf(flat, 30);
  let six = 0;
  const corner = (i: number): [number, number, number] => [positions[3 * i]!, positions[3 * i + 1]!, positions[3 * i + 2]!];
  for (let i = 0; i < indices.length; i += 3) {
    const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [corner(indices[i]!), corner(indices[i + 1]!), corner(indices[i + 2]!)];
    six += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }
  expect(six / 6).toBeCloseTo(40 * 20 * 37, 0);
});

test('the round look and the section show the same heights along the same line', () => {
  const { from, to } = plan.section;
  const section = derivePipeline()(plan, CATALOGUE).section;
  const groundMm = stack.ground.value;
  let compared = 0;
  for (const share of Array.from({ length: 400 }, (_, i) => (i + 0.5) / 400)) {
    const atMm = section.lengthMm * share;
    const layers = section.slabs
      .filter(({ what }) => what === 'layer')
      .flatMap(({ runs }) => runs.filter((run) => run.fromMm <= atMm && atMm <= run.toMm));
    const tops = layers.map(({ topMm }) => topMm);
    const point = { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
    // Within two cells of a face the grid and the drawing may stand on either side of it.
    const around = [-4, 0, 4].flatMap((dx) => [-4, 0, 4].map((dy) => heightAtCell(field, { x: point.x + dx, y: point.y + dy })));
    if (Math.max(...around) - Math.min(...around) > 2) continue;
    compared += 1;
    expect(Math.abs(Math.max(...tops) - groundMm - heightAtCell(field, point))).toBeLessThan(0.6);
  }
  expect(compared).toBeGreaterThan(200);
});

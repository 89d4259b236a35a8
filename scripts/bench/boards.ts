/** Boards that the bench measures on, beside the demo board. */
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { seeded } from '@spare-acre/core/base/random';
import { type Feature, type FeatureKind, newFeature } from '@spare-acre/core/plan/features';
import { type Plan, newPlan } from '@spare-acre/core/plan';
import { rectangle } from '@spare-acre/core/plan/shapes';

/** 24 tiles with 200 features of all kinds and shapes. */
export function crowdedBoard(): Plan {
  const random = seeded(7);
  const board = newPlan(
    { name: 'Crowded', units: 'metric', widthMm: 3000, depthMm: 2000, columns: 6, rows: 4, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const features = Array.from({ length: 200 }, (_, i): Feature => {
    const [x, y] = [Math.round(random() * 2800), Math.round(random() * 1800)];
    const shapes: Feature['shape'][] = [
      {
        form: 'strip',
        points: [
          { x, y },
          { x: x + 200, y: y + 120 },
          { x: x + 450, y },
        ],
        widthMm: 30 + Math.round(random() * 40),
        bendMm: 60,
      },
      { form: 'round', centre: { x, y }, radiusMm: 20 + Math.round(random() * 60) },
      rectangle({ x, y }, { x: x + 150, y: y + 90 }),
    ];
    const kinds: FeatureKind[] = ['raised', 'pit', 'water', 'route'];
    return newFeature(board, kinds[i % 4]!, shapes[i % 3]!, `f${i}`, catalogue);
  });
  return { ...board, features };
}

/** 1800 × 1200 mm with sixty features of all kinds: the table that the play checks are measured on. */
export function largeTable(): Plan {
  const random = seeded(11);
  const board = newPlan(
    { name: 'Large', units: 'metric', widthMm: 1800, depthMm: 1200, columns: 3, rows: 2, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const kinds: FeatureKind[] = ['raised', 'pit', 'bank', 'plot', 'wall', 'water'];
  const features = Array.from({ length: 60 }, (_, i): Feature => {
    const [x, y] = [Math.round(random() * 1600), Math.round(random() * 1050)];
    const kind = kinds[i % kinds.length]!;
    const line = [
      { x, y },
      { x: x + 150, y: y + 60 },
    ];
    const shape: Feature['shape'] =
      kind === 'bank' || kind === 'wall'
        ? { form: 'strip', points: line, widthMm: kind === 'wall' ? 8 : 50, bendMm: 0 }
        : rectangle({ x, y }, { x: x + 120, y: y + 80 });
    return newFeature(board, kind, shape, `f${i}`, catalogue);
  });
  return { ...board, features };
}

/** Nine square tiles: bare edges (the most tables), roads of four sorts of edge (few), and one that fits in no way. */
export function nineTiles(sort: 'bare' | 'roads'): Plan {
  const board = newPlan(
    { name: sort, units: 'metric', widthMm: 1200, depthMm: 1200, columns: 3, rows: 3, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const features = Array.from({ length: 9 }, (_, i): Feature[] => {
    const [left, top] = [(i % 3) * 400, Math.floor(i / 3) * 400];
    const mound = newFeature(
      board,
      'raised',
      rectangle({ x: left + 90 + i * 6, y: top + 110 }, { x: left + 190 + i * 9, y: top + 180 + i * 4 }),
      `m${i}`,
      catalogue,
    );
    if (sort === 'bare') return [mound];
    const road = (id: string, from: readonly [number, number], to: readonly [number, number]): Feature =>
      newFeature(
        board,
        'route',
        { form: 'strip', points: [from, to].map(([x, y]) => ({ x: left + x, y: top + y })), widthMm: 60, bendMm: 0 },
        id,
        catalogue,
      );
    return [
      mound,
      ...(i % 2 === 0 ? [road(`x${i}`, [0, 300], [400, 300])] : []),
      ...(i % 3 === 0 ? [road(`y${i}`, [200, 0], [200, 400])] : []),
    ];
  }).flat();
  return { ...board, features };
}

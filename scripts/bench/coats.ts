import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import { potsOf } from '@spare-acre/core/finishing/paint';
import { coloured, layUnits } from '@spare-acre/core/finishing/patterns';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { type Coat, laidIn, starterCoats } from '@spare-acre/core/plan';
import { scattered } from '@spare-acre/core/finishing/scatter';
import { SwatchBench, type SwatchRecipe } from '@spare-acre/core/finishing/swatch';
import { seeded } from '@spare-acre/core/base/random';
import { type Region, areaMm2 } from '@spare-acre/core/base/geometry';
import { ms, timed } from './timed';

/** Ground of no even measure: nothing on it happens to fit. */
const CROOKED: Region = {
  rings: [
    [
      { x: 13.7, y: 7.3 },
      { x: 611.2, y: 41.9 },
      { x: 583.4, y: 401.1 },
      { x: 297.8, y: 303.6 },
      { x: 29.5, y: 377.2 },
    ],
  ],
};

/** Ten coats of three recipes one on another, every colour another: nothing is remembered from the run before. */
const ten = (round: number): readonly Coat[] => {
  const all = ['cobble', 'plank', 'rusted-plate'].flatMap((id) =>
    starterCoats(catalogue.starter.surfaces.find((one) => one.id === id)!.coats),
  );
  return all
    .filter(({ methodId }) => methodId !== 'soak')
    .slice(0, 10)
    .map((coat, i) => ({ ...coat, id: `c${i}`, thin: (round % 7) / 10 }));
};

/** Swatches, Brinefold's coats, things strewn and ground laid in units. */
export function coatRows(): string[][] {
  const rows: string[][] = [];
  const measure = (name: string, wanted: string, work: (round: number) => unknown): void => {
    let round = 0;
    const { median, p95 } = timed(() => void work(++round), 2, 9);
    rows.push([name, ms(median), ms(p95), wanted]);
  };
  const bench = new SwatchBench(catalogue, () => potsOf(catalogue, []));
  const recipe = (coats: readonly Coat[], seed: number, relief: SwatchRecipe['relief'] = 'flag'): SwatchRecipe => ({
    relief,
    units: null,
    unitTints: [],
    coats,
    seed,
  });
  measure('swatch of 512 × 512, ten coats, relief and all', '350 ms', (round) => bench.make(recipe(ten(round), round)));
  bench.make(recipe(ten(0), 1));
  for (const at of [1, 5, 8])
    measure(`one of its coats changed, number ${at + 1}`, '60 ms', (round) =>
      bench.make(
        recipe(
          ten(0).map((coat, i) => (i === at ? { ...coat, thin: (round % 19) + 0.5 } : coat)),
          1,
        ),
      ),
    );

  const derive = derivePipeline();
  const plan = brinefold(catalogue);
  derive(plan, catalogue);
  measure('coats, mixes and matrix of Brinefold, one film changed', '10 ms', (round) => {
    const surfaces = plan.surfaces.map((surface, i) =>
      i === 0
        ? { ...surface, coats: surface.coats.map((coat, j) => (j === 0 ? { ...coat, filmMm: 1 + (round % 9) * 0.2 } : coat)) }
        : surface,
    );
    const { coats, coatings, mixes, matrix } = derive({ ...plan, surfaces }, catalogue);
    return [coats, coatings, mixes, matrix];
  });
  const sizeMm = { least: 2, most: 9 };
  measure('2,000 things strewn, evenly', '100 ms', (round) => scattered({ region: CROOKED, count: 2_000, sizeMm }, seeded(round)));
  measure('2,000 things strewn, thicker here than there', '100 ms', (round) =>
    scattered(
      { region: CROOKED, count: 2_000, sizeMm, weightAt: ({ x, y }) => 0.4 + 3 * Math.max(0, Math.sin(x / 40) * Math.sin(y / 30)) },
      seeded(round),
    ),
  );
  for (const pattern of catalogue.patterns) {
    const laid = { ...laidIn(pattern, 1 / 60), longMm: 6.7, wideMm: 4.7, jointMm: 0.5 };
    let count = 0;
    let isProper = true;
    measure(`${pattern.name}, laid and coloured in four tints`, '150 ms', (round) => {
      const units = layUnits({
        pattern,
        laid,
        region: CROOKED,
        extent: { fromMm: 0, toMm: 620, leftMm: 0, rightMm: 410 },
        at: (x, y) => ({ x, y }),
        seed: round,
      });
      if (!units.ok) throw new Error(units.problem.code);
      const beside = units.value.map((unit) => unit.beside);
      const tints = coloured(beside, [3, 3, 2, 2], seeded(round));
      count = units.value.length;
      isProper &&= tints.ok && beside.every((own, i) => own.every((j) => tints.value.tintOf[i] !== tints.value.tintOf[j]));
    });
    rows.at(-1)![0] += ` (${count.toLocaleString('en-GB')}${isProper ? ', no neighbours alike' : ', SOME NEIGHBOURS ALIKE'})`;
  }
  return rows;
}

/** How far blue noise keeps its things apart, of the tightest packing there is: 1 is that packing, chance alone some 0.02. */
export function apartRows(): string[][] {
  return [200, 800, 2_000].map((count) => {
    const shares = Array.from({ length: 5 }, (_, i) => {
      const { leastMm } = scattered({ region: CROOKED, count, sizeMm: { least: 2, most: 9 } }, seeded(i + 1));
      return leastMm / Math.sqrt((2 / Math.sqrt(3)) * (areaMm2(CROOKED) / count));
    });
    return [count.toLocaleString('en-GB'), (shares.reduce((sum, share) => sum + share, 0) / shares.length).toFixed(2)];
  });
}

import type { z } from 'zod';
import type { Random } from '../base/random';
import type { PieceFamilyDefinition, PieceScale, StockRole } from '../build/pieces';
import type { StockSizes } from '../build/shell';

/** Settings as a builder might type them: the first values, some of them changed to anything that their field allows. */
export function chanceSettings(
  family: PieceFamilyDefinition<string, z.ZodType>,
  scale: PieceScale,
  random: Random,
): Readonly<Record<string, unknown>> {
  const first = family.of.fresh(scale) as Readonly<Record<string, unknown>>;
  const settings: Record<string, unknown> = { ...first };
  for (const field of family.of.fields) {
    if (random() < 0.5) continue;
    const own = first[field.key];
    if (field.ask === 'words') {
      if (field.drawn !== undefined) settings[field.key] = chanceCorners(scale, random);
      continue;
    }
    if (field.ask === 'tick') settings[field.key] = random() < 0.5;
    else if (field.ask === 'choice') settings[field.key] = field.options[Math.floor(random() * field.options.length)]!.value;
    else {
      const { min, max } = field.limits;
      // Mostly about the usual size, now and then anything at all.
      const usual = typeof own === 'number' && own !== 0 ? own : (min + max) / 20;
      const any = random() < 0.03 ? min + random() * (max - min) : usual * (0.6 + random());
      const step = field.ask === 'number' ? (field.step ?? 1) : 0.1;
      settings[field.key] = Math.min(max, Math.max(min, Number((Math.round(any / step) * step).toFixed(3))));
    }
  }
  return family.settings.parse(settings) as Readonly<Record<string, unknown>>;
}

/** Corners round a middle, each as far out as it comes: an outline that may turn inwards, and a line that never crosses itself. */
function chanceCorners({ baseMm }: PieceScale, random: Random): string {
  const count = 3 + Math.floor(random() * 5);
  const points = Array.from({ length: count }, (_, i) => {
    const turn = ((i + 0.15 + random() * 0.7) / count) * 2 * Math.PI;
    const out = baseMm * (1.5 + random() * 3);
    return `${(out * Math.cos(turn)).toFixed(1)},${(out * Math.sin(turn)).toFixed(1)}`;
  });
  return [...points, ...(random() < 0.3 ? [points[0]!] : [])].join(' ');
}

/** Stocks of own thicknesses for every role. */
export function chanceStocks(roles: readonly StockRole[], random: Random): StockSizes {
  const stocks: Record<string, StockSizes[string]> = {};
  for (const { role, sold, section = 'strip', within } of roles) {
    const own = sold === 'sheet' ? aSheet(random) : aLength(section, random);
    const outer = within === undefined ? null : stocks[within]!;
    const mostMm = outer === null ? Infinity : Math.min(outer.thicknessMm, outer.widthMm ?? Infinity);
    stocks[role] = { ...own, thicknessMm: Math.min(own.thicknessMm, mostMm) };
  }
  return stocks;
}

const aSheet = (random: Random): StockSizes[string] => ({ thicknessMm: Math.round(5 + random() * 55) / 10, widthMm: null, isRound: false });
function aLength(section: NonNullable<StockRole['section']>, random: Random): StockSizes[string] {
  const thicknessMm = Math.round(8 + random() * 22) / 10;
  if (section === 'strip') return { thicknessMm, widthMm: Math.round(10 + random() * 40) / 10, isRound: false };
  return { thicknessMm, widthMm: thicknessMm, isRound: true, boreMm: section === 'tube' ? Math.round(thicknessMm * 7) / 10 : 0 };
}

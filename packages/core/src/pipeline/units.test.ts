import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard } from '../testing';
import { brinefold } from '../demo';
import { STAGES, pipelineWith } from './derive';
import { ALL_UNITS, derivePipeline } from './full';
import { LoadedUnits, NotLoaded, type UnitName } from './units';

const UNITS = Object.keys(ALL_UNITS) as UnitName[];
/** Stages that can be answered, and of the others what they lack first. */
function asked(derivation: Record<string, unknown>) {
  const [answered, lacking] = [[] as string[], new Map<string, UnitName>()];
  for (const name of STAGES.names) {
    try {
      void derivation[name];
      answered.push(name);
    } catch (error) {
      if (!(error instanceof NotLoaded)) throw error;
      lacking.set(name, error.unit);
    }
  }
  return { answered, lacking };
}

describe('units that are fetched when they are asked for', () => {
  test('a board without pieces is laid out and counted with none of them; checks, views and schedule say what they lack', () => {
    const { answered, lacking } = asked(pipelineWith(new LoadedUnits())(aBoard(), CATALOGUE) as never);
    expect(answered).toEqual(expect.arrayContaining(['ground', 'stack', 'jobs', 'coats', 'supplies', 'mass', 'counts']));
    expect(lacking.get('warnings')).toBe('checks');
    expect(lacking.get('section')).toBe('views');
    expect(lacking.get('days')).toBe('schedule');
    expect(lacking.get('readiness')).toBe('schedule');
    expect([...lacking.values()]).not.toContain('pieces');
    expect([...lacking.values()]).not.toContain('certainty');
  });

  test('a part that fits on no sheet waits for what makes its joints', () => {
    const large = aBoard({ widthMm: 2700, depthMm: 2700, columns: 1, rows: 1 });
    const { lacking } = asked(pipelineWith(new LoadedUnits())(large, CATALOGUE) as never);
    expect(lacking.get('laid')).toBe('checks');
    expect(lacking.get('counts')).toBe('checks');
  });

  test('one unit after another, asked for by what is missing, makes the whole; every unit is wanted by something', async () => {
    const plan = brinefold(CATALOGUE);
    const sure = { ...plan, buying: { ...plan.buying, ofHundred: 90 as const } };
    const units = new LoadedUnits();
    const derivation = pipelineWith(units)(sure, CATALOGUE) as unknown as Record<string, unknown>;
    const loaded = new Set<UnitName>();
    for (let round = 0; round <= UNITS.length; round++) {
      const { lacking } = asked(derivation);
      if (lacking.size === 0) break;
      for (const unit of lacking.values()) {
        await units.load(unit);
        loaded.add(unit);
      }
    }
    expect([...loaded].sort()).toEqual([...UNITS].sort());
    const whole = derivePipeline()(sure, CATALOGUE);
    expect((derivation['counts'] as typeof whole.counts).cost.value).toBe(whole.counts.cost.value);
    expect((derivation['warnings'] as typeof whole.warnings).map(({ id }) => id)).toEqual(whole.warnings.map(({ id }) => id));
  });
});

import type * as checks from '../advice/checks';
import type * as pieces from '../build/pieces';
import type * as certainty from '../procurement/supplies/certainty';
import type * as schedule from '../schedule/tasks';
import type * as views from './on-view';

/** What is fetched only once something of it is asked for, by name: the modules whose functions late stages call. */
export interface Units {
  /** Fetched by a board that has pieces. */
  readonly pieces: typeof pieces;
  /** Fetched once Section, Coats, Supplies or Bench is looked at. */
  readonly views: typeof views;
  readonly schedule: typeof schedule;
  readonly certainty: typeof certainty;
  readonly checks: typeof checks;
}
export type UnitName = keyof Units;

/** A stage was asked for whose unit is not loaded. Load it and ask again: everything calculated on the way is kept. */
export class NotLoaded extends Error {
  constructor(readonly unit: UnitName) {
    super(`${unit} is not loaded`);
  }
}

/** Units as they arrive. */
export class LoadedUnits {
  private readonly arrived: Partial<Units>;
  constructor(loaded: Partial<Units> = {}) {
    this.arrived = { ...loaded };
  }

  /** @throws NotLoaded */
  get<Name extends UnitName>(name: Name): Units[Name] {
    const unit = this.arrived[name];
    if (unit === undefined) throw new NotLoaded(name);
    return unit as Units[Name];
  }
  async load(name: UnitName): Promise<void> {
    Object.assign(this.arrived, { [name]: this.arrived[name] ?? (await LOADERS[name]()) });
  }
}

const LOADERS: { readonly [Name in UnitName]: () => Promise<Units[Name]> } = {
  pieces: () => import('../build/pieces'),
  views: () => import('./on-view'),
  schedule: () => import('../schedule/tasks'),
  certainty: () => import('../procurement/supplies/certainty'),
  checks: () => import('../advice/checks'),
};

import type { Region } from '../../base/geometry';
import type { GroundKind } from '../surfaces';

/**
 * What a feature does to the ground: `mass` adds foam, `hole` takes it away, `surface` lies on what is there, `standing`
 * is in the way above it, `patch` only changes what the ground wears, `mark` is only an intention.
 */
export type Role = 'mass' | 'hole' | 'surface' | 'standing' | 'patch' | 'mark';

/** What a feature comes to on the ground before it is settled among its neighbours: itself, one of its steps, or its rim. */
export interface Stretch {
  readonly role: Role;
  /** The kind of ground it shows; null for what shows none of its own. */
  readonly groundKind: GroundKind | null;
  /** Height of its surface over the ground at its highest, a hole's at its deepest; 0 for what follows what it lies on. */
  readonly levelMm: number;
  readonly region: Region;
  /** Told apart from the other stretches of its feature; null where there is only one. */
  readonly part: { readonly id: string; readonly name: string } | null;
}

/** What is settled of a stretch and matters to its heights. */
export interface Settled {
  readonly role: Role;
  readonly levelMm: number;
  /** Height of its foot over the ground: 0, or the top of what it stands on. */
  readonly baseMm: number;
}

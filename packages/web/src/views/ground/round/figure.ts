import { BoxGeometry, type BufferGeometry, type Color, CylinderGeometry, Group, Mesh, MeshLambertMaterial } from 'three';
import type { Plan } from '@spare-acre/core/plan';

/** A figure to scale on its base, to see the size of things by. */
export interface Figure {
  readonly group: Group;
  /** Puts its legs where they are at a point of its stride, 0 to 1; standing at 0. */
  readonly stride: (share: number) => void;
}

const BASE_MM = 3;
const SWING_RAD = Math.PI / 7;

export function figureOf({ figureHeightMm: tall, play }: Plan, colour: Color): Figure {
  const group = new Group();
  const material = new MeshLambertMaterial({ color: colour });
  const put = (geometry: BufferGeometry, x: number, y: number): Mesh => {
    const mesh = new Mesh(geometry, material);
    mesh.position.set(x, y + BASE_MM, 0);
    group.add(mesh);
    return mesh;
  };
  put(new CylinderGeometry(play.baseMm / 2, play.baseMm / 2, BASE_MM, 32), 0, -BASE_MM / 2);
  const limb = (thick: number, long: number): BufferGeometry => new BoxGeometry(thick, long, thick).translate(0, -long / 2, 0);
  const legs = [-1, 1].map((side) => put(limb(tall * 0.09, tall * 0.46), side * tall * 0.06, tall * 0.46));
  const arms = [-1, 1].map((side) => put(limb(tall * 0.06, tall * 0.36), side * tall * 0.16, tall * 0.8));
  put(new BoxGeometry(tall * 0.25, tall * 0.38, tall * 0.14), 0, tall * 0.63);
  put(new CylinderGeometry(tall * 0.075, tall * 0.075, tall * 0.16, 16), 0, tall * 0.92);
  return {
    group,
    stride(share) {
      const swing = Math.sin(share * 2 * Math.PI) * SWING_RAD;
      legs.forEach((leg, i) => (leg.rotation.x = i === 0 ? swing : -swing));
      arms.forEach((arm, i) => (arm.rotation.x = i === 0 ? -swing : swing));
    },
  };
}

import {
  BufferAttribute,
  BufferGeometry,
  CanvasTexture,
  EdgesGeometry,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  RepeatWrapping,
  SRGBColorSpace,
} from 'three';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { type Plan, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import type { Solid, Standing } from '@spare-acre/core/build/mesh';
import { SWATCH_MM } from '@spare-acre/core/finishing/swatch';
import type { LookAnswer } from '../../../workers/searches/look';
import { FACE_REPEAT_MM, drawCutFace } from './cutFace';
import type { Ink } from './ink';
import type { Painted } from './painted';
import { drawTexture } from './solidTexture';

/** Faces that turn by more than this against one another meet in an edge that is seen. */
const EDGE_RAD = Math.PI / 6;

/** The table as meshes: one unit is one mm, x right, y up, z towards the near side. */
export function tableGroup(plan: Plan, look: LookAnswer, ink: Ink, painted: Painted | null = null): Group {
  const group = new Group();
  const face = drawCutFace(look.bands, ink);
  const texture = (canvas: HTMLCanvasElement): CanvasTexture => {
    const made = new CanvasTexture(canvas);
    made.colorSpace = SRGBColorSpace;
    made.anisotropy = 4;
    return made;
  };
  const upright = texture(face.canvas);
  upright.wrapS = RepeatWrapping;
  const inkLine = new LineBasicMaterial({ color: ink.colour('--ink-soft') });
  const put = (solid: Solid, materials: MeshLambertMaterial[], name: string, isWorn = false): void => {
    const geometry = isWorn ? wornGeometry(solid) : geometryOf(solid, plan, face);
    const mesh = new Mesh(geometry, materials);
    mesh.name = name;
    const edges = new LineSegments(new EdgesGeometry(geometry, (EDGE_RAD * 180) / Math.PI), inkLine);
    edges.name = 'edges';
    group.add(mesh, edges);
  };
  const shown = new Set(plan.features.filter(({ hidden }) => !hidden).map(({ id }) => id));
  const [ground, sides, under] = [
    new MeshLambertMaterial({ map: texture(painted?.ground ?? drawTexture(plan, ink)) }),
    new MeshLambertMaterial({ map: upright }),
    new MeshLambertMaterial({ color: ink.colour('--rule') }),
  ];
  put(look.solids.ground, [ground, sides, under], 'ground');
  const stone = new MeshLambertMaterial({ color: ink.colour('--sheet') });
  const water = new MeshLambertMaterial({ color: ink.colour('--slate'), transparent: true, opacity: 0.55, depthWrite: false });
  const materialOf: Readonly<Record<Standing['what'], MeshLambertMaterial>> = { water, fixed: stone, loose: stone };
  for (const { featureId, what, solid } of look.solids.standing) {
    const coat = painted?.pieces.get(featureId);
    const material = coat === undefined ? materialOf[what] : worn(texture(coat));
    if (shown.has(featureId)) put(solid, [material, material, material], featureId, coat !== undefined);
  }
  return group;
}

/** A swatch laid side by side over all faces. */
function worn(map: CanvasTexture): MeshLambertMaterial {
  map.wrapS = RepeatWrapping;
  map.wrapT = RepeatWrapping;
  return new MeshLambertMaterial({ map });
}
/** Each face carries the swatch as it lies: seen along the axis it faces most. */
function wornGeometry(solid: Solid): BufferGeometry {
  const geometry = toCreasedNormals(indexed(solid), EDGE_RAD);
  const position = geometry.getAttribute('position');
  const normal = geometry.getAttribute('normal');
  const uv = new Float32Array(position.count * 2);
  for (let i = 0; i < position.count; i++) {
    const [x, y, z] = [position.getX(i), position.getY(i), position.getZ(i)];
    const [nx, ny, nz] = [Math.abs(normal.getX(i)), Math.abs(normal.getY(i)), Math.abs(normal.getZ(i))];
    const [u, v] = ny >= nx && ny >= nz ? [x, z] : nx > nz ? [z, y] : [x, y];
    uv.set([u / SWATCH_MM, v / SWATCH_MM], 2 * i);
  }
  geometry.setAttribute('uv', new BufferAttribute(uv, 2));
  geometry.addGroup(0, Infinity, 0);
  return geometry;
}

/** A body for the printer: Z up, its near left corner at the origin. */
export function printedGeometry(solid: Solid, plan: Plan): BufferGeometry {
  return indexed(solid)
    .rotateX(Math.PI / 2)
    .translate(0, tableDepthMm(plan.table), 0);
}

/** Frees what a group holds in the graphics card. */
export function dispose(group: Group): void {
  group.traverse((thing) => {
    if (!(thing instanceof Mesh || thing instanceof LineSegments)) return;
    (thing.geometry as BufferGeometry).dispose();
    for (const material of [thing.material].flat() as MeshLambertMaterial[]) {
      material.map?.dispose();
      material.dispose();
    }
  });
}

function indexed(solid: Solid): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(solid.positions, 3));
  geometry.setIndex(new BufferAttribute(solid.indices, 1));
  return geometry;
}

/** Its surface carries the plan, its upright faces the layers they are cut through. */
function geometryOf(solid: Solid, plan: Plan, face: { readonly lowMm: number; readonly highMm: number }): BufferGeometry {
  const geometry = toCreasedNormals(indexed(solid), EDGE_RAD);
  const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
  const position = geometry.getAttribute('position');
  const normal = geometry.getAttribute('normal');
  const uv = new Float32Array(position.count * 2);
  const tops = solid.topTriangles * 3;
  for (let i = 0; i < position.count; i++) {
    const [x, y, z] = [position.getX(i), position.getY(i), position.getZ(i)];
    if (i < tops) uv.set([x / w, 1 - z / d], 2 * i);
    else {
      const along = Math.abs(normal.getX(i)) > Math.abs(normal.getZ(i)) ? z : x;
      uv.set([along / FACE_REPEAT_MM, (y - face.lowMm) / (face.highMm - face.lowMm)], 2 * i);
    }
  }
  geometry.setAttribute('uv', new BufferAttribute(uv, 2));
  const sides = solid.sideTriangles * 3;
  geometry.addGroup(0, tops, 0);
  geometry.addGroup(tops, sides, 1);
  geometry.addGroup(tops + sides, Infinity, 2);
  return geometry;
}

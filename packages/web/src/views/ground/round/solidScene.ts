import {
  AmbientLight,
  BoxGeometry,
  BufferAttribute,
  BufferGeometry,
  CanvasTexture,
  Color,
  CylinderGeometry,
  DirectionalLight,
  EdgesGeometry,
  ExtrudeGeometry,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  SRGBColorSpace,
  Scene,
  Shape as FlatShape,
  ShapeGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { type Region, isEmpty, pieces } from '@spare-acre/core/base/geometry';
import { heightAtCell } from '@spare-acre/core/ground';
import { type Plan, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { shapeRegion } from '@spare-acre/core/shapes';
import { kindOf } from '@spare-acre/core/features';
import type { LookAnswer } from '../../../workers/searches/look';
import { drawTexture } from './solidTexture';

/** A 3D scene of one table. One unit is one mm: x right, y up, z towards the near side. */
export interface SolidScene {
  readonly show: (plan: Plan, look: LookAnswer) => void;
  readonly resize: (width: number, height: number) => void;
  readonly setWalking: (isWalking: boolean) => void;
  /** Steps ahead or back, and turns to either side. */
  readonly walk: (ahead: number, turn: number) => void;
  readonly exported: (kind: 'stl' | 'glb') => Promise<Blob>;
  readonly close: () => void;
}

const EYE_SHARE = 0.9;
const TURN_RAD = Math.PI / 24;
/** A step of a walking figure, mm on the table. */
const STEP_MM = 12;

/** @throws where the browser has no WebGL */
export function openScene(host: HTMLElement): SolidScene {
  const style = getComputedStyle(host);
  const ink = (name: string): Color => new Color(style.getPropertyValue(name).trim());
  const renderer = new WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  host.prepend(renderer.domElement);
  const scene = new Scene();
  scene.background = ink('--paper');
  scene.add(new AmbientLight(0xffffff, 1.6));
  const sun = new DirectionalLight(0xfff4e0, 2.2);
  sun.position.set(-0.6, 1, 0.5);
  scene.add(sun);
  const camera = new PerspectiveCamera(38, 1, 1, 20_000);
  const controls = new OrbitControls(camera, renderer.domElement);
  controls.maxPolarAngle = Math.PI / 2 - 0.02;
  let table = new Group();
  scene.add(table);
  let shown: { readonly plan: Plan; readonly look: LookAnswer } | null = null;
  let isWalking = false;
  let frame = 0;
  const draw = (): void => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(() => renderer.render(scene, camera));
  };
  controls.addEventListener('change', draw);

  function surface({ solid }: LookAnswer, plan: Plan): Mesh {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(solid.positions, 3));
    geometry.setIndex(new BufferAttribute(solid.indices, 1));
    const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
    const uv = new Float32Array((solid.positions.length / 3) * 2);
    for (let i = 0; i < uv.length / 2; i++) {
      uv[2 * i] = solid.positions[3 * i]! / w;
      uv[2 * i + 1] = 1 - solid.positions[3 * i + 2]! / d;
    }
    geometry.setAttribute('uv', new BufferAttribute(uv, 2));
    geometry.computeVertexNormals();
    geometry.addGroup(0, solid.topTriangles * 3, 0);
    geometry.addGroup(solid.topTriangles * 3, Infinity, 1);
    const texture = new CanvasTexture(drawTexture(plan, style));
    texture.colorSpace = SRGBColorSpace;
    texture.anisotropy = 8;
    return new Mesh(geometry, [new MeshLambertMaterial({ map: texture }), new MeshLambertMaterial({ color: ink('--rule') })]);
  }

  /** What stands on the ground and the water in it: drawn beside the solid, and left out of what is printed. */
  function standing({ field }: LookAnswer, plan: Plan): Group {
    const group = new Group();
    const line = new LineBasicMaterial({ color: ink('--ink') });
    const put = (geometry: BufferGeometry, material: MeshLambertMaterial, at: readonly [number, number, number]): void => {
      const mesh = new Mesh(geometry, material);
      mesh.position.set(...at);
      group.add(mesh);
      const edges = new LineSegments(new EdgesGeometry(geometry, 30), line);
      edges.position.set(...at);
      group.add(edges);
    };
    const stone = new MeshLambertMaterial({ color: ink('--sheet') });
    const water = new MeshLambertMaterial({ color: ink('--slate'), transparent: true, opacity: 0.55 });
    for (const feature of plan.features) {
      if (feature.hidden) continue;
      const region = shapeRegion(feature.shape);
      if (isEmpty(region)) continue;
      const kind = kindOf(feature);
      const standsMm = kind.standsMm?.(feature) ?? 0;
      if (standsMm > 0) {
        for (const shape of flatShapes(region)) {
          const geometry = new ExtrudeGeometry(shape, { depth: standsMm, bevelEnabled: false });
          geometry.rotateX(Math.PI / 2).translate(0, standsMm, 0);
          put(geometry, stone, [0, footOf(region, field), 0]);
        }
      }
      const sunk = kind.sunk?.(feature);
      if (sunk !== undefined && sunk.waterMm !== null) {
        for (const shape of flatShapes(region)) {
          const mesh = new Mesh(new ShapeGeometry(shape).rotateX(Math.PI / 2), water);
          water.side = 2;
          mesh.position.y = sunk.waterMm - sunk.depthMm;
          group.add(mesh);
        }
      }
    }
    group.add(figure(plan, field, ink('--clay')));
    return group;
  }

  function show(plan: Plan, look: LookAnswer): void {
    const isFirst = shown === null;
    shown = { plan, look };
    scene.remove(table);
    table.traverse((thing) => {
      if (thing instanceof Mesh || thing instanceof LineSegments) (thing.geometry as BufferGeometry).dispose();
    });
    table = new Group();
    const ground = surface(look, plan);
    ground.name = 'ground';
    table.add(ground, standing(look, plan));
    scene.add(table);
    if (isFirst) overview();
    draw();
  }

  function overview(): void {
    const { plan } = shown!;
    const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
    camera.position.set(w * 0.56, Math.max(w, d) * 0.86, d + Math.max(w, d) * 0.72);
    controls.target.set(w / 2, 0, d * 0.5);
    controls.update();
  }
  function eyeHeight(x: number, z: number): number {
    return heightAtCell(shown!.look.field, { x, y: z }) + shown!.plan.figureHeightMm * EYE_SHARE;
  }
  function setWalking(walking: boolean): void {
    if (shown === null) return;
    isWalking = walking;
    controls.enableZoom = controls.enablePan = !walking;
    controls.maxPolarAngle = walking ? Math.PI - 0.2 : Math.PI / 2 - 0.02;
    camera.near = walking ? 0.5 : 1;
    camera.updateProjectionMatrix();
    if (!walking) overview();
    else {
      const { plan } = shown;
      const [x, z] = [tableWidthMm(plan.table) / 2, tableDepthMm(plan.table) - 20];
      camera.position.set(x, eyeHeight(x, z), z);
      lookAlong(new Vector3(0, 0, -1));
    }
    draw();
  }
  /** Orbiting about a point just ahead of the eye is looking about. */
  function lookAlong(direction: Vector3): void {
    controls.target.copy(camera.position).addScaledVector(direction, 1);
    controls.update();
  }

  return {
    show,
    setWalking,
    resize(width, height) {
      if (width < 2 || height < 2) return;
      renderer.setSize(width, height);
      camera.aspect = width / height;
      camera.updateProjectionMatrix();
      draw();
    },
    walk(ahead, turn) {
      if (!isWalking || shown === null) return;
      const direction = new Vector3().subVectors(controls.target, camera.position).setY(0).normalize();
      direction.applyAxisAngle(new Vector3(0, 1, 0), -turn * TURN_RAD);
      const { table: t } = shown.plan;
      const x = Math.max(1, Math.min(tableWidthMm(t) - 1, camera.position.x + direction.x * ahead * STEP_MM));
      const z = Math.max(1, Math.min(tableDepthMm(t) - 1, camera.position.z + direction.z * ahead * STEP_MM));
      camera.position.set(x, eyeHeight(x, z), z);
      lookAlong(direction);
      draw();
    },
    async exported(kind) {
      const ground = table.getObjectByName('ground')!;
      if (kind === 'stl') {
        const binary = new STLExporter().parse(ground, { binary: true });
        return new Blob([binary as unknown as BlobPart], { type: 'model/stl' });
      }
      const binary = await new GLTFExporter().parseAsync(table, { binary: true });
      return new Blob([binary as ArrayBuffer], { type: 'model/gltf-binary' });
    },
    close() {
      cancelAnimationFrame(frame);
      controls.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    },
  };
}

/** A region as flat shapes with holes, x right and y towards the near side. */
function flatShapes(region: Region): FlatShape[] {
  return pieces(region).map(({ rings }) => {
    const [outer, ...holes] = rings.map((ring) => ring.map(({ x, y }) => new Vector3(x, y, 0)));
    const shape = new FlatShape(outer as never);
    shape.holes = holes.map((hole) => new FlatShape(hole as never));
    return shape;
  });
}

/** Height that something stands on: the lowest ground under its corners. */
function footOf(region: Region, field: LookAnswer['field']): number {
  return Math.min(...region.rings.flat().map((point) => heightAtCell(field, point)));
}

/** A figure on the near side of the table, to see the size of things by. */
function figure(plan: Plan, field: LookAnswer['field'], colour: Color): Group {
  const group = new Group();
  const material = new MeshLambertMaterial({ color: colour });
  const tall = plan.figureHeightMm;
  const [x, z] = [tableWidthMm(plan.table) * 0.52, tableDepthMm(plan.table) - 45];
  const base = new Mesh(new CylinderGeometry(plan.play.baseMm / 2, plan.play.baseMm / 2, 3, 32), material);
  base.position.y = 1.5;
  const body = new Mesh(new BoxGeometry(tall * 0.26, tall * 0.8, tall * 0.16), material);
  body.position.y = tall * 0.4 + 3;
  const head = new Mesh(new CylinderGeometry(tall * 0.08, tall * 0.08, tall * 0.16, 16), material);
  head.position.y = tall * 0.9 + 3;
  group.add(base, body, head);
  group.position.set(x, heightAtCell(field, { x, y: z }), z);
  return group;
}

import { AmbientLight, DirectionalLight, Group, Mesh, PerspectiveCamera, Scene, Vector3, WebGLRenderer } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { cellIndex } from '@spare-acre/core/terrain/ground';
import { type Plan, tableDepthMm, tableWidthMm } from '@spare-acre/core/plan';
import { walkTowards } from '@spare-acre/core/terrain/play';
import type { LookAnswer } from '../../../workers/searches/look';
import { type Figure, figureOf } from './figure';
import { inkOf } from './ink';
import { paceOf } from './pace';
import type { Painted } from './painted';
import { dispose, printedGeometry, tableGroup } from './tableGroup';

/** From where the table is seen: from over it, from behind a figure that walks on it, or through the figure's eyes. */
export type Eye = 'over' | 'behind' | 'own';

/** A 3D scene of one table. One unit is one mm: x right, y up, z towards the near side. */
export interface SolidScene {
  /** @param painted what it wears; null for the plan's hatches */
  readonly show: (plan: Plan, look: LookAnswer, painted: Painted | null) => void;
  readonly resize: (width: number, height: number) => void;
  readonly look: (from: Eye) => void;
  /** Steps ahead or back, and turns to either side. @returns whether something stopped it */
  readonly walk: (ahead: number, turn: number) => boolean;
  readonly exported: (kind: 'stl' | 'glb') => Promise<Blob>;
  readonly close: () => void;
}

const EYE_SHARE = 0.9;
const TURN_RAD = Math.PI / 24;
/** A step of a walking figure, mm on the table, and how long it takes. */
const STEP_MM = 12;
const STEP_MS = 180;
/** How far behind a figure and over its head it is followed, in its own heights. */
const BEHIND = 4.2;
const OVER = 2;
/** glTF counts in metres. */
const METRES = 1e-3;
const UP = new Vector3(0, 1, 0);
/** Where a table is looked at from at first: over its near side, a little to the right. */
const OVER_FROM = new Vector3(0.1, 0.78, 0.9).normalize();
/** A picture that stands this long is drawn at its sharpest. */
const REST_MS = 140;

/** @throws where the browser has no WebGL */
export function openScene(host: HTMLElement): SolidScene {
  const ink = inkOf(host);
  const renderer = new WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  const sharpest = Math.min(2, window.devicePixelRatio);
  renderer.setPixelRatio(sharpest);
  host.prepend(renderer.domElement);
  const scene = new Scene();
  scene.background = ink.colour('--paper');
  scene.add(new AmbientLight(0xffffff, 1.6));
  const sun = new DirectionalLight(0xfff4e0, 2.2);
  sun.position.set(-0.6, 1, 0.5);
  scene.add(sun);
  const camera = new PerspectiveCamera(38, 1, 1, 20_000);
  const controls = new OrbitControls(camera, renderer.domElement);
  const isStill = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  let table = new Group();
  let shown: { readonly plan: Plan; readonly look: LookAnswer } | null = null;
  let figure: Figure | null = null;
  let eye: Eye = 'over';
  /** Which way the figure faces. */
  const facing = new Vector3(0, 0, -1);
  const pace = paceOf((share) => renderer.setPixelRatio(sharpest * share));
  let frame = 0;
  let settling = 0;
  const render = (): void => {
    pace.moved(performance.now());
    renderer.render(scene, camera);
    window.clearTimeout(settling);
    settling = window.setTimeout(() => {
      if (pace.rested()) renderer.render(scene, camera);
    }, REST_MS);
  };
  const draw = (): void => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(render);
  };
  controls.addEventListener('change', draw);

  const groundAt = (x: number, z: number): number => {
    const { field } = shown!.look;
    return field.walkMm[cellIndex(field, { x, y: z })]!;
  };
  function show(plan: Plan, look: LookAnswer, painted: Painted | null): void {
    const before = figure?.group.position.clone();
    scene.remove(table);
    dispose(table);
    const isFirst = shown === null;
    shown = { plan, look };
    figure = figureOf(plan, ink.colour('--clay'));
    table = new Group();
    const bodies = tableGroup(plan, look, ink, painted);
    bodies.name = 'bodies';
    table.add(bodies, figure.group);
    scene.add(table);
    const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
    const { x, z } = before ?? new Vector3(w * 0.52, 0, d - Math.min(45, d / 3));
    place(Math.min(x, w - 1), Math.min(z, d - 1));
    if (isFirst) overview();
    draw();
  }
  function place(x: number, z: number): void {
    figure!.group.position.set(x, groundAt(x, z), z);
    figure!.group.rotation.y = Math.atan2(facing.x, facing.z);
    figure!.group.visible = eye !== 'own';
  }

  function overview(): void {
    const { plan } = shown!;
    const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
    controls.target.set(w / 2, 0, d / 2);
    // So far off that the whole table is in sight, whichever of the frame's sides is the nearer.
    const half = Math.tan(((camera.fov / 2) * Math.PI) / 180) * Math.min(1, camera.aspect);
    camera.position.copy(controls.target).addScaledVector(OVER_FROM, (Math.hypot(w, d) / 2 / half) * 1.02);
    controls.update();
  }
  /** The camera where the figure is seen from, or where it sees from. */
  function follow(): void {
    const tall = shown!.plan.figureHeightMm;
    const head = figure!.group.position.clone().addScaledVector(UP, tall * EYE_SHARE);
    if (eye === 'own') {
      camera.position.copy(head);
      // Turning about a point just ahead of the eye is looking about.
      controls.target.copy(head).add(facing);
    } else {
      camera.position
        .copy(head)
        .addScaledVector(facing, -BEHIND * tall)
        .addScaledVector(UP, OVER * tall);
      controls.target.copy(head);
    }
    controls.update();
  }
  function look(from: Eye): void {
    if (shown === null) return;
    eye = from;
    controls.enableZoom = from !== 'own';
    controls.enablePan = from === 'over';
    controls.maxPolarAngle = from === 'own' ? Math.PI - 0.2 : Math.PI / 2 - 0.02;
    camera.near = from === 'over' ? 1 : 0.5;
    camera.updateProjectionMatrix();
    figure!.group.visible = from !== 'own';
    if (from === 'over') overview();
    else follow();
    draw();
  }

  let stepping = 0;
  function walk(ahead: number, turn: number): boolean {
    if (eye === 'over' || shown === null) return false;
    facing.applyAxisAngle(UP, -turn * TURN_RAD);
    const { plan } = shown;
    const from = figure!.group.position.clone();
    const wanted = { x: from.x + facing.x * ahead * STEP_MM, y: from.z + facing.z * ahead * STEP_MM };
    const end = ahead === 0 ? { x: from.x, y: from.z } : walkTowards(shown.look.field, { x: from.x, y: from.z }, wanted, plan.play);
    cancelAnimationFrame(stepping);
    const began = performance.now();
    const step = (): void => {
      const share = isStill ? 1 : Math.min(1, (performance.now() - began) / STEP_MS);
      place(from.x + (end.x - from.x) * share, from.z + (end.y - from.z) * share);
      figure!.stride(share === 1 ? 0 : share);
      follow();
      render();
      if (share < 1) stepping = requestAnimationFrame(step);
    };
    step();
    return ahead !== 0 && Math.hypot(end.x - wanted.x, end.y - wanted.y) > 1;
  }

  return {
    show,
    look,
    walk,
    resize(width, height) {
      if (width < 2 || height < 2) return;
      renderer.setSize(width, height);
      camera.aspect = width / height;
      camera.updateProjectionMatrix();
      draw();
    },
    async exported(kind) {
      const { plan, look: of } = shown!;
      if (kind === 'stl') {
        const body = new Mesh(printedGeometry(of.solids.printed, plan));
        const binary = new STLExporter().parse(body, { binary: true });
        return new Blob([binary as unknown as BlobPart], { type: 'model/stl' });
      }
      const bodies = new Group();
      bodies.add(
        ...table
          .getObjectByName('bodies')!
          .children.filter((thing) => thing instanceof Mesh)
          .map((mesh) => mesh.clone()),
      );
      bodies.scale.setScalar(METRES);
      const binary = await new GLTFExporter().parseAsync(bodies, { binary: true });
      return new Blob([binary as ArrayBuffer], { type: 'model/gltf-binary' });
    },
    close() {
      cancelAnimationFrame(frame);
      cancelAnimationFrame(stepping);
      window.clearTimeout(settling);
      dispose(table);
      controls.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    },
  };
}

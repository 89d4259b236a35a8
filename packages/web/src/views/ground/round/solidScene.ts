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
export const openScene = (host: HTMLElement): SolidScene => new OpenScene(host);

class OpenScene implements SolidScene {
  private readonly ink: ReturnType<typeof inkOf>;
  private readonly renderer = new WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(38, 1, 1, 20_000);
  private readonly controls: OrbitControls;
  private readonly pace: ReturnType<typeof paceOf>;
  private readonly isStill = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  private table = new Group();
  private shown: { readonly plan: Plan; readonly look: LookAnswer } | null = null;
  private figure: Figure | null = null;
  private eye: Eye = 'over';
  /** Which way the figure faces. */
  private readonly facing = new Vector3(0, 0, -1);
  private frame = 0;
  private settling = 0;
  private stepping = 0;

  constructor(host: HTMLElement) {
    this.ink = inkOf(host);
    const sharpest = Math.min(2, window.devicePixelRatio);
    this.renderer.setPixelRatio(sharpest);
    this.pace = paceOf((share) => this.renderer.setPixelRatio(sharpest * share));
    host.prepend(this.renderer.domElement);
    this.scene.background = this.ink.colour('--paper');
    this.scene.add(new AmbientLight(0xffffff, 1.6));
    const sun = new DirectionalLight(0xfff4e0, 2.2);
    sun.position.set(-0.6, 1, 0.5);
    this.scene.add(sun);
    this.controls = new OrbitControls(this.camera, this.renderer.domElement);
    this.controls.addEventListener('change', () => this.draw());
  }

  show(plan: Plan, look: LookAnswer, painted: Painted | null): void {
    const { scene } = this;
    const before = this.figure?.group.position.clone();
    scene.remove(this.table);
    dispose(this.table);
    const isFirst = this.shown === null;
    this.shown = { plan, look };
    this.figure = figureOf(plan, this.ink.colour('--clay'));
    this.table = new Group();
    const bodies = tableGroup(plan, look, this.ink, painted);
    bodies.name = 'bodies';
    this.table.add(bodies, this.figure.group);
    scene.add(this.table);
    const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
    const { x, z } = before ?? new Vector3(w * 0.52, 0, d - Math.min(45, d / 3));
    this.place(Math.min(x, w - 1), Math.min(z, d - 1));
    if (isFirst) this.overview();
    this.draw();
  }

  resize(width: number, height: number): void {
    if (width < 2 || height < 2) return;
    this.renderer.setSize(width, height);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.draw();
  }

  look(from: Eye): void {
    if (this.shown === null) return;
    const { controls, camera } = this;
    this.eye = from;
    controls.enableZoom = from !== 'own';
    controls.enablePan = from === 'over';
    controls.maxPolarAngle = from === 'own' ? Math.PI - 0.2 : Math.PI / 2 - 0.02;
    camera.near = from === 'over' ? 1 : 0.5;
    camera.updateProjectionMatrix();
    this.figure!.group.visible = from !== 'own';
    if (from === 'over') this.overview();
    else this.follow();
    this.draw();
  }

  walk(ahead: number, turn: number): boolean {
    const { shown, facing } = this;
    if (this.eye === 'over' || shown === null) return false;
    facing.applyAxisAngle(UP, -turn * TURN_RAD);
    const from = this.figure!.group.position.clone();
    const wanted = { x: from.x + facing.x * ahead * STEP_MM, y: from.z + facing.z * ahead * STEP_MM };
    const end = ahead === 0 ? { x: from.x, y: from.z } : walkTowards(shown.look.field, { x: from.x, y: from.z }, wanted, shown.plan.play);
    cancelAnimationFrame(this.stepping);
    const began = performance.now();
    const step = (): void => {
      const share = this.isStill ? 1 : Math.min(1, (performance.now() - began) / STEP_MS);
      this.place(from.x + (end.x - from.x) * share, from.z + (end.y - from.z) * share);
      this.figure!.stride(share === 1 ? 0 : share);
      this.follow();
      this.render();
      if (share < 1) this.stepping = requestAnimationFrame(step);
    };
    step();
    return ahead !== 0 && Math.hypot(end.x - wanted.x, end.y - wanted.y) > 1;
  }

  async exported(kind: 'stl' | 'glb'): Promise<Blob> {
    const { plan, look } = this.shown!;
    if (kind === 'stl') {
      const body = new Mesh(printedGeometry(look.solids.printed, plan));
      const binary = new STLExporter().parse(body, { binary: true });
      return new Blob([binary as unknown as BlobPart], { type: 'model/stl' });
    }
    const bodies = new Group();
    const meshes = this.table.getObjectByName('bodies')!.children.filter((thing) => thing instanceof Mesh);
    bodies.add(...meshes.map((mesh) => mesh.clone()));
    bodies.scale.setScalar(METRES);
    const binary = await new GLTFExporter().parseAsync(bodies, { binary: true });
    return new Blob([binary as ArrayBuffer], { type: 'model/gltf-binary' });
  }

  close(): void {
    cancelAnimationFrame(this.frame);
    cancelAnimationFrame(this.stepping);
    window.clearTimeout(this.settling);
    dispose(this.table);
    this.controls.dispose();
    this.renderer.dispose();
    this.renderer.domElement.remove();
  }

  private render(): void {
    const { pace, renderer, scene, camera } = this;
    pace.moved(performance.now());
    renderer.render(scene, camera);
    window.clearTimeout(this.settling);
    this.settling = window.setTimeout(() => {
      if (pace.rested()) renderer.render(scene, camera);
    }, REST_MS);
  }
  private draw(): void {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame(() => this.render());
  }

  /** Sets the figure down on the ground at a point. */
  private place(x: number, z: number): void {
    const { field } = this.shown!.look;
    const { group } = this.figure!;
    group.position.set(x, field.walkMm[cellIndex(field, { x, y: z })]!, z);
    group.rotation.y = Math.atan2(this.facing.x, this.facing.z);
    group.visible = this.eye !== 'own';
  }
  private overview(): void {
    const { camera, controls } = this;
    const { plan } = this.shown!;
    const [w, d] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
    controls.target.set(w / 2, 0, d / 2);
    // So far off that the whole table is in sight, whichever of the frame's sides is the nearer.
    const half = Math.tan(((camera.fov / 2) * Math.PI) / 180) * Math.min(1, camera.aspect);
    camera.position.copy(controls.target).addScaledVector(OVER_FROM, (Math.hypot(w, d) / 2 / half) * 1.02);
    controls.update();
  }
  /** The camera where the figure is seen from, or where it sees from. */
  private follow(): void {
    const { camera, controls, facing } = this;
    const tall = this.shown!.plan.figureHeightMm;
    const head = this.figure!.group.position.clone().addScaledVector(UP, tall * EYE_SHARE);
    if (this.eye === 'own') {
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
}

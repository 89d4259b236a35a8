import { BufferAttribute, BufferGeometry, Group, Mesh, MeshStandardMaterial } from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import type { MadeObject } from '@spare-acre/core/build/pieces';
import { type Body, meshOf } from '@spare-acre/core/build/shell';

/** mm to the metres of glTF. */
const METRES = 0.001;

/** One object of a piece put together, each body of it closed: STL in mm with z up, glTF in metres with y up. */
export async function pieceFile({ bodies }: Pick<MadeObject, 'bodies'>, kind: 'stl' | 'glb'): Promise<Blob> {
  const group = new Group();
  group.add(...bodies.map((body) => named(body)));
  if (kind === 'stl') {
    const binary = new STLExporter().parse(group, { binary: true });
    return new Blob([binary as unknown as BlobPart], { type: 'model/stl' });
  }
  group.rotation.x = -Math.PI / 2;
  group.scale.setScalar(METRES);
  const binary = await new GLTFExporter().parseAsync(group, { binary: true });
  return new Blob([binary as ArrayBuffer], { type: 'model/gltf-binary' });
}

function named(body: Body): Mesh {
  const { places, triangles } = meshOf(body);
  const geometry = new BufferGeometry();
  geometry.setAttribute(
    'position',
    new BufferAttribute(new Float32Array(triangles.flatMap((corners) => corners.flatMap((i) => places[i]!))), 3),
  );
  geometry.computeVertexNormals();
  const mesh = new Mesh(geometry, new MeshStandardMaterial());
  mesh.name = body.name;
  return mesh;
}

// manifold-3d ready to use, the pairs of meshes from standard input, and solids made of them.
import Module from 'manifold-3d';

const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
let text = '';
for await (const chunk of process.stdin) text += chunk;
export const pairs = JSON.parse(text).pairs;
export const solid = ({ v, t }) =>
  Manifold.ofMesh(new Mesh({ numProp: 3, vertProperties: new Float32Array(v), triVerts: new Uint32Array(t) }));

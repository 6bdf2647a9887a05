// Reads {"pairs": [[meshP, meshQ], ...]} and prints into how many pieces manifold-3d decomposes each union.
import Module from 'manifold-3d';

const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
let text = '';
for await (const chunk of process.stdin) text += chunk;
const solid = ({ v, t }) => Manifold.ofMesh(new Mesh({ numProp: 3, vertProperties: new Float32Array(v), triVerts: new Uint32Array(t) }));
console.log(JSON.stringify(JSON.parse(text).pairs.map(([a, b]) => solid(a).add(solid(b)).decompose().length)));

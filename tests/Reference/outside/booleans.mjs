// Reads {"pairs": [[meshP, meshQ], ...]} from standard input, mesh = {"v": [x,y,z,...], "t": [a,b,c,...]}, and prints the
// volumes of union, difference and intersection that manifold-3d finds on the same facets.
import Module from 'manifold-3d';

const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
let text = '';
for await (const chunk of process.stdin) text += chunk;
const solid = ({ v, t }) => Manifold.ofMesh(new Mesh({ numProp: 3, vertProperties: new Float32Array(v), triVerts: new Uint32Array(t) }));
const volume = (m) => {
  const x = m.volume();
  m.delete();
  return x;
};
const out = JSON.parse(text).pairs.map(([a, b]) => {
  const p = solid(a);
  const q = solid(b);
  const row = [p.status(), q.status(), volume(p.add(q)), volume(p.subtract(q)), volume(p.intersect(q)), p.volume(), q.volume()];
  p.delete();
  q.delete();
  return row;
});
console.log(JSON.stringify(out));

// For every line of standard input, {"bases": {key: {"v", "t"}}, "chains": [[{"op", "base", "m"}, ...], ...]}, prints a
// line with the volume and the greatest volume on the way that manifold-3d finds for each chain. m is a column-major
// 4 x 4 matrix. Bases stay known for later lines.
import { createInterface } from 'node:readline';
import Module from 'manifold-3d';

const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
const known = new Map();
for await (const line of createInterface({ input: process.stdin })) {
  const { bases, chains } = JSON.parse(line);
  for (const [key, { v, t }] of Object.entries(bases)) {
    known.set(key, Manifold.ofMesh(new Mesh({ numProp: 3, vertProperties: new Float32Array(v), triVerts: new Uint32Array(t) })));
  }
  const out = chains.map((steps) => {
    let part = null;
    let most = 0;
    for (const { op, base, m } of steps) {
      const tool = known.get(base).transform(m);
      const next = {
        start: () => tool,
        union: () => part.add(tool),
        difference: () => part.subtract(tool),
        intersection: () => part.intersect(tool),
      }[op]();
      most = Math.max(most, next.volume(), tool.volume());
      if (op !== 'start') {
        part.delete();
        tool.delete();
      }
      part = next;
    }
    const volume = part.volume();
    const status = part.status();
    part.delete();
    return { volume, most, status };
  });
  console.log(JSON.stringify(out));
}

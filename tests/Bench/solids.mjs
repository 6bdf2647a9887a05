// First line of standard input: {"jobs": [{"ops", "tools": [{"v", "t"}, ...]}, ...]}. Every further line is the number of
// a job: it is run once, tool by tool, with its operands ready made, and its time (ms) and triangles are printed.
import { createInterface } from 'node:readline';
import Module from 'manifold-3d';

const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
let jobs = null;
for await (const line of createInterface({ input: process.stdin })) {
  if (jobs === null) {
    jobs = JSON.parse(line).jobs.map(({ ops, tools }) => {
      const solids = tools.map(({ v, t }) =>
        Manifold.ofMesh(new Mesh({ numProp: 3, vertProperties: new Float32Array(v), triVerts: new Uint32Array(t) })),
      );
      solids.forEach((m) => m.numTri());
      return { ops, solids };
    });
    continue;
  }
  const { ops, solids } = jobs[Number(line)];
  const from = performance.now();
  let part = solids[0];
  for (let i = 1; i < solids.length; i++) {
    const next = {
      union: () => part.add(solids[i]),
      difference: () => part.subtract(solids[i]),
      intersection: () => part.intersect(solids[i]),
    }[ops[i - 1]]();
    next.numTri(); // its booleans are lazy: this makes it work
    if (part !== solids[0]) part.delete();
    part = next;
  }
  const ms = performance.now() - from;
  console.log(JSON.stringify({ ms, triangles: part.numTri() }));
  part.delete();
}

// Reads {"parts": [[{"op", "v", "t"}, ...], ...]} from standard input and prints for each part the median time (ms) that
// manifold-3d takes for the same chain of booleans, operands ready made.
import Module from 'manifold-3d';

const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
let text = '';
for await (const chunk of process.stdin) text += chunk;
const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];
const out = JSON.parse(text).parts.map((steps) => {
  const tools = steps.map(({ v, t }) =>
    Manifold.ofMesh(new Mesh({ numProp: 3, vertProperties: new Float32Array(v), triVerts: new Uint32Array(t) })),
  );
  tools.forEach((m) => m.numTri());
  const times = [];
  let triangles = 0;
  for (let run = 0; run < 15; run++) {
    const from = performance.now();
    let part = tools[0];
    for (let i = 1; i < tools.length; i++) {
      const next = { add: () => part.add(tools[i]), cut: () => part.subtract(tools[i]), keep: () => part.intersect(tools[i]) }[
        steps[i].op
      ]();
      next.numTri(); // its booleans are lazy: this makes it work
      if (part !== tools[0]) part.delete();
      part = next;
    }
    times.push(performance.now() - from);
    triangles = part.numTri();
    if (part !== tools[0]) part.delete();
  }
  return { ms: median(times), triangles };
});
console.log(JSON.stringify(out));

// Test meshes that general-purpose packages ship, measured by manifold-3d where they close, and counted by hand here where
// they do not. Argument: a folder to write them to as OBJ files. Prints JSON.
import { writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import Module from 'manifold-3d';

const require = createRequire(import.meta.url);
const wasm = await Module();
wasm.setup();
const out = {};
for (const name of ['bunny', 'teapot']) {
  const { positions, cells } = require(name);
  writeFileSync(
    `${process.argv[2]}/${name}.obj`,
    `${positions.map((p) => `v ${p.join(' ')}`).join('\n')}\n${cells.map((c) => `f ${c.map((i) => i + 1).join(' ')}`).join('\n')}\n`,
  );
  // corners that lie in one place are one; triangles that vanish by that are left out
  const span = Math.max(...positions.flat().map(Math.abs));
  const known = new Map();
  const at = positions.map((p) => {
    const k = p.map((v) => Math.round(v / (1e-6 * span)) + 0).join();
    if (!known.has(k)) known.set(k, known.size);
    return known.get(k);
  });
  const welded = cells.map((c) => c.map((i) => at[i])).filter(([a, b, c]) => a !== b && b !== c && c !== a);
  const edges = new Set(welded.flatMap(([a, b, c]) => [`${a} ${b}`, `${b} ${c}`, `${c} ${a}`]));
  const open = [...edges].filter((e) => !edges.has(e.split(' ').reverse().join(' '))).length;
  out[name] = { triangles: cells.length, open };
  if (open === 0) {
    const mesh = new wasm.Mesh({ numProp: 3, vertProperties: new Float32Array(positions.flat()), triVerts: new Uint32Array(cells.flat()) });
    const solid = new wasm.Manifold(mesh);
    const box = solid.boundingBox();
    Object.assign(out[name], {
      volume: solid.volume(),
      area: solid.surfaceArea(),
      genus: solid.genus(),
      min: [...box.min],
      max: [...box.max],
    });
  }
}
console.log(JSON.stringify(out));

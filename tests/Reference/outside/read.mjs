// Reads an STL or 3MF file with the loaders of three.js and prints what it finds: triangles, volume, bounds, bodies.
import { readFileSync } from 'node:fs';
import { DOMParser } from 'linkedom';

globalThis.DOMParser = DOMParser;
const { STLLoader } = await import('three/examples/jsm/loaders/STLLoader.js');
const { ThreeMFLoader } = await import('three/examples/jsm/loaders/3MFLoader.js');
const bytes = readFileSync(process.argv[2]);
const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length);
const geometries = [];
if (process.argv[2].endsWith('.stl')) geometries.push(new STLLoader().parse(buffer));
else new ThreeMFLoader().parse(buffer).traverse((o) => o.isMesh && geometries.push(o.geometry));
let volume = 0;
let triangles = 0;
const min = [Infinity, Infinity, Infinity];
const max = [-Infinity, -Infinity, -Infinity];
for (const g of geometries) {
  const flat = g.index ? g.toNonIndexed() : g;
  const p = flat.getAttribute('position').array;
  for (let i = 0; i < p.length; i += 9) {
    triangles++;
    volume +=
      (p[i] * (p[i + 4] * p[i + 8] - p[i + 5] * p[i + 7]) +
        p[i + 1] * (p[i + 5] * p[i + 6] - p[i + 3] * p[i + 8]) +
        p[i + 2] * (p[i + 3] * p[i + 7] - p[i + 4] * p[i + 6])) /
      6;
  }
  for (let i = 0; i < p.length; i++) {
    min[i % 3] = Math.min(min[i % 3], p[i]);
    max[i % 3] = Math.max(max[i % 3], p[i]);
  }
}
console.log(JSON.stringify({ bodies: geometries.length, triangles, volume, min, max }));

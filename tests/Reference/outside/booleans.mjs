// Reads {"pairs": [[meshP, meshQ], ...]} from standard input, mesh = {"v": [x,y,z,...], "t": [a,b,c,...]}, and prints the
// volumes of union, difference and intersection that manifold-3d finds on the same facets.
import { pairs, solid } from './support.mjs';

const volume = (m) => {
  const x = m.volume();
  m.delete();
  return x;
};
const out = pairs.map(([a, b]) => {
  const p = solid(a);
  const q = solid(b);
  const row = [p.status(), q.status(), volume(p.add(q)), volume(p.subtract(q)), volume(p.intersect(q)), p.volume(), q.volume()];
  p.delete();
  q.delete();
  return row;
});
console.log(JSON.stringify(out));

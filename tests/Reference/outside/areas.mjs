// Areas of what pairs of polygons share, of each without the other and of both together, by polygon-clipping.
import clip from 'polygon-clipping';

let text = '';
for await (const chunk of process.stdin) text += chunk;
const ring = (r) => r.reduce((s, [x, y], i) => s + x * r[(i + 1) % r.length][1] - r[(i + 1) % r.length][0] * y, 0) / 2;
const area = (multi) => multi.reduce((s, polygon) => s + polygon.reduce((t, r, i) => t + (i === 0 ? 1 : -1) * Math.abs(ring(r)), 0), 0);
console.log(
  JSON.stringify(
    JSON.parse(text).map(([a, b]) => [area(clip.intersection([a], [b])), area(clip.difference([a], [b])), area(clip.difference([b], [a]))]),
  ),
);

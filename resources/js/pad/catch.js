// What lies under the pointer: ends, middles, lines, rounds, and the level or plumb of another point. Only offers; what is
// caught is sent along and becomes a relation on the server.
const near = 9;

export function catchAt(view, drawing, xy, pitch, free, avoid = '') {
  const [u, v] = view.from(xy);
  if (free) return { u, v, words: '' };
  const reach = near / view.k;
  const points = [{ id: 'origin', u: 0, v: 0 }, ...drawing.points].filter((p) => p.id !== avoid);
  let best = null;
  let least = reach;
  for (const p of points) {
    const d = Math.hypot(p.u - u, p.v - v);
    if (d < least) { least = d; best = { u: p.u, v: p.v, point: p.id, words: p.id === 'origin' ? 'origin' : `end ${p.id}` }; }
  }
  if (best) return best;
  const at = Object.fromEntries(points.map((p) => [p.id, p]));
  for (const l of drawing.lines) {
    if (l.kind !== 'line' || !at[l.points[0]] || !at[l.points[1]]) continue;
    const [a, b] = [at[l.points[0]], at[l.points[1]]];
    const m = { u: (a.u + b.u) / 2, v: (a.v + b.v) / 2 };
    if (Math.hypot(m.u - u, m.v - v) < least) { least = Math.hypot(m.u - u, m.v - v); best = { ...m, middleOf: l.id, words: `middle of ${l.id}` }; }
  }
  if (best) return best;
  for (const l of drawing.lines) {
    const a = at[l.points[0]];
    if (!a) continue;
    let q = null;
    if (l.kind === 'line' && at[l.points[1]]) {
      const b = at[l.points[1]];
      const [du, dv] = [b.u - a.u, b.v - a.v];
      const t = Math.max(0, Math.min(1, ((u - a.u) * du + (v - a.v) * dv) / (du * du + dv * dv || 1)));
      q = { u: a.u + t * du, v: a.v + t * dv };
    } else if (l.kind === 'circle' || l.kind === 'arc') {
      const d = Math.hypot(u - a.u, v - a.v) || 1;
      q = { u: a.u + (u - a.u) / d * l.size, v: a.v + (v - a.v) / d * l.size };
    }
    if (q && Math.hypot(q.u - u, q.v - v) < least) { least = Math.hypot(q.u - u, q.v - v); best = { ...q, on: [l.id], words: `on ${l.id}` }; }
  }
  if (best) return best;
  const out = { u, v, words: '' };
  const level = points.filter((p) => Math.abs(p.v - v) < reach * 0.7).sort((a, b) => Math.abs(a.u - u) - Math.abs(b.u - u))[0];
  const plumb = points.filter((p) => Math.abs(p.u - u) < reach * 0.7).sort((a, b) => Math.abs(a.v - v) - Math.abs(b.v - v))[0];
  const words = [];
  if (level) { out.v = level.v; out.level = level.id; words.push(`level with ${level.id}`); }
  if (plumb) { out.u = plumb.u; out.plumb = plumb.id; words.push(`plumb with ${plumb.id}`); }
  // otherwise onto the paper's squares, as a place to begin with
  if (!level && Math.abs(Math.round(v / pitch) * pitch - v) < reach * 0.6) out.v = Math.round(v / pitch) * pitch;
  if (!plumb && Math.abs(Math.round(u / pitch) * pitch - u) < reach * 0.6) out.u = Math.round(u / pitch) * pitch;
  return { ...out, words: words.join(', ') };
}

// the line, circle, arc or curve nearest to a place
export function lineAt(svg, e) {
  for (const [dx, dy] of [[0, 0], [4, 0], [-4, 0], [0, 4], [0, -4], [3, 3], [-3, -3], [3, -3], [-3, 3]]) {
    const hit = document.elementFromPoint(e.clientX + dx, e.clientY + dy)?.closest?.('[data-line]');
    if (hit && svg.contains(hit)) return hit.dataset.line;
  }
  return null;
}

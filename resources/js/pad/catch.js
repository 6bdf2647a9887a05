// What lies under the pointer: ends, middles, crossings, quadrants, touchings, lines, rounds, and the level or plumb of
// another point. Only offers; what is caught is sent along and becomes a relation on the server.
const near = 9;

const apart = (a, b) => Math.hypot(a.u - b.u, a.v - b.v);

// the spot of a line, circle or arc nearest to a place; null where it has none
function spotOn(l, at, here) {
  const a = at[l.points[0]];
  if (!a) return null;
  if (l.kind === 'line') {
    const b = at[l.points[1]];
    if (!b) return null;
    const [du, dv] = [b.u - a.u, b.v - a.v];
    const t = Math.max(0, Math.min(1, ((here.u - a.u) * du + (here.v - a.v) * dv) / (du * du + dv * dv || 1)));
    return { u: a.u + t * du, v: a.v + t * dv };
  }
  if (l.kind !== 'circle' && l.kind !== 'arc') return null;
  const d = apart(a, here) || 1;
  const q = { u: a.u + ((here.u - a.u) / d) * l.size, v: a.v + ((here.v - a.v) / d) * l.size };
  return l.kind === 'arc' && !onArc(l, at, q) ? null : q;
}

function onArc(l, at, q) {
  const [m, a, b] = l.points.map((p) => at[p]);
  if (!a || !b) return true;
  const turn = (p) => Math.atan2(p.v - m.v, p.u - m.u);
  const past = (x) => ((x % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  return past(turn(q) - turn(a)) <= past(turn(b) - turn(a)) + 1e-9;
}

// where two of them cross; lines as if they went on
function crossings(l, m, at) {
  if (l.kind !== 'line' && m.kind === 'line') return crossings(m, l, at);
  const a = at[l.points[0]];
  const c = at[m.points[0]];
  if (l.kind === 'line') {
    const b = at[l.points[1]];
    const [du, dv] = [b.u - a.u, b.v - a.v];
    const n = Math.hypot(du, dv) || 1;
    if (m.kind === 'line') {
      const d = at[m.points[1]];
      const [eu, ev] = [d.u - c.u, d.v - c.v];
      const x = du * ev - dv * eu;
      if (Math.abs(x) < 1e-6 * n * Math.hypot(eu, ev)) return [];
      const t = ((c.u - a.u) * ev - (c.v - a.v) * eu) / x;
      return [{ u: a.u + t * du, v: a.v + t * dv }];
    }
    const t = ((c.u - a.u) * du + (c.v - a.v) * dv) / n;
    const f = { u: a.u + (t * du) / n, v: a.v + (t * dv) / n };
    const h = m.size ** 2 - apart(f, c) ** 2;
    return h < 0 ? [] : [-1, 1].map((s) => ({ u: f.u + (s * Math.sqrt(h) * du) / n, v: f.v + (s * Math.sqrt(h) * dv) / n }));
  }
  const d = apart(a, c);
  if (d < 1e-9) return [];
  const t = (d * d + l.size ** 2 - m.size ** 2) / (2 * d);
  const h = l.size ** 2 - t * t;
  const [du, dv] = [(c.u - a.u) / d, (c.v - a.v) / d];
  return h < 0 ? [] : [-1, 1].map((s) => ({ u: a.u + t * du - s * Math.sqrt(h) * dv, v: a.v + t * dv + s * Math.sqrt(h) * du }));
}

// from where a line comes: places of a round where it touches, and of a line where it stands square
function fromThere(l, at, from) {
  const a = at[l.points[0]];
  if (l.kind === 'line') {
    const b = at[l.points[1]];
    const [du, dv] = [b.u - a.u, b.v - a.v];
    const t = ((from.u - a.u) * du + (from.v - a.v) * dv) / (du * du + dv * dv || 1);
    const q = { u: a.u + t * du, v: a.v + t * dv };
    return t < 0 || t > 1 || apart(q, from) < 1e-6 ? [] : [{ ...q, on: [l.id], square: l.id, words: `square onto ${l.id}` }];
  }
  const d = apart(a, from);
  if (d < l.size * 1.0001) return [];
  const [eu, ev] = [(from.u - a.u) / d, (from.v - a.v) / d];
  const c = l.size / d;
  const s = Math.sqrt(1 - c * c);
  return [-1, 1]
    .map((k) => ({
      u: a.u + l.size * (c * eu - k * s * ev),
      v: a.v + l.size * (c * ev + k * s * eu),
      on: [l.id],
      touches: l.id,
      words: `touches ${l.id}`,
    }))
    .filter((q) => l.kind === 'circle' || onArc(l, at, q));
}

export function catchAt(view, drawing, xy, pitch, free, from = null) {
  const [u, v] = view.from(xy);
  if (free) return { u, v, words: '' };
  const here = { u, v };
  const reach = near / view.k;
  const points = [{ id: 'origin', u: 0, v: 0 }, ...drawing.points];
  const at = Object.fromEntries(points.map((p) => [p.id, p]));
  const middles = new Set(drawing.lines.filter((l) => ['circle', 'arc', 'ellipse'].includes(l.kind)).map((l) => l.points[0]));
  let best = null;
  let least = reach;
  const offer = (q, more = {}) => {
    const d = apart(q, here);
    if (d < least) {
      least = d;
      best = { u: q.u, v: q.v, ...more };
    }
  };
  for (const p of points)
    offer(p, { point: p.id, words: p.id === 'origin' ? 'origin' : `${middles.has(p.id) ? 'middle' : 'end'} ${p.id}` });
  if (best) return best;
  const close = drawing.lines.filter((l) => {
    const q = spotOn(l, at, here);
    return q && apart(q, here) < 1.6 * reach;
  });
  for (const l of close)
    if (l.kind === 'line')
      offer(
        { u: (at[l.points[0]].u + at[l.points[1]].u) / 2, v: (at[l.points[0]].v + at[l.points[1]].v) / 2 },
        { middleOf: l.id, words: `middle of ${l.id}` },
      );
  if (best) return best;
  close.forEach((l, i) =>
    close
      .slice(i + 1, 8)
      .forEach((m) => crossings(l, m, at).forEach((q) => offer(q, { on: [l.id, m.id], words: `crossing of ${l.id} and ${m.id}` }))),
  );
  if (best) return best;
  for (const l of close) {
    if (l.kind === 'line') continue;
    const m = at[l.points[0]];
    for (const [du, dv] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ]) {
      const q = { u: m.u + du * l.size, v: m.v + dv * l.size };
      if (l.kind === 'circle' || onArc(l, at, q))
        offer(q, { on: [l.id], [dv === 0 ? 'level' : 'plumb']: m.id, words: `quadrant of ${l.id}` });
    }
  }
  if (best) return best;
  if (from) for (const l of close) for (const q of fromThere(l, at, from)) offer(q, q);
  if (best) return best;
  for (const l of close) offer(spotOn(l, at, here), { on: [l.id], words: `on ${l.id}` });
  if (best) return best;
  const out = { u, v, words: '' };
  const level = points.filter((p) => Math.abs(p.v - v) < reach * 0.7).sort((a, b) => Math.abs(a.u - u) - Math.abs(b.u - u))[0];
  const plumb = points.filter((p) => Math.abs(p.u - u) < reach * 0.7).sort((a, b) => Math.abs(a.v - v) - Math.abs(b.v - v))[0];
  const words = [];
  if (level) {
    out.v = level.v;
    out.level = level.id;
    words.push(`level with ${level.id}`);
  }
  if (plumb) {
    out.u = plumb.u;
    out.plumb = plumb.id;
    words.push(`plumb with ${plumb.id}`);
  }
  // otherwise onto the paper's squares, as a place to begin with
  if (!level && Math.abs(Math.round(v / pitch) * pitch - v) < reach * 0.6) out.v = Math.round(v / pitch) * pitch;
  if (!plumb && Math.abs(Math.round(u / pitch) * pitch - u) < reach * 0.6) out.u = Math.round(u / pitch) * pitch;
  return { ...out, words: words.join(', ') };
}

// what of a kind (line, edge, mark, size) is nearest to the pointer
export function under(svg, e, kind) {
  for (const [dx, dy] of [
    [0, 0],
    [4, 0],
    [-4, 0],
    [0, 4],
    [0, -4],
    [3, 3],
    [-3, -3],
    [3, -3],
    [-3, 3],
  ]) {
    const hit = document.elementFromPoint(e.clientX + dx, e.clientY + dy)?.closest?.(`[data-${kind}]`);
    if (hit && svg.contains(hit)) return hit.dataset[kind];
  }
  return null;
}

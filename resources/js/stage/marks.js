// Marks of the last check on the part: a dimension line for a length, a ring for a hole, a leader for a spot, an outline for a plane.
const NS = 'http://www.w3.org/2000/svg';
const colour = { met: 'var(--color-violet)', stale: 'var(--color-violet)', off: 'var(--color-chalk)', missing: 'var(--color-chalk)' };

function add(parent, tag, attributes, text) {
  const e = document.createElementNS(NS, tag);
  for (const [k, v] of Object.entries(attributes)) e.setAttribute(k, v);
  if (text !== undefined) e.textContent = text;
  parent.appendChild(e);
  return e;
}

function label(g, x, y, mark, c, anchor = 'middle') {
  const t = add(g, 'text', { x, y, class: 'dwg-num', 'text-anchor': anchor, style: `fill:${c}` });
  add(t, 'tspan', { class: 'dwg-tag' }, mark.letter);
  if (mark.text) add(t, 'tspan', {}, ` ${mark.text}`);
}

// The edge of the part's box, parallel to the mark, that lies on the outside of the picture: below for lengths and
// depths, at the right for heights. The dimension line stands off from there, so lines of different axes never cross.
function outerEdge(place, box, project) {
  const { a, b, axis } = place;
  const others = [0, 1, 2].filter((k) => k !== axis);
  const middle = project(box.lo.map((v, k) => (v + box.hi[k]) / 2));
  let best = null;
  for (const i of ['lo', 'hi']) {
    for (const j of ['lo', 'hi']) {
      const p = [...a];
      const q = [...b];
      p[others[0]] = q[others[0]] = box[i][others[0]];
      p[others[1]] = q[others[1]] = box[j][others[1]];
      const [s, t] = [project(p), project(q)];
      const out = [(s[0] + t[0]) / 2 - middle[0], (s[1] + t[1]) / 2 - middle[1]];
      const score = axis === 2 ? out[0] + 0.2 * out[1] : out[1] + 0.01 * Math.abs(out[0]);
      if (!best || score > best.score + 1e-6) best = { score, p: s, q: t, out };
    }
  }
  return best;
}

function span(g, mark, project, box, c, row) {
  const { p, q, out } = outerEdge(mark.place, box, project);
  const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
  if (length < 8) return false;
  const u = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
  let n = [-u[1], u[0]];
  if (n[0] * out[0] + n[1] * out[1] < 0) n = [-n[0], -n[1]];
  // the words of an upright length stand beside its line, and the next line beyond them
  const far = 24 + (Math.abs(n[0]) < 0.35 ? 30 : 78) * row;
  const e = [p, q].map((s) => [s[0] + n[0] * far, s[1] + n[1] * far]);
  [p, q].forEach((s, i) =>
    add(g, 'path', {
      d: `M${s[0] + n[0] * 4} ${s[1] + n[1] * 4}L${e[i][0] + n[0] * 6} ${e[i][1] + n[1] * 6}`,
      stroke: 'var(--color-ink2)',
      'stroke-width': 0.8,
    }),
  );
  add(g, 'path', { d: `M${e[0]}L${e[1]}`, stroke: 'var(--color-bench)', 'stroke-width': 7 });
  const m = [(e[0][0] + e[1][0]) / 2, (e[0][1] + e[1][1]) / 2];
  if (mark.status === 'off') {
    // broken by a zigzag where the size is not what is asked
    const at = (k, d) => `${m[0] + u[0] * k + n[0] * d} ${m[1] + u[1] * k + n[1] * d}`;
    add(g, 'path', {
      d: `M${e[0]}L${at(-9, 0)} ${at(-4, -7)} ${at(4, 7)} ${at(9, 0)} ${e[1]}`,
      fill: 'none',
      stroke: c,
      'stroke-width': 2.2,
      'stroke-linejoin': 'bevel',
    });
  } else add(g, 'path', { d: `M${e[0]}L${e[1]}`, stroke: c, 'stroke-width': mark.status === 'met' ? 4 : 2 });
  const v = [(n[0] + u[0]) * 5.5, (n[1] + u[1]) * 5.5];
  e.forEach((s) => add(g, 'path', { d: `M${s[0] - v[0]} ${s[1] - v[1]}L${s[0] + v[0]} ${s[1] + v[1]}`, stroke: c, 'stroke-width': 2.4 }));
  const side = Math.abs(n[0]) < 0.35 ? 'middle' : n[0] > 0 ? 'start' : 'end';
  label(g, m[0] + n[0] * 12, m[1] + n[1] * 14 + 5, mark, c, side);
  return true;
}

function ring(g, mark, project, c, n) {
  const { centre, axis, radius, asked } = mark.place;
  const circle = (r) => {
    let d = '';
    for (let i = 0; i <= 60; i++) {
      const t = (i / 60) * 2 * Math.PI;
      const o = [Math.cos(t) * r, Math.sin(t) * r];
      const p = [...centre];
      const axes = [0, 1, 2].filter((k) => k !== axis);
      p[axes[0]] += o[0];
      p[axes[1]] += o[1];
      d += `${i ? 'L' : 'M'}${project(p)
        .map((v) => v.toFixed(1))
        .join(' ')}`;
    }
    return `${d}Z`;
  };
  add(g, 'path', { d: circle(radius), fill: 'none', stroke: c, 'stroke-width': 3 });
  if (asked && mark.status !== 'met')
    add(g, 'path', { d: circle(asked), fill: 'none', stroke: c, 'stroke-width': 2, 'stroke-dasharray': '7 5' });
  leader(g, project(centre), mark, c, n);
}

// A length between two points of the part, drawn where it is.
function between(g, mark, project, c, n) {
  const [p, q] = [project(mark.place.a), project(mark.place.b)];
  add(g, 'path', { d: `M${p}L${q}`, stroke: 'var(--color-bench)', 'stroke-width': 6, opacity: 0.85 });
  add(g, 'path', { d: `M${p}L${q}`, stroke: c, 'stroke-width': mark.status === 'met' ? 4 : 2.2 });
  [p, q].forEach((s) => add(g, 'circle', { cx: s[0], cy: s[1], r: 4, fill: c, stroke: 'var(--color-sheet)', 'stroke-width': 1.5 }));
  leader(g, [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2], mark, c, n);
}

function plane(g, mark, project, c, n) {
  const d = `M${mark.place.corners
    .map((p) =>
      project(p)
        .map((v) => v.toFixed(1))
        .join(' '),
    )
    .join('L')}Z`;
  add(g, 'path', { d, fill: c, 'fill-opacity': 0.14, stroke: c, 'stroke-width': 1.75, 'stroke-dasharray': '14 4 3 4' });
  leader(g, project(mark.place.at), mark, c, n);
}

function leader(g, p, mark, c, n) {
  // to the right where there is room for the words, else to the left
  const right = p[0] + 46 + 12 * (mark.text?.length ?? 0) < g.ownerSVGElement.clientWidth;
  const way = right ? 1 : -1;
  const q = [p[0] + 46 * way, Math.max(30, p[1] - 60 - 24 * n)];
  const d = `M${p[0]} ${p[1]}L${q[0]} ${q[1]}h${70 * way}`;
  add(g, 'path', { d, fill: 'none', stroke: 'var(--color-bench)', 'stroke-width': 5, opacity: 0.85 });
  add(g, 'path', { d, fill: 'none', stroke: c, 'stroke-width': 1.75 });
  add(g, 'circle', { cx: p[0], cy: p[1], r: 3.5, fill: c, stroke: 'var(--color-sheet)', 'stroke-width': 1.5 });
  label(g, q[0] + 2 * way, q[1] - 6, mark, c, right ? 'start' : 'end');
}

export function drawMarks(svg, marks, project, box, picked) {
  if (!box) return;
  // only what is off is shown, and what is picked; everything met would hide the part. Overall lengths always stand.
  const shown = marks.filter((m) => m.id === picked || (m.status !== 'met' && !picked) || m.place.kind === 'span');
  const rows = {};
  let leaders = 0;
  for (const mark of shown) {
    const c = mark.id === picked ? 'var(--color-ink)' : (colour[mark.status] ?? 'var(--color-graphite)');
    const g = add(svg, 'g', {});
    if (mark.place.kind === 'span') {
      if (span(g, mark, project, box, c, rows[mark.place.axis] ?? 0)) rows[mark.place.axis] = (rows[mark.place.axis] ?? 0) + 1;
    } else if (mark.place.kind === 'ring') ring(g, mark, project, c, leaders++);
    else if (mark.place.kind === 'between') between(g, mark, project, c, leaders++);
    else if (mark.place.kind === 'plane') plane(g, mark, project, c, leaders++);
    else leader(g, project(mark.place.at), mark, c, leaders++);
  }
}

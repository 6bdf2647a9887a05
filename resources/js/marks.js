// Marks of the last check on the part: a dimension line for a length, a ring for a hole, a leader for a spot.
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

function span(g, mark, project, frame, c, stack) {
  const { a, b, axis } = mark.place;
  const p = project(a);
  const q = project(b);
  const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
  if (length < 8) return;
  // stands off to the outer side, sizes on one side behind each other
  let n = [-(q[1] - p[1]) / length, (q[0] - p[0]) / length];
  if (n[1] < -0.2 || (Math.abs(n[1]) <= 0.2 && n[0] < 0)) n = [-n[0], -n[1]];
  const off = mark.off ?? 0;
  const far = off + 26 * stack;
  const e = [p, q].map((s) => [s[0] + n[0] * far, s[1] + n[1] * far]);
  [p, q].forEach((s, i) => add(g, 'path', { d: `M${s[0]} ${s[1]}L${e[i][0] + n[0] * 6} ${e[i][1] + n[1] * 6}`, stroke: 'var(--color-ink2)', 'stroke-width': 0.8 }));
  add(g, 'path', { d: `M${e[0]}L${e[1]}`, stroke: 'var(--color-bench)', 'stroke-width': 7 });
  add(g, 'path', { d: `M${e[0]}L${e[1]}`, stroke: c, 'stroke-width': mark.status === 'met' ? 4 : 2 });
  const u = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
  const v = [(n[0] + u[0]) * 5.5, (n[1] + u[1]) * 5.5];
  e.forEach((s) => add(g, 'path', { d: `M${s[0] - v[0]} ${s[1] - v[1]}L${s[0] + v[0]} ${s[1] + v[1]}`, stroke: c, 'stroke-width': 2.4 }));
  const m = [(e[0][0] + e[1][0]) / 2, (e[0][1] + e[1][1]) / 2];
  const upright = Math.abs(u[1]) > 0.7;
  label(g, m[0] + (upright ? n[0] * 10 : n[0] * 14), m[1] + (upright ? 5 : n[1] * 18 + 4), mark, c, upright ? (n[0] > 0 ? 'start' : 'end') : 'middle');
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
      d += `${i ? 'L' : 'M'}${project(p).map((v) => v.toFixed(1)).join(' ')}`;
    }
    return `${d}Z`;
  };
  add(g, 'path', { d: circle(radius), fill: 'none', stroke: c, 'stroke-width': 3 });
  if (asked && mark.status !== 'met') add(g, 'path', { d: circle(asked), fill: 'none', stroke: c, 'stroke-width': 2, 'stroke-dasharray': '7 5' });
  leader(g, project(centre), mark, c, n);
}

function leader(g, p, mark, c, n) {
  const q = [p[0] + 46, p[1] - 60 - 24 * n];
  const d = `M${p[0]} ${p[1]}L${q[0]} ${q[1]}h70`;
  add(g, 'path', { d, fill: 'none', stroke: 'var(--color-bench)', 'stroke-width': 5, opacity: 0.85 });
  add(g, 'path', { d, fill: 'none', stroke: c, 'stroke-width': 1.75 });
  add(g, 'circle', { cx: p[0], cy: p[1], r: 3.5, fill: c, stroke: 'var(--color-sheet)', 'stroke-width': 1.5 });
  label(g, q[0] + 2, q[1] - 6, mark, c, 'start');
}

export function drawMarks(svg, marks, project, frame, picked) {
  svg.replaceChildren();
  // only what is off is shown, and what is picked; everything met would hide the part
  const shown = marks.filter((m) => m.id === picked || (m.status !== 'met' && !picked) || m.place.kind === 'span');
  const stacks = {};
  let leaders = 0;
  const points = marks.filter((m) => m.place.kind === 'span').flatMap((m) => [m.place.a, m.place.b]);
  for (const mark of shown) {
    const c = mark.id === picked ? 'var(--color-ink)' : colour[mark.status] ?? 'var(--color-graphite)';
    const g = add(svg, 'g', {});
    if (mark.place.kind === 'span') {
      const [a, b] = [project(mark.place.a), project(mark.place.b)];
      const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      let n = [-(b[1] - a[1]) / l, (b[0] - a[0]) / l];
      if (n[1] < -0.2 || (Math.abs(n[1]) <= 0.2 && n[0] < 0)) n = [-n[0], -n[1]];
      // beyond everything measured, so that the line clears the part
      mark.off = Math.max(0, ...points.map((q) => { const s = project(q); return (s[0] - a[0]) * n[0] + (s[1] - a[1]) * n[1]; })) + 4;
      const key = mark.place.axis;
      stacks[key] = (stacks[key] ?? 0) + 1;
      span(g, mark, project, frame, c, stacks[key]);
    } else if (mark.place.kind === 'ring') ring(g, mark, project, c, leaders++);
    else leader(g, project(mark.place.at), mark, c, leaders++);
  }
}

// Draws dimensions: beside what they measure, clear of each other. Gives back where their labels stand: x, y, width.
import { el } from './svg.js';

export function paintSizes(svg, view, d) {
  const mid = d.points.length ? d.points.reduce((s, p) => [s[0] + p.u / d.points.length, s[1] + p.v / d.points.length], [0, 0]) : [0, 0];
  const used = [];
  const placed = [];
  // the first of some places where a label covers no other
  const clear = (places, w) =>
    places.find(([x, y]) => !placed.some((q) => Math.abs(q[0] - x) < (q[2] + w) / 2 + 2 && Math.abs(q[1] - y) < 24)) ?? places[0];
  for (const s of d.sizes) {
    const text = s.show + s.plain;
    const width = 8.2 * text.length + 12;
    let [a, b] = [view.to(s.from), view.to(s.to)];
    const g = el('g', { class: s.measured ? 'sz read' : 'sz', 'data-size': s.id });
    const round = s.kind === 'radius' || s.kind === 'diameter';
    let at;
    let lead = null;
    if (round) {
      const r = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      const [x, y] = [(b[0] - a[0]) / r, (b[1] - a[1]) / r];
      const side = x < -0.2 ? -1 : 1;
      at = clear(
        [26, 50, 74, 12, 98].map((k) => [b[0] + k * x + side * (14 + width / 2), b[1] + k * y]),
        width,
      );
      lead = [b, at, side];
    } else if (s.kind === 'angle') {
      g.append(el('path', { d: `M${a[0]} ${a[1]}L${b[0]} ${b[1]}`, class: 'line', 'stroke-dasharray': '2 4' }));
      at = clear(
        [0.5, 0.35, 0.65, 0.2, 0.8].map((t) => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]),
        width,
      );
    } else {
      // beside what is measured, away from the middle of the sketch, one row further for each that is there already
      let [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      if (s.axis === 'u') [dx, dy] = [dx || 1e-6, 0];
      if (s.axis === 'v') [dx, dy] = [0, dy || 1e-6];
      const l = Math.hypot(dx, dy) || 1;
      let [nx, ny] = [-dy / l, dx / l];
      const m = view.to(mid);
      if (nx * ((a[0] + b[0]) / 2 - m[0]) + ny * ((a[1] + b[1]) / 2 - m[1]) < 0) [nx, ny] = [-nx, -ny];
      let off = 24;
      const far = Math.max(nx * a[0] + ny * a[1], nx * b[0] + ny * b[1]);
      while (
        used.some(
          (q) =>
            Math.abs(q[0] - nx) + Math.abs(q[1] - ny) < 0.2 &&
            Math.abs(q[2] - far - off) < 22 &&
            q[3] > Math.min((a[0] * dx) / l + (a[1] * dy) / l, (b[0] * dx) / l + (b[1] * dy) / l) &&
            q[4] < Math.max((a[0] * dx) / l + (a[1] * dy) / l, (b[0] * dx) / l + (b[1] * dy) / l),
        )
      )
        off += 24;
      used.push([
        nx,
        ny,
        far + off,
        Math.max((a[0] * dx) / l + (a[1] * dy) / l, (b[0] * dx) / l + (b[1] * dy) / l),
        Math.min((a[0] * dx) / l + (a[1] * dy) / l, (b[0] * dx) / l + (b[1] * dy) / l),
      ]);
      const p = [a[0] + nx * (far + off - nx * a[0] - ny * a[1]), a[1] + ny * (far + off - nx * a[0] - ny * a[1])];
      const q = [b[0] + nx * (far + off - nx * b[0] - ny * b[1]), b[1] + ny * (far + off - nx * b[0] - ny * b[1])];
      const slant = ([x, y]) =>
        `M${x - (4.5 * (dx - dy)) / l} ${y - (4.5 * (dy + dx)) / l}L${x + (4.5 * (dx - dy)) / l} ${y + (4.5 * (dy + dx)) / l}`;
      g.append(
        el('path', {
          d: `M${a[0] + nx * 4} ${a[1] + ny * 4}L${p[0] + nx * 4} ${p[1] + ny * 4}M${b[0] + nx * 4} ${b[1] + ny * 4}L${q[0] + nx * 4} ${q[1] + ny * 4}`,
          class: 'ext',
        }),
      );
      g.append(el('path', { d: `M${p[0]} ${p[1]}L${q[0]} ${q[1]}`, class: 'line' }), el('path', { d: slant(p) + slant(q), class: 'end' }));
      at = clear(
        [0.5, 0.3, 0.7, 0.15, 0.85, -0.15, 1.15].map((t) => [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]),
        width,
      );
    }
    placed.push([...at, width]);
    if (lead)
      g.append(
        el('path', { d: `M${lead[0][0]} ${lead[0][1]}L${at[0] - lead[2] * (width / 2 + 14)} ${at[1]}h${10 * lead[2]}`, class: 'line' }),
      );
    const x = at[0] - width / 2;
    g.append(
      el('rect', { x, y: at[1] - 11, width, height: 22, class: 'ground' }),
      el('path', { d: `M${x} ${at[1] + 11}h${width}`, class: 'under' }),
      el('text', { x: x + width / 2, y: at[1] + 5, 'text-anchor': 'middle' }, text),
    );
    g.dataset.at = `${x} ${at[1] - 11}`;
    svg.append(g);
  }
  return placed;
}

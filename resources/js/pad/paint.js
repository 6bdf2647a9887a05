// Draws the state of a sketch as SVG. Loose is pencil: thin, broken, open rings. Settled is ink: violet, with square nails.
const NS = 'http://www.w3.org/2000/svg';
export const el = (name, attrs = {}, text) => {
  const e = document.createElementNS(NS, name);
  for (const [k, v] of Object.entries(attrs)) e.setAttribute(k, v);
  if (text !== undefined) e.textContent = text;
  return e;
};
const c = (name) => `var(--color-${name})`;

// marks as drawn on paper or in a geometry book, about 14 wide, around 0 0
const MARKS = {
  horizontal: 'M-5 -3.5H5A3.5 3.5 0 0 1 5 3.5H-5A3.5 3.5 0 0 1 -5 -3.5ZM-2.6 -3.5V3.5M2.6 -3.5V3.5',
  vertical: 'M0 -8V1M-3.5 1H3.5L0 8Z',
  equal: 'M-2 -5L-2 5M2 -5L2 5',
  parallel: 'M-5 -4L-1 0L-5 4M1 -4L5 0L1 4',
  perpendicular: 'M-5 5H5M0 5V-5M0 1H4V5',
  tangent: 'M-7 4H7M-5 4A5 5 0 0 1 5 4',
  concentric: 'M-5 0A5 5 0 1 1 5 0A5 5 0 1 1 -5 0M-7 0H7M0 -7V7',
  midpoint: 'M-7 0H7M-7 -3V3M7 -3V3M-2.5 -2.5H2.5V2.5H-2.5Z',
  symmetric: 'M0 -7V7M-3 -4L-6 0L-3 4M3 -4L6 0L3 4',
  collinear: 'M-7 0H-3M-1.5 0H1.5M3 0H7',
  fixed: 'M-5 -2H5M-5 -2L-7 3M0 -2L-2 3M5 -2L3 3',
};

export function paint(svg, view, state, picked, pitch, behind = '') {
  const d = state.drawing;
  svg.replaceChildren();
  const [w, h] = view.size;
  svg.setAttribute('viewBox', `0 0 ${w} ${h}`);
  const defs = el('defs');
  defs.innerHTML = '<pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="7" height="7" fill="var(--color-birch-top)"/><path d="M0 0V7" stroke="var(--color-birch-shade)" stroke-width="1"/></pattern>';
  svg.append(defs);
  // the paper's squares, coarser where they would be too fine
  let step = pitch;
  while (step * view.k < 14) step *= 5;
  const grid = [];
  for (let u = Math.ceil(view.from([0, 0])[0] / step) * step; view.to([u, 0])[0] < w; u += step) grid.push(`M${view.to([u, 0])[0]} 0V${h}`);
  for (let v = Math.ceil(view.from([0, h])[1] / step) * step; view.to([0, v])[1] > 0; v += step) grid.push(`M0 ${view.to([0, v])[1]}H${w}`);
  svg.append(el('path', { d: grid.join(''), stroke: c('grid'), 'stroke-width': 1, fill: 'none' }));
  const [ox, oy] = view.to([0, 0]);
  svg.append(el('path', { d: `M0 ${oy}H${w}M${ox} 0V${h}`, stroke: c('ink2'), 'stroke-width': 0.9, 'stroke-dasharray': '14 3 2 3', fill: 'none' }));
  const [right, up] = (svg.dataset.axes ?? ',').split(',');
  svg.append(el('text', { x: 10, y: Math.max(40, Math.min(h - 8, oy - 6)), class: 'axis' }, `u, ${right}`), el('text', { x: Math.max(8, Math.min(w - 90, ox + 7)), y: 44, class: 'axis' }, `v, ${up}`));
  // the part as it is before the sketch, dimmed
  if (behind) {
    const g = el('g', { transform: view.matrix });
    g.append(el('path', { d: behind, fill: 'none', stroke: c('birch-shade'), 'stroke-width': 1.4, 'vector-effect': 'non-scaling-stroke' }));
    svg.append(g);
  }
  const areas = el('g', { transform: view.matrix });
  for (const r of d.regions) areas.append(el('path', { d: r.d, fill: c('birch-top'), 'fill-rule': 'evenodd', 'data-region': r.key, opacity: 0.55 }));
  svg.append(areas);
  const lines = el('g', { transform: view.matrix, fill: 'none', 'stroke-linecap': 'round' });
  for (const l of d.lines) {
    const helps = l.role !== 'outline';
    const on = picked.has(l.id);
    lines.append(el('path', { d: l.d, 'data-line': l.id, stroke: 'transparent', 'stroke-width': 12, 'vector-effect': 'non-scaling-stroke', 'pointer-events': 'stroke' }));
    lines.append(el('path', {
      d: l.d, class: 'ln', stroke: on ? c('ink') : helps ? c('ink2') : l.loose ? c('graphite') : c('violet'),
      'stroke-width': on ? 4.5 : helps ? 1.2 : l.loose ? 1.8 : 3, 'vector-effect': 'non-scaling-stroke', 'pointer-events': 'none',
      'stroke-dasharray': l.role === 'centre' ? '12 3 2 3' : helps ? '3 4' : l.loose ? '7 4' : 'none',
    }));
  }
  svg.append(lines);
  paintSizes(svg, view, d);
  // marks in one place stand side by side
  const marksAt = {};
  for (const m of d.marks) {
    if (!MARKS[m.kind]) continue;
    for (const at of m.at) {
      const [px, y] = view.to(at);
      const key = `${Math.round(px / 9)} ${Math.round(y / 9)}`;
      marksAt[key] = (marksAt[key] ?? -1) + 1;
      const x = px + 19 * marksAt[key];
      const g = el('g', { transform: `translate(${x + (m.kind === 'vertical' ? 13 : 0)} ${y + (m.kind === 'vertical' ? 0 : m.kind === 'fixed' ? 12 : -14)}) scale(1.15)`, class: 'mark-of' });
      g.append(el('path', { d: MARKS[m.kind], fill: c('sheet'), stroke: m.idle ? c('graphite') : c('ink'), 'stroke-width': 1.3, 'stroke-dasharray': m.idle ? '2 2' : 'none' }), el('title', {}, `${m.kind}, ${m.id}`));
      svg.append(g);
    }
  }
  const dots = el('g');
  dots.append(el('path', { d: `M${ox - 6} ${oy}H${ox + 6}M${ox} ${oy - 6}V${oy + 6}`, stroke: c('ink'), 'stroke-width': 2 }));
  for (const p of d.points) {
    const [x, y] = view.to([p.u, p.v]);
    const on = picked.has(p.id);
    dots.append(p.loose
      ? el('circle', { cx: x, cy: y, r: on ? 6 : 4.2, fill: on ? c('ink') : c('sheet'), stroke: c('graphite'), 'stroke-width': 1.6 })
      : el('rect', { x: x - (on ? 5 : 3.2), y: y - (on ? 5 : 3.2), width: on ? 10 : 6.4, height: on ? 10 : 6.4, fill: on ? c('ink') : c('violet') }));
  }
  if (picked.has('origin')) dots.append(el('circle', { cx: ox, cy: oy, r: 7, fill: 'none', stroke: c('ink'), 'stroke-width': 2 }));
  svg.append(dots);
  // which way what is loose can slide
  const shown = [];
  for (const m of d.moves.filter((m) => d.points.some((p) => p.id === m.id))) {
    const p = d.points.find((q) => q.id === m.id);
    const [x, y] = view.to([p.u, p.v]);
    // what hangs together moves together: one pair of arrows near each other says enough
    if (shown.length > 11 || shown.some((q) => Math.hypot(q[0] - x, q[1] - y) < 70)) continue;
    shown.push([x, y]);
    const a = -Math.atan2(m.along[1], m.along[0]) * 180 / Math.PI;
    for (const turn of [0, 180]) svg.append(el('path', { d: 'M10 -3H16V-6.5L23 0L16 6.5V3H10Z', transform: `translate(${x} ${y}) rotate(${a + turn})`, fill: c('sheet'), stroke: c('graphite'), 'stroke-width': 1.2, 'pointer-events': 'none' }));
  }
  for (const at of d.looseEnds) {
    const [x, y] = view.to(at);
    svg.append(el('circle', { cx: x, cy: y, r: 9, fill: 'none', stroke: c('chalk'), 'stroke-width': 1.4, 'stroke-dasharray': '3 3', 'pointer-events': 'none' }));
  }
  for (const g of d.gaps) {
    const [x, y] = view.to(g.at);
    svg.append(el('circle', { cx: x, cy: y, r: 13, fill: 'none', stroke: c('chalk'), 'stroke-width': 2 }));
    svg.append(el('text', { x: x + 17, y: y - 9, class: 'gap' }, `open by ${g.size}`));
  }
}

function paintSizes(svg, view, d) {
  const mid = d.points.length ? d.points.reduce((s, p) => [s[0] + p.u / d.points.length, s[1] + p.v / d.points.length], [0, 0]) : [0, 0];
  const used = [];
  const placed = [];
  // the first of some places where a label covers no other
  const clear = (places, w) => places.find(([x, y]) => !placed.some((q) => Math.abs(q[0] - x) < (q[2] + w) / 2 + 2 && Math.abs(q[1] - y) < 24)) ?? places[0];
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
      at = clear([26, 50, 74, 12, 98].map((k) => [b[0] + k * x + side * (14 + width / 2), b[1] + k * y]), width);
      lead = [b, at, side];
    } else if (s.kind === 'angle') {
      g.append(el('path', { d: `M${a[0]} ${a[1]}L${b[0]} ${b[1]}`, class: 'line', 'stroke-dasharray': '2 4' }));
      at = clear([0.5, 0.35, 0.65, 0.2, 0.8].map((t) => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]), width);
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
      while (used.some((q) => Math.abs(q[0] - nx) + Math.abs(q[1] - ny) < 0.2 && Math.abs(q[2] - far - off) < 22 && q[3] > Math.min(a[0] * dx / l + a[1] * dy / l, b[0] * dx / l + b[1] * dy / l) && q[4] < Math.max(a[0] * dx / l + a[1] * dy / l, b[0] * dx / l + b[1] * dy / l))) off += 24;
      used.push([nx, ny, far + off, Math.max(a[0] * dx / l + a[1] * dy / l, b[0] * dx / l + b[1] * dy / l), Math.min(a[0] * dx / l + a[1] * dy / l, b[0] * dx / l + b[1] * dy / l)]);
      const p = [a[0] + nx * (far + off - nx * a[0] - ny * a[1]), a[1] + ny * (far + off - nx * a[0] - ny * a[1])];
      const q = [b[0] + nx * (far + off - nx * b[0] - ny * b[1]), b[1] + ny * (far + off - nx * b[0] - ny * b[1])];
      const slant = ([x, y]) => `M${x - 4.5 * (dx - dy) / l} ${y - 4.5 * (dy + dx) / l}L${x + 4.5 * (dx - dy) / l} ${y + 4.5 * (dy + dx) / l}`;
      g.append(el('path', { d: `M${a[0] + nx * 4} ${a[1] + ny * 4}L${p[0] + nx * 4} ${p[1] + ny * 4}M${b[0] + nx * 4} ${b[1] + ny * 4}L${q[0] + nx * 4} ${q[1] + ny * 4}`, class: 'ext' }));
      g.append(el('path', { d: `M${p[0]} ${p[1]}L${q[0]} ${q[1]}`, class: 'line' }), el('path', { d: slant(p) + slant(q), class: 'end' }));
      at = clear([0.5, 0.3, 0.7, 0.15, 0.85, -0.15, 1.15].map((t) => [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]), width);
    }
    placed.push([...at, width]);
    if (lead) g.append(el('path', { d: `M${lead[0][0]} ${lead[0][1]}L${at[0] - lead[2] * (width / 2 + 14)} ${at[1]}h${10 * lead[2]}`, class: 'line' }));
    const x = at[0] - width / 2;
    g.append(el('rect', { x, y: at[1] - 11, width, height: 22, class: 'ground' }), el('path', { d: `M${x} ${at[1] + 11}h${width}`, class: 'under' }), el('text', { x: x + width / 2, y: at[1] + 5, 'text-anchor': 'middle' }, text));
    g.dataset.at = `${x} ${at[1] - 11}`;
    svg.append(g);
  }
}

// what is being drawn, before the server has it
export function preview(svg, view, tool, spots, here, sides) {
  svg.querySelector('.rubber')?.remove();
  const g = el('g', { class: 'rubber', fill: 'none', 'pointer-events': 'none' });
  const pts = [...spots, here].filter(Boolean).map((s) => view.to([s.u, s.v]));
  const [a, b, e] = pts;
  const add = (d) => g.append(el('path', { d }));
  if (a && b) {
    const r = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const circle = ([x, y], q) => `M${x - q} ${y}A${q} ${q} 0 1 1 ${x + q} ${y}A${q} ${q} 0 1 1 ${x - q} ${y}`;
    if (tool === 'rectangle') add(`M${a[0]} ${a[1]}H${b[0]}V${b[1]}H${a[0]}Z`);
    else if (tool === 'rectangle around') add(`M${b[0]} ${b[1]}H${2 * a[0] - b[0]}V${2 * a[1] - b[1]}H${b[0]}Z`);
    else if (tool === 'circle') add(circle(a, r));
    else if (tool === 'polygon') add(`M${Array.from({ length: sides }, (_, i) => { const t = Math.atan2(b[1] - a[1], b[0] - a[0]) + 2 * Math.PI * i / sides; return `${a[0] + r * Math.cos(t)} ${a[1] + r * Math.sin(t)}`; }).join('L')}Z`);
    else if (tool === 'slot' && e) {
      const q = Math.abs((b[0] - a[0]) * (e[1] - a[1]) - (b[1] - a[1]) * (e[0] - a[0])) / (r || 1);
      const [nx, ny] = [-(b[1] - a[1]) / (r || 1) * q, (b[0] - a[0]) / (r || 1) * q];
      add(`M${a[0] + nx} ${a[1] + ny}L${b[0] + nx} ${b[1] + ny}A${q} ${q} 0 0 0 ${b[0] - nx} ${b[1] - ny}L${a[0] - nx} ${a[1] - ny}A${q} ${q} 0 0 0 ${a[0] + nx} ${a[1] + ny}Z`);
    } else if (tool === 'arc' && e) add(`M${a[0]} ${a[1]}Q${2 * e[0] - (a[0] + b[0]) / 2} ${2 * e[1] - (a[1] + b[1]) / 2} ${b[0]} ${b[1]}`);
    else if (tool === 'ellipse' && e) {
      const q = Math.abs((b[0] - a[0]) * (e[1] - a[1]) - (b[1] - a[1]) * (e[0] - a[0])) / (r || 1);
      g.append(el('ellipse', { rx: r, ry: q, transform: `translate(${a[0]} ${a[1]}) rotate(${Math.atan2(b[1] - a[1], b[0] - a[0]) * 180 / Math.PI})` }));
    } else add(`M${pts.map((p) => p.join(' ')).join('L')}`);
  }
  if (here) {
    const [x, y] = view.to([here.u, here.v]);
    g.append(el('circle', { cx: x, cy: y, r: here.words ? 7 : 3.5, class: 'spot' }));
    if (here.words) g.append(el('text', { x: x + 12, y: y - 10 }, here.words));
  }
  svg.append(g);
}

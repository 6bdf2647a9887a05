// Draws the state of a sketch as SVG. Loose is pencil: thin, broken, open rings. Settled is ink: violet, with square nails.
import { el, c } from './svg.js';
import { paintSizes } from './sizes.js';

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

export function paint(svg, view, state, picked, pitch, behind = '', edges = []) {
  const d = state.drawing;
  svg.replaceChildren();
  const [w, h] = view.size;
  svg.setAttribute('viewBox', `0 0 ${w} ${h}`);
  const defs = el('defs');
  defs.innerHTML =
    '<pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="7" height="7" fill="var(--color-birch-top)"/><path d="M0 0V7" stroke="var(--color-birch-shade)" stroke-width="1"/></pattern>';
  svg.append(defs);
  // the paper's squares, coarser where they would be too fine
  let step = pitch;
  while (step * view.k < 14) step *= 5;
  const grid = [];
  for (let u = Math.ceil(view.from([0, 0])[0] / step) * step; view.to([u, 0])[0] < w; u += step) grid.push(`M${view.to([u, 0])[0]} 0V${h}`);
  for (let v = Math.ceil(view.from([0, h])[1] / step) * step; view.to([0, v])[1] > 0; v += step) grid.push(`M0 ${view.to([0, v])[1]}H${w}`);
  svg.append(el('path', { d: grid.join(''), stroke: c('grid'), 'stroke-width': 1, fill: 'none' }));
  const [ox, oy] = view.to([0, 0]);
  svg.append(
    el('path', { d: `M0 ${oy}H${w}M${ox} 0V${h}`, stroke: c('ink2'), 'stroke-width': 0.9, 'stroke-dasharray': '14 3 2 3', fill: 'none' }),
  );
  // the part as it is before the sketch, dimmed
  if (behind) {
    const g = el('g', { transform: view.matrix });
    g.append(el('path', { d: behind, fill: 'none', stroke: c('birch-shade'), 'stroke-width': 1.4, 'vector-effect': 'non-scaling-stroke' }));
    svg.append(g);
  }
  if (edges.length) {
    const g = el('g', { transform: view.matrix, class: 'edges' });
    for (const e of edges) {
      g.append(
        el('path', { d: e.d, class: 'edge', 'vector-effect': 'non-scaling-stroke' }),
        el('path', {
          d: e.d,
          'data-edge': e.key,
          stroke: 'transparent',
          'stroke-width': 12,
          fill: 'none',
          'vector-effect': 'non-scaling-stroke',
          'pointer-events': 'stroke',
        }),
      );
    }
    svg.append(g);
  }
  const areas = el('g', { transform: view.matrix });
  for (const r of d.regions)
    areas.append(el('path', { d: r.d, fill: c('birch-top'), 'fill-rule': 'evenodd', 'data-region': r.key, opacity: 0.55 }));
  svg.append(areas);
  const [right, up] = (svg.dataset.axes ?? ',').split(',');
  svg.append(
    el('text', { x: 10, y: Math.max(40, Math.min(h - 8, oy - 6)), class: 'axis' }, `u, ${right}`),
    el('text', { x: Math.max(8, Math.min(w - 90, ox + 7)), y: svg.dataset.low ? 126 : 44, class: 'axis' }, `v, ${up}`),
  );
  const lines = el('g', { transform: view.matrix, fill: 'none', 'stroke-linecap': 'round' });
  for (const l of d.lines) {
    const helps = l.role !== 'outline';
    const on = picked.has(l.id);
    if (l.edge)
      lines.append(
        el('path', {
          d: l.d,
          stroke: c('birch-shade'),
          'stroke-width': 7,
          'vector-effect': 'non-scaling-stroke',
          'pointer-events': 'none',
        }),
      );
    lines.append(
      el('path', {
        d: l.d,
        'data-line': l.id,
        stroke: 'transparent',
        'stroke-width': 12,
        'vector-effect': 'non-scaling-stroke',
        'pointer-events': 'stroke',
      }),
    );
    lines.append(
      el('path', {
        d: l.d,
        class: 'ln',
        stroke: on ? c('ink') : helps ? c('ink2') : l.loose ? c('graphite') : c('violet'),
        'stroke-width': on ? 4.5 : helps ? 1.2 : l.loose ? 1.8 : 3,
        'vector-effect': 'non-scaling-stroke',
        'pointer-events': 'none',
        'stroke-dasharray': l.role === 'centre' ? '12 3 2 3' : helps ? '3 4' : l.loose ? '7 4' : 'none',
      }),
    );
  }
  svg.append(lines);
  const labels = paintSizes(svg, view, d);
  // marks in one place stand side by side
  const marksAt = {};
  for (const m of d.marks) {
    if (!MARKS[m.kind]) continue;
    for (const at of m.at) {
      const [px, y] = view.to(at);
      const key = `${Math.round(px / 9)} ${Math.round(y / 9)}`;
      marksAt[key] = (marksAt[key] ?? -1) + 1;
      const x = px + 19 * marksAt[key] + (m.kind === 'vertical' ? 13 : 0);
      let my = y + (m.kind === 'vertical' ? 0 : m.kind === 'fixed' ? 12 : -14);
      // a number is not to be covered
      for (let i = 0; i < 3 && labels.some((q) => Math.abs(q[0] - x) < q[2] / 2 + 9 && Math.abs(q[1] - my) < 20); i++) my -= 22;
      const g = el('g', { transform: `translate(${x} ${my}) scale(1.15)`, class: 'mark-of', 'data-mark': m.id });
      g.append(
        el('path', {
          d: MARKS[m.kind],
          fill: c('sheet'),
          stroke: m.idle ? c('graphite') : c('ink'),
          'stroke-width': 1.3,
          'stroke-dasharray': m.idle ? '2 2' : 'none',
        }),
        el('title', {}, `${m.kind}, ${m.id}`),
      );
      svg.append(g);
    }
  }
  const dots = el('g');
  dots.append(el('path', { d: `M${ox - 6} ${oy}H${ox + 6}M${ox} ${oy - 6}V${oy + 6}`, stroke: c('ink'), 'stroke-width': 2 }));
  for (const p of d.points) {
    const [x, y] = view.to([p.u, p.v]);
    const on = picked.has(p.id);
    dots.append(
      p.loose
        ? el('circle', { cx: x, cy: y, r: on ? 6 : 4.2, fill: on ? c('ink') : c('sheet'), stroke: c('graphite'), 'stroke-width': 1.6 })
        : el('rect', {
            x: x - (on ? 5 : 3.2),
            y: y - (on ? 5 : 3.2),
            width: on ? 10 : 6.4,
            height: on ? 10 : 6.4,
            fill: on ? c('ink') : c('violet'),
          }),
    );
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
    const a = (-Math.atan2(m.along[1], m.along[0]) * 180) / Math.PI;
    for (const turn of [0, 180])
      svg.append(
        el('path', {
          d: 'M10 -3H16V-6.5L23 0L16 6.5V3H10Z',
          transform: `translate(${x} ${y}) rotate(${a + turn})`,
          fill: c('sheet'),
          stroke: c('graphite'),
          'stroke-width': 1.2,
          'pointer-events': 'none',
        }),
      );
  }
  for (const at of d.looseEnds) {
    const [x, y] = view.to(at);
    svg.append(
      el('circle', {
        cx: x,
        cy: y,
        r: 9,
        fill: 'none',
        stroke: c('chalk'),
        'stroke-width': 1.4,
        'stroke-dasharray': '3 3',
        'pointer-events': 'none',
      }),
    );
  }
  for (const g of d.gaps) {
    const [x, y] = view.to(g.at);
    svg.append(el('circle', { cx: x, cy: y, r: 13, fill: 'none', stroke: c('chalk'), 'stroke-width': 2 }));
    svg.append(el('text', { x: x + 17, y: y - 9, class: 'gap' }, `open by ${g.size}`));
  }
}

// everything that hangs together with what is pointed at
export function light(svg, view, drawing, ids) {
  svg.querySelector('.light')?.remove();
  document.querySelectorAll('.lit').forEach((e) => e.classList.remove('lit'));
  if (!ids.length) return;
  const g = el('g', { class: 'light', fill: 'none', 'pointer-events': 'none' });
  const at = { origin: { u: 0, v: 0 }, ...Object.fromEntries(drawing.points.map((p) => [p.id, p])) };
  for (const id of ids) {
    const l = drawing.lines.find((x) => x.id === id);
    if (l) g.append(el('path', { d: l.d, transform: view.matrix, 'vector-effect': 'non-scaling-stroke' }));
    if (at[id]) {
      const [x, y] = view.to([at[id].u, at[id].v]);
      g.append(el('circle', { cx: x, cy: y, r: 10 }));
    }
    if (id === 'u-axis' || id === 'v-axis') {
      const [x, y] = view.to([0, 0]);
      const [w, h] = view.size;
      g.append(el('path', { d: id === 'u-axis' ? `M0 ${y}H${w}` : `M${x} 0V${h}` }));
    }
    document
      .querySelectorAll(`[data-thing="${CSS.escape(id)}"], [data-relation="${CSS.escape(id)}"], [data-mark="${CSS.escape(id)}"]`)
      .forEach((e) => e.classList.add('lit'));
  }
  svg.querySelector('defs').after(g);
}

// a way the sketch can still move, forth and back
export function ghost(svg, view, paths) {
  svg.querySelector('.ghost')?.remove();
  if (!paths?.length) return;
  const g = el('g', { class: 'ghost', fill: 'none', 'pointer-events': 'none', transform: view.matrix, 'stroke-linecap': 'round' });
  paths.forEach((d, i) => g.append(el('path', { d, class: i ? 'back' : 'forth', 'vector-effect': 'non-scaling-stroke' })));
  svg.append(g);
}

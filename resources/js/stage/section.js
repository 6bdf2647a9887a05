// Cutting the part open for the eye: where the plane goes through it, and the edges that are left.
import { Vector3, Vector4 } from 'three';

/** The outlines in which a plane n·p = d meets the part: closed rows of points. */
export function outlines(part, n, d) {
  const pos = part.triangles.position;
  const ends = new Map();
  const key = (p) => p.map((v) => Math.round(v * 1e4)).join(' ');
  const at = (i) => pos[i] * n[0] + pos[i + 1] * n[1] + pos[i + 2] * n[2] - d - 1.234e-7;
  for (let i = 0; i < pos.length; i += 9) {
    const h = [at(i), at(i + 3), at(i + 6)];
    if (h.every((v) => v > 0) || h.every((v) => v <= 0)) continue;
    const cross = [];
    for (const [a, b] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ]) {
      if (h[a] > 0 === h[b] > 0) continue;
      const t = h[a] / (h[a] - h[b]);
      cross.push({ up: h[a] <= 0, p: [0, 1, 2].map((k) => pos[i + 3 * a + k] + t * (pos[i + 3 * b + k] - pos[i + 3 * a + k])) });
    }
    // every triangle is crossed once upward and once downward: that gives the row its sense
    const from = cross.find((c) => c.up)?.p;
    const to = cross.find((c) => !c.up)?.p;
    if (!from || !to || key(from) === key(to)) continue;
    const k = key(from);
    if (!ends.has(k)) ends.set(k, []);
    ends.get(k).push({ from, to });
  }
  const rows = [];
  for (const list of ends.values()) {
    while (list.length) {
      const first = list.pop();
      const row = [first.from];
      let next = first.to;
      for (let guard = 0; guard < 100000; guard++) {
        row.push(next);
        const more = ends.get(key(next));
        if (!more?.length) break;
        next = more.pop().to;
      }
      rows.push(row);
    }
  }
  return rows;
}

/** The pieces of line segments on the kept side of the plane: n·p <= d. */
export function kept(segments, n, d) {
  const out = [];
  for (let i = 0; i < segments.length; i += 6) {
    const a = [segments[i], segments[i + 1], segments[i + 2]];
    const b = [segments[i + 3], segments[i + 4], segments[i + 5]];
    const ha = a[0] * n[0] + a[1] * n[1] + a[2] * n[2] - d;
    const hb = b[0] * n[0] + b[1] * n[1] + b[2] * n[2] - d;
    if (ha > 0 && hb > 0) continue;
    const t = ha / (ha - hb);
    const m = ha > 0 !== hb > 0 ? a.map((v, k) => v + t * (b[k] - v)) : null;
    out.push(...(ha > 0 ? m : a), ...(hb > 0 ? m : b));
  }
  return out;
}

const AXES = { front: [0, -1, 0], side: [1, 0, 0], ground: [0, 0, 1] };

/** The cutting plane of a stage and its panel. */
export function mountSection(stage, panel) {
  const of = {
    plane: panel.querySelector('[data-cut=plane]'),
    slide: panel.querySelector('[data-cut=slide]'),
    value: panel.querySelector('[data-cut=value]'),
    turn: panel.querySelector('[data-cut=turn]'),
    off: panel.querySelector('[data-cut=off]'),
  };
  const cut = { on: false, side: 1, at: 0, normal: AXES.front };
  const unit = stage.host.dataset.unit === 'in' ? 25.4 : 1;
  stage.cut = cut;
  const reach = () => {
    const { box } = stage.state;
    if (!box) return [-1, 1];
    const h = [];
    for (const x of [box.lo[0], box.hi[0]])
      for (const y of [box.lo[1], box.hi[1]])
        for (const z of [box.lo[2], box.hi[2]]) h.push(x * cut.normal[0] + y * cut.normal[1] + z * cut.normal[2]);
    return [Math.min(...h), Math.max(...h)];
  };
  const apply = () => {
    stage.material.uniforms.cut.value = cut.on
      ? new Vector4(...cut.normal.map((v) => v * cut.side), cut.at * cut.side)
      : new Vector4(0, 0, 1, 1e9);
    stage.redraw();
  };
  const show = () => {
    const [lo, hi] = reach();
    of.slide.min = lo;
    of.slide.max = hi;
    of.slide.step = (hi - lo) / 200 || 1;
    of.slide.value = cut.at;
    of.value.value = +(cut.at / unit).toFixed(3);
  };
  const start = () => {
    cut.on = true;
    const [lo, hi] = reach();
    cut.at = (lo + hi) / 2;
    show();
    apply();
  };
  of.plane.addEventListener('change', () => {
    cut.normal = AXES[of.plane.value] ?? cut.normal;
    start();
  });
  of.slide.addEventListener('input', () => {
    cut.on = true;
    cut.at = Number(of.slide.value);
    of.value.value = +(cut.at / unit).toFixed(3);
    apply();
  });
  of.value.addEventListener('change', () => {
    if (Number.isFinite(Number(of.value.value))) {
      cut.on = true;
      cut.at = Number(of.value.value) * unit;
    }
    show();
    apply();
  });
  of.turn.addEventListener('click', () => {
    cut.side = -cut.side;
    apply();
  });
  of.off.addEventListener('click', () => {
    cut.on = false;
    apply();
    panel.dispatchEvent(new CustomEvent('cubo:close', { bubbles: true }));
  });
  stage.cutting = {
    start,
    stop: () => {
      cut.on = false;
      apply();
    },
    along: (normal, at) => {
      cut.normal = normal;
      cut.at = at;
      cut.on = true;
      of.plane.value = 'face';
      show();
      apply();
    },
  };

  let known = null;
  stage.onDraw.push((svg) => {
    if (!cut.on || !stage.state.part?.triangles) return;
    const n = cut.normal.map((v) => v * cut.side);
    const d = cut.at * cut.side;
    if (stage.frame().to.dot(new Vector3(...n)) <= 0.01) return;
    const name = [n, d, stage.state.shownUrl, stage.state.tried].join('|');
    if (known?.name !== name) known = { name, rows: outlines(stage.state.part, n, d) };
    const at = stage.flat();
    const path = known.rows
      .map(
        (row) =>
          `M${row
            .map((p) =>
              at(p)
                .map((v) => v.toFixed(1))
                .join(' '),
            )
            .join('L')}Z`,
      )
      .join('');
    if (path) svg('path', { d: path, fill: 'var(--color-sheet)', 'fill-rule': 'evenodd' });
    if (path)
      svg('path', {
        d: path,
        fill: 'url(#cut-hatch)',
        'fill-rule': 'evenodd',
        stroke: 'var(--color-ink)',
        'stroke-width': 2,
        class: 'cut-face',
      });
  });
}

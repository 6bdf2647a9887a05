// What is being drawn, before the server has it.
import { el } from './svg.js';

export function preview(svg, view, tool, spots, here, sides) {
  svg.querySelector('.rubber')?.remove();
  const g = el('g', { class: 'rubber', fill: 'none', 'pointer-events': 'none' });
  const pts = [...spots, here].filter(Boolean).map((s) => view.to([s.u, s.v]));
  let [a, b, e] = pts;
  const add = (d) => g.append(el('path', { d }));
  if (a && b) {
    const r = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const circle = ([x, y], q) => `M${x - q} ${y}A${q} ${q} 0 1 1 ${x + q} ${y}A${q} ${q} 0 1 1 ${x - q} ${y}`;
    if (tool === 'rectangle') add(`M${a[0]} ${a[1]}H${b[0]}V${b[1]}H${a[0]}Z`);
    else if (tool === 'rectangle around') add(`M${b[0]} ${b[1]}H${2 * a[0] - b[0]}V${2 * a[1] - b[1]}H${b[0]}Z`);
    else if (tool === 'circle') add(circle(a, r));
    else if (tool === 'circle over') add(circle([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], r / 2));
    else if (tool === 'polygon')
      add(
        `M${Array.from({ length: sides }, (_, i) => {
          const t = Math.atan2(b[1] - a[1], b[0] - a[0]) + (2 * Math.PI * i) / sides;
          return `${a[0] + r * Math.cos(t)} ${a[1] + r * Math.sin(t)}`;
        }).join('L')}Z`,
      );
    else if ((tool === 'slot' || tool === 'slot over all') && e) {
      const q = Math.abs((b[0] - a[0]) * (e[1] - a[1]) - (b[1] - a[1]) * (e[0] - a[0])) / (r || 1);
      const [nx, ny] = [(-(b[1] - a[1]) / (r || 1)) * q, ((b[0] - a[0]) / (r || 1)) * q];
      if (tool === 'slot over all')
        [a, b] = [
          [a[0] + ny, a[1] - nx],
          [b[0] - ny, b[1] + nx],
        ];
      add(
        `M${a[0] + nx} ${a[1] + ny}L${b[0] + nx} ${b[1] + ny}A${q} ${q} 0 0 0 ${b[0] - nx} ${b[1] - ny}L${a[0] - nx} ${a[1] - ny}A${q} ${q} 0 0 0 ${a[0] + nx} ${a[1] + ny}Z`,
      );
    } else if (tool === 'arc around' && e) {
      // an arc turns left, to the direction of its end
      const turn = (q) => Math.atan2(a[1] - q[1], q[0] - a[0]);
      const sweep = (((turn(e) - turn(b)) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      add(`M${b[0]} ${b[1]}A${r} ${r} 0 ${sweep > Math.PI ? 1 : 0} 0 ${a[0] + r * Math.cos(turn(e))} ${a[1] - r * Math.sin(turn(e))}`);
    } else if (tool === 'arc' && e) add(`M${a[0]} ${a[1]}Q${2 * e[0] - (a[0] + b[0]) / 2} ${2 * e[1] - (a[1] + b[1]) / 2} ${b[0]} ${b[1]}`);
    else if (tool === 'ellipse' && e) {
      const q = Math.abs((b[0] - a[0]) * (e[1] - a[1]) - (b[1] - a[1]) * (e[0] - a[0])) / (r || 1);
      g.append(
        el('ellipse', {
          rx: r,
          ry: q,
          transform: `translate(${a[0]} ${a[1]}) rotate(${(Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI})`,
        }),
      );
    } else add(`M${pts.map((p) => p.join(' ')).join('L')}`);
  }
  if (here) {
    const [x, y] = view.to([here.u, here.v]);
    g.append(el('circle', { cx: x, cy: y, r: here.words ? 7 : 3.5, class: 'spot' }));
    if (here.words) g.append(el('text', { x: x + 12, y: y - 10 }, here.words));
  }
  svg.append(g);
}

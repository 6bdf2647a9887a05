// What lies under the part: paper ruled along the model's axes, and its shadow as ink hatching.
import { css } from './wood.js';

export function drawPaper(stage) {
  const { host, state, under } = stage;
  const W = host.clientWidth;
  const H = host.clientHeight;
  const s = stage.scale();
  const inch = host.dataset.unit === 'in';
  let step = inch ? 6.35 : 10;
  while (step * s < 14) step *= inch ? 4 : 5;
  while (step * s > 110) step /= inch ? 4 : 5;
  const upright = ['front', 'right', 'back', 'left'].includes(state.view);
  const axes = {
    front: [
      [1, 0, 0],
      [0, 0, 1],
    ],
    back: [
      [1, 0, 0],
      [0, 0, 1],
    ],
    right: [
      [0, 1, 0],
      [0, 0, 1],
    ],
    left: [
      [0, 1, 0],
      [0, 0, 1],
    ],
  }[state.view] ?? [
    [1, 0, 0],
    [0, 1, 0],
  ];
  const o = stage.project([0, 0, upright ? 0 : state.low]);
  let d = '';
  for (const [i, a] of axes.entries()) {
    const da = stage.dir(a);
    const db = stage.dir(axes[1 - i]);
    const cross = Math.abs(da[0] * db[1] - da[1] * db[0]);
    if (cross < 0.05) continue;
    const reach = (W + H) * 2;
    const n = Math.min(160, Math.ceil(reach / (step * s * cross)));
    const la = Math.hypot(...da);
    for (let k = -n; k <= n; k++) {
      const x = o[0] + db[0] * step * s * k;
      const y = o[1] + db[1] * step * s * k;
      const u = [(da[0] / la) * reach, (da[1] / la) * reach];
      d += `M${(x - u[0]).toFixed(1)} ${(y - u[1]).toFixed(1)}L${(x + u[0]).toFixed(1)} ${(y + u[1]).toFixed(1)}`;
    }
  }
  const shadow = state.part?.triangles && state.tilt > 5 && state.tilt < 88 ? shadowPath(stage) : '';
  under.innerHTML =
    `<defs><pattern id="hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-62)"><path d="M0 0V5" stroke="${css('ink')}" stroke-width="1.4" opacity=".45"/></pattern></defs>` +
    `<path d="${d}" stroke="${css('grid')}" fill="none"/>` +
    (shadow ? `<path d="${shadow}" fill="url(#hatch)"/>` : '');
  const note = host.querySelector('[data-square]');
  if (note) note.textContent = `1 square is ${inch ? `${+(step / 25.4).toFixed(3)} in` : `${+step.toFixed(2)} mm`}`;
}

// the hull of what the light throws onto the ground
function shadowPath(stage) {
  const pos = stage.state.part.triangles.position;
  const { low } = stage.state;
  const at = stage.flat();
  const pts = [];
  const stride = Math.max(1, Math.floor(pos.length / 9 / 1500)) * 3;
  for (let i = 0; i < pos.length; i += stride) {
    const h = pos[i + 2] - low;
    pts.push(at([pos[i] + h * 0.62, pos[i + 1] - h * 0.02, low]));
  }
  pts.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list) => {
    const h = [];
    for (const p of list) {
      while (
        h.length > 1 &&
        (h[h.length - 1][0] - h[h.length - 2][0]) * (p[1] - h[h.length - 2][1]) -
          (h[h.length - 1][1] - h[h.length - 2][1]) * (p[0] - h[h.length - 2][0]) <=
          0
      )
        h.pop();
      h.push(p);
    }
    return h.slice(0, -1);
  };
  return `M${[...half(pts), ...half(pts.reverse())].map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}Z`;
}

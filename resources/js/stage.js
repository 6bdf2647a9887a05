// The stage: the part as a birch block with ink edges on paper, seen from any side, with the marks of the last check.
import { BufferAttribute, BufferGeometry, Color, DoubleSide, GreaterDepth, LinearSRGBColorSpace, Mesh, MeshBasicMaterial, OrthographicCamera, Scene, ShaderMaterial, Vector3, WebGLRenderer } from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import { loadGlb } from './glb.js';
import { drawMarks } from './marks.js';
import { drawEdges, highlights, isPicked, offer, take, trianglesOf, under as hitAt, wanted } from './picking.js';

const NS = 'http://www.w3.org/2000/svg';
const css = (name) => getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim();
const VIEWS = { isometric: [-45, 35.2644], front: [-90, 0], top: [-90, 90], right: [0, 0], back: [90, 0], left: [180, 0], bottom: [-90, -90], 'behind': [135, 35.2644] };

function wood() {
  const c = (n) => ({ value: new Color(css(n)).convertLinearToSRGB() });
  return new ShaderMaterial({
    side: DoubleSide, polygonOffset: true, polygonOffsetFactor: 1.5, polygonOffsetUnits: 2,
    uniforms: { top: c('birch-top'), side: c('birch-side'), shade: c('birch-shade'), grain: { value: 1 }, clear: { value: 1 } },
    vertexShader: 'varying vec3 p; varying vec3 n; void main(){ p = position; n = normal; gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.); }',
    fragmentShader: `varying vec3 p; varying vec3 n; uniform vec3 top, side, shade; uniform float grain, clear;
      float h(vec2 q){ return fract(sin(dot(q, vec2(41.3, 289.1))) * 43758.5); }
      float ns(vec2 q){ vec2 i = floor(q), f = fract(q); f = f * f * (3. - 2. * f); return mix(mix(h(i), h(i + vec2(1, 0)), f.x), mix(h(i + vec2(0, 1)), h(i + vec2(1, 1)), f.x), f.y); }
      void main(){ vec3 m = normalize(n); if (!gl_FrontFacing) m = -m;
        float up = max(m.z, 0.); float lit = clamp(dot(m, normalize(vec3(.35, -1., 0.))) * .5 + .5, 0., 1.);
        vec3 c = mix(mix(shade, side, smoothstep(.25, .95, lit)), top, up); if (m.z < -.5) c = shade * .96;
        vec3 q = p * grain;
        float w = ns(vec2(q.x * .035 + 3., q.y * .16 + q.z * .21)) * 1.3;
        float r = length(vec2(q.y + 34., q.z * .8 + 58.)) + w;
        float g = abs(fract(r * .25) - .5) * 2.; g = smoothstep(.86, 1., g);
        float f = ns(vec2(q.x * .22, (q.y + q.z * 1.3) * 5.)) - .5;
        c *= 1. - g * .07; c *= 1. + f * .03;
        gl_FragColor = vec4(c, clear); }`,
  });
}

export function mountStage(host) {
  const state = { turn: -45, tilt: 35.2644, zoom: 1, pan: [0, 0], centre: new Vector3(), radius: 60, part: null, view: 'isometric', low: 0, box: null, picked: null, url: null };
  const small = host.dataset.stage === 'small';
  const under = host.appendChild(document.createElementNS(NS, 'svg'));
  under.setAttribute('aria-hidden', 'true');
  let renderer = null;
  try {
    renderer = new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true });
  } catch {
    host.insertAdjacentHTML('beforeend', '<p class="slip">This browser shows no 3D picture. The drawing and the list on the left show the same part.</p>');
    return;
  }
  renderer.outputColorSpace = LinearSRGBColorSpace;
  renderer.domElement.setAttribute('role', 'img');
  renderer.domElement.setAttribute('aria-label', host.dataset.alt || 'The part in three dimensions');
  host.appendChild(renderer.domElement);
  const over = host.appendChild(document.createElementNS(NS, 'svg'));
  over.setAttribute('aria-hidden', 'true');
  const scene = new Scene();
  const camera = new OrthographicCamera(-1, 1, 1, -1, -1e5, 1e5);
  const ink = new LineMaterial({ color: new Color(css('ink')).convertLinearToSRGB(), linewidth: small ? 1.3 : 2 });
  const material = wood();
  // the ways the part is shown: wood with or without its edges, edges alone with hidden ones dashed, see-through
  const paperSkin = new MeshBasicMaterial({ color: new Color(css('sheet')).convertLinearToSRGB(), side: DoubleSide, polygonOffset: true, polygonOffsetFactor: 1.5, polygonOffsetUnits: 2 });
  const dashed = new LineMaterial({ color: new Color(css('ink2')).convertLinearToSRGB(), linewidth: 1.2, dashed: true, dashSize: 1, gapSize: 0.8, depthFunc: GreaterDepth, depthWrite: false });
  let hiddenLines = null;
  let shownAs = small ? 'wood' : localStorage.getItem('cubo-shown-as') ?? 'wood';
  function skin() {
    if (!mesh) return;
    mesh.material = shownAs === 'lines' ? paperSkin : material;
    const glass = shownAs === 'glass';
    material.transparent = glass;
    material.depthWrite = !glass;
    material.uniforms.clear.value = glass ? 0.4 : 1;
    material.needsUpdate = true;
  }
  let mesh = null;
  let lines = null;

  const frame = () => {
    const a = (state.turn * Math.PI) / 180;
    const b = (state.tilt * Math.PI) / 180;
    const to = new Vector3(Math.cos(b) * Math.cos(a), Math.cos(b) * Math.sin(a), Math.sin(b));
    const right = new Vector3(-Math.sin(a), Math.cos(a), 0);
    return { to, right, up: new Vector3().crossVectors(to, right) };
  };
  // pixels per millimetre and the projection of model points to the stage
  const scale = () => (state.zoom * Math.min(host.clientWidth - (small ? 20 : Math.min(230, host.clientWidth * 0.38)), host.clientHeight - (small ? 20 : 170))) / (2 * state.radius);
  const project = (q) => {
    const { right, up } = frame();
    const d = new Vector3(q[0], q[1], q[2]).sub(state.centre);
    const s = scale();
    return [host.clientWidth / 2 + state.pan[0] + s * d.dot(right), host.clientHeight / 2 + state.pan[1] - s * d.dot(up)];
  };

  function outlineEdges(to) {
    const r = state.part.round;
    if (!r) return [];
    const out = [];
    for (let i = 0; i < r.position.length; i += 6) {
      const a = r.na[i] * to.x + r.na[i + 1] * to.y + r.na[i + 2] * to.z;
      const b = r.nb[i] * to.x + r.nb[i + 1] * to.y + r.nb[i + 2] * to.z;
      if (a > 1e-6 !== b > 1e-6) for (let k = 0; k < 6; k++) out.push(r.position[i + k]);
    }
    return out;
  }

  // faces that are picked or would be, laid over the wood
  const picks = { chosen: new MeshBasicMaterial({ color: new Color(css('violet')).convertLinearToSRGB(), transparent: true, opacity: 0.25, depthWrite: false, side: DoubleSide }), offered: new MeshBasicMaterial({ color: new Color(css('ink')).convertLinearToSRGB(), transparent: true, opacity: 0.2, depthWrite: false, side: DoubleSide }) };
  let glowing = [];
  function glow(faces) {
    for (const m of glowing) { scene.remove(m); m.geometry.dispose(); }
    glowing = faces.map(({ name, offered: o }) => {
      const g = new BufferGeometry();
      g.setAttribute('position', new BufferAttribute(new Float32Array(trianglesOf(state.part, name)), 3));
      const m = new Mesh(g, o ? picks.offered : picks.chosen);
      scene.add(m);
      return m;
    });
  }

  let offered = null;
  let pending = false;
  function redraw() {
    if (pending) return;
    pending = true;
    requestAnimationFrame(() => {
      pending = false;
      const W = host.clientWidth;
      const H = host.clientHeight;
      if (!W || !H) return;
      renderer.setPixelRatio(Math.min(2, window.devicePixelRatio || 1));
      renderer.setSize(W, H, false);
      ink.resolution.set(W, H);
      const { to, up } = frame();
      const s = scale();
      camera.left = -(W / 2 + state.pan[0]) / s;
      camera.right = (W / 2 - state.pan[0]) / s;
      camera.top = (H / 2 + state.pan[1]) / s;
      camera.bottom = -(H / 2 - state.pan[1]) / s;
      camera.up.copy(up);
      camera.position.copy(state.centre).addScaledVector(to, 1000);
      camera.lookAt(state.centre);
      camera.updateProjectionMatrix();
      if (lines) { scene.remove(lines); lines.geometry.dispose(); lines = null; }
      if (hiddenLines) { scene.remove(hiddenLines); hiddenLines = null; }
      dashed.resolution.set(W, H);
      dashed.dashScale = s / 6;
      if (state.part && shownAs !== 'plain') {
        const positions = [...(state.part.sharp ?? []), ...outlineEdges(to)];
        if (positions.length) {
          const g = new LineSegmentsGeometry();
          g.setPositions(positions);
          lines = new LineSegments2(g, ink);
          scene.add(lines);
          if (shownAs === 'lines' || shownAs === 'glass') {
            hiddenLines = new LineSegments2(g, dashed);
            hiddenLines.computeLineDistances();
            scene.add(hiddenLines);
          }
        }
      }
      const lit = !small && state.part?.triangles ? highlights(offered) : { faces: [], edges: [] };
      glow(lit.faces);
      renderer.render(scene, camera);
      paper(to, s);
      drawMarks(over, small ? [] : marks(), project, state.box, state.picked);
      if (!small && state.part) drawEdges(over, state.part, flat(), lit.edges);
      host.dataset.drawn = String(Number(host.dataset.drawn ?? 0) + 1);
    });
  }

  const marks = () => JSON.parse(document.getElementById('marks')?.textContent || '[]');

  // paper ruled along the model's axes, and the shadow as ink hatching
  function paper(to, s) {
    const W = host.clientWidth;
    const H = host.clientHeight;
    const inch = host.dataset.unit === 'in';
    let step = inch ? 6.35 : 10;
    while (step * s < 14) step *= inch ? 4 : 5;
    while (step * s > 110) step /= inch ? 4 : 5;
    const axes = { front: [[1, 0, 0], [0, 0, 1]], back: [[1, 0, 0], [0, 0, 1]], right: [[0, 1, 0], [0, 0, 1]], left: [[0, 1, 0], [0, 0, 1]] }[state.view] ?? [[1, 0, 0], [0, 1, 0]];
    const o = project([0, 0, ['front', 'right', 'back', 'left'].includes(state.view) ? 0 : state.low]);
    let d = '';
    for (const [i, a] of axes.entries()) {
      const b = axes[1 - i];
      const da = dir(a);
      const db = dir(b);
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
    const shadow = state.part && state.tilt > 5 && state.tilt < 88 ? shadowPath() : '';
    under.innerHTML = `<defs><pattern id="hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-62)"><path d="M0 0V5" stroke="${css('ink')}" stroke-width="1.4" opacity=".45"/></pattern></defs>`
      + `<path d="${d}" stroke="${css('grid')}" fill="none"/>` + (shadow ? `<path d="${shadow}" fill="url(#hatch)"/>` : '');
    const note = host.querySelector('[data-square]');
    if (note) note.textContent = `1 square is ${inch ? `${+(step / 25.4).toFixed(3)} in` : `${+step.toFixed(2)} mm`}`;
  }
  function dir(v) {
    const { right, up } = frame();
    return [v[0] * right.x + v[1] * right.y + v[2] * right.z, -(v[0] * up.x + v[1] * up.y + v[2] * up.z)];
  }

  function shadowPath() {
    const pos = state.part.triangles.position;
    const pts = [];
    const stride = Math.max(1, Math.floor(pos.length / 9 / 1500)) * 3;
    for (let i = 0; i < pos.length; i += stride) {
      const h = pos[i + 2] - state.low;
      pts.push(project([pos[i] + h * 0.62, pos[i + 1] - h * 0.02, state.low]));
    }
    pts.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    const half = (list) => {
      const h = [];
      for (const p of list) {
        while (h.length > 1 && (h[h.length - 1][0] - h[h.length - 2][0]) * (p[1] - h[h.length - 2][1]) - (h[h.length - 1][1] - h[h.length - 2][1]) * (p[0] - h[h.length - 2][0]) <= 0) h.pop();
        h.push(p);
      }
      return h.slice(0, -1);
    };
    return `M${[...half(pts), ...half(pts.reverse())].map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}Z`;
  }

  function fit() {
    state.zoom = 1;
    state.pan = [0, 0];
    const pos = state.part?.triangles?.position;
    if (pos) {
      const lo = [Infinity, Infinity, Infinity];
      const hi = [-Infinity, -Infinity, -Infinity];
      for (let i = 0; i < pos.length; i++) { lo[i % 3] = Math.min(lo[i % 3], pos[i]); hi[i % 3] = Math.max(hi[i % 3], pos[i]); }
      state.centre.set((lo[0] + hi[0]) / 2, (lo[1] + hi[1]) / 2, (lo[2] + hi[2]) / 2);
      state.radius = Math.max(1e-3, Math.hypot(hi[0] - lo[0], hi[1] - lo[1], hi[2] - lo[2]) / 2);
      state.low = lo[2];
      state.box = { lo, hi };
    }
    redraw();
  }

  function look(name) {
    state.view = name;
    [state.turn, state.tilt] = VIEWS[name];
    host.querySelectorAll('[data-view]').forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.view === name)));
    fit();
  }

  let asked = 0;
  async function load(url) {
    if (url === state.url) { redraw(); return; }
    state.url = url;
    const mine = ++asked;
    host.querySelector('.empty')?.toggleAttribute('hidden', Boolean(url));
    if (!url) {
      state.part = null;
      state.box = null;
      if (mesh) { scene.remove(mesh); mesh.geometry.dispose(); mesh = null; }
      redraw();
      return;
    }
    let part;
    try { part = await loadGlb(url); } catch { return; }
    if (mine !== asked) return; // a newer part is on its way
    const first = state.part === null;
    state.part = part;
    if (mesh) { scene.remove(mesh); mesh.geometry.dispose(); }
    const g = new BufferGeometry();
    g.setAttribute('position', new BufferAttribute(part.triangles.position, 3));
    g.setAttribute('normal', new BufferAttribute(part.triangles.normal, 3));
    mesh = new Mesh(g, material);
    skin();
    scene.add(mesh);
    const before = state.radius;
    const keep = [state.zoom, state.pan];
    fit();
    material.uniforms.grain.value = 45 / state.radius;
    // while an edit hardly changes the size, the view stays where it was put
    if (!first && Math.abs(before / state.radius - 1) < 0.02) { [state.zoom, state.pan] = keep; redraw(); }
    host.dataset.part = url;
  }

  const free = () => { state.view = 'free'; host.querySelectorAll('[data-view]').forEach((b) => b.setAttribute('aria-pressed', 'false')); };
  // projection with everything that does not change between two points worked out once
  function flat() {
    const { right, up } = frame();
    const s = scale();
    const [cx, cy] = [host.clientWidth / 2 + state.pan[0], host.clientHeight / 2 + state.pan[1]];
    const c = state.centre;
    const f = (q) => { const [x, y, z] = [q[0] - c.x, q[1] - c.y, q[2] - c.z]; return [cx + s * (x * right.x + y * right.y + z * right.z), cy - s * (x * up.x + y * up.y + z * up.z)]; };
    f.scale = s;
    return f;
  }

  const slip = host.querySelector('[data-pickhint]');
  function lookUnder(e) {
    if (small || !state.part?.triangles || !wanted().length) { if (offered) { offered = null; redraw(); } if (slip) slip.hidden = true; return; }
    const r = host.getBoundingClientRect();
    const { to } = frame();
    const hit = hitAt([e.clientX - r.left, e.clientY - r.top], state.part, flat(), (q) => q[0] * to.x + q[1] * to.y + q[2] * to.z);
    const next = offer(hit);
    if (next?.name !== offered?.name) { offered = next; redraw(); }
    if (slip) { slip.hidden = !offered; if (offered) slip.textContent = `${isPicked(offered) ? 'Take out' : 'Pick'}: ${offered.words}`; }
    renderer.domElement.style.cursor = offered ? 'pointer' : '';
  }
  renderer.domElement.addEventListener('pointerleave', () => { offered = null; if (slip) slip.hidden = true; redraw(); });
  let drag = null;
  renderer.domElement.addEventListener('pointerdown', (e) => {
    drag = { x: e.clientX, y: e.clientY, from: [e.clientX, e.clientY], pan: e.button !== 0 || e.shiftKey, offered };
    renderer.domElement.setPointerCapture(e.pointerId);
    if (host.tabIndex >= 0 && !offered) host.focus({ preventScroll: true });
    if (offered) e.preventDefault();
  });
  renderer.domElement.addEventListener('pointermove', (e) => {
    if (!drag) { lookUnder(e); return; }
    const dx = e.clientX - drag.x;
    const dy = e.clientY - drag.y;
    drag.x = e.clientX;
    drag.y = e.clientY;
    if (drag.pan) state.pan = [state.pan[0] + dx, state.pan[1] + dy];
    else { state.turn -= dx * 0.5; state.tilt = Math.max(-90, Math.min(90, state.tilt + dy * 0.5)); free(); }
    redraw();
  });
  renderer.domElement.addEventListener('pointerup', (e) => {
    const d = drag;
    drag = null;
    if (d?.offered && Math.hypot(e.clientX - d.from[0], e.clientY - d.from[1]) < 5) { take(d.offered); offered = null; if (slip) slip.hidden = true; }
  });
  renderer.domElement.addEventListener('pointercancel', () => { drag = null; });
  renderer.domElement.addEventListener('contextmenu', (e) => e.preventDefault());
  renderer.domElement.addEventListener('wheel', (e) => {
    e.preventDefault();
    const k = Math.exp(-e.deltaY * 0.0015);
    const next = Math.max(0.1, Math.min(40, state.zoom * k));
    // the spot under the pointer stays under it
    const r = host.getBoundingClientRect();
    const m = [e.clientX - r.left - r.width / 2, e.clientY - r.top - r.height / 2];
    state.pan = state.pan.map((v, i) => m[i] - ((m[i] - v) * next) / state.zoom);
    state.zoom = next;
    redraw();
  }, { passive: false });
  host.addEventListener('keydown', (e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.target.closest('input, select, textarea')) return;
    const view = { 0: 'isometric', 1: 'front', 2: 'top', 3: 'right', 4: 'back', 5: 'left', 6: 'bottom', 7: 'behind' }[e.key];
    const turn = { ArrowLeft: [15, 0], ArrowRight: [-15, 0], ArrowUp: [0, 15], ArrowDown: [0, -15] }[e.key];
    if (view) look(view);
    else if (turn) { state.turn += turn[0]; state.tilt = Math.max(-90, Math.min(90, state.tilt + turn[1])); free(); redraw(); }
    else if (e.key === '+' || e.key === '-') { state.zoom *= e.key === '+' ? 1.2 : 1 / 1.2; redraw(); }
    else if (e.key.toLowerCase() === 'f') fit();
    else return;
    e.preventDefault();
  });
  host.querySelectorAll('[data-view]').forEach((b) => b.addEventListener('click', () => look(b.dataset.view)));
  host.querySelector('[data-fit]')?.addEventListener('click', fit);
  const as = host.querySelector('[data-shown-as]');
  if (as) {
    as.value = shownAs;
    as.addEventListener('change', () => { shownAs = as.value; localStorage.setItem('cubo-shown-as', shownAs); skin(); redraw(); });
  }
  document.addEventListener('cubo:part', () => load(document.getElementById('state')?.dataset.glb ?? state.url));
  document.addEventListener('focusin', (e) => { if (!small && e.target.closest?.('li.step')) redraw(); });
  document.addEventListener('cubo:pick', (e) => { state.picked = e.detail; redraw(); });
  new ResizeObserver(redraw).observe(host);
  load(document.getElementById('state')?.dataset.glb ?? host.dataset.glb ?? '');
}

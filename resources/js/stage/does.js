// What the step at hand does, laid over the part: added material under one hatch, what is taken away under a crossed one
// with dashed edges; the regions it may take; and arrows by which its values can be drawn longer and shorter.
import { whenReleased } from '../bench/pressed.js';
import { BufferAttribute, BufferGeometry, DoubleSide, Mesh, ShaderMaterial } from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import { amount } from '../bench/amount.js';
import { stepAtHand, toolInUse } from './picking.js';
import { colour } from './wood.js';

const skin = (name, crossed) =>
  new ShaderMaterial({
    transparent: true,
    depthWrite: false,
    side: DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: -1,
    polygonOffsetUnits: -2,
    depthTest: !crossed,
    uniforms: { ink: { value: colour(name) } },
    vertexShader: 'void main(){ gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.); }',
    fragmentShader: `uniform vec3 ink; void main(){ vec2 q = gl_FragCoord.xy;
    float a = step(fract((q.x + q.y) / 9.), .2); ${crossed ? 'a = max(a, step(fract((q.x - q.y) / 9.), .2));' : ''}
    gl_FragColor = vec4(ink, a * ${crossed ? '.55' : '.8'} + .07); }`,
  });

export function mountDoes(stage) {
  const { host } = stage;
  const unit = host.dataset.unit === 'in' ? 25.4 : 1;
  const skins = { added: skin('birch-edge', false), removed: skin('graphite', true) };
  const inks = {
    added: new LineMaterial({ color: colour('birch-edge'), linewidth: 3 }),
    removed: new LineMaterial({ color: colour('graphite'), linewidth: 2, dashed: true, dashSize: 1, gapSize: 0.7, depthTest: false }),
  };
  stage.inks.push(...Object.values(inks));
  const legend = host.querySelector('[data-legend]');
  let meshes = [];
  let seen = { added: null, removed: null, arrows: [], areas: [] };
  let of = null;
  let asking = null;

  function show(next) {
    for (const m of meshes) {
      stage.scene.remove(m);
      m.geometry.dispose();
    }
    meshes = [];
    seen = next ?? { added: null, removed: null, arrows: [], areas: [] };
    // what a step does is shown while it is tried out, while a value moves, and when it is asked for
    const step = stepAtHand();
    const shows = step && !toolInUse() && (stage.trying || step.classList.contains('trial') || host.dataset.explains === step.dataset.step);
    for (const k of ['added', 'removed']) {
      if (!seen[k] || !shows) continue;
      if (seen[k].lines.length) {
        const e = new LineSegmentsGeometry();
        e.setPositions(seen[k].lines);
        const l = new LineSegments2(e, inks[k]);
        l.computeLineDistances();
        l.renderOrder = 2;
        stage.scene.add(l);
        meshes.push(l);
      }
      const g = new BufferGeometry();
      g.setAttribute('position', new BufferAttribute(new Float32Array(seen[k].triangles), 3));
      const m = new Mesh(g, skins[k]);
      stage.scene.add(m);
      meshes.push(m);
    }
    if (legend) {
      legend.hidden = !shows || (!seen.added && !seen.removed);
      legend.querySelector('[data-added]').hidden = !seen.added;
      legend.querySelector('[data-removed]').hidden = !seen.removed;
    }
    const place = step?.querySelector('[data-lies]');
    // a line more would move what somebody is pressing
    if (place)
      whenReleased(() => {
        place.textContent = seen.lies ?? '';
      });
    stage.redraw();
  }

  async function ask() {
    const step = stepAtHand();
    const version = document.getElementById('state')?.dataset.version;
    // what is added and taken away is asked for only where it is shown
    const wanted = step?.classList.contains('trial') || (step && host.dataset.explains === step.dataset.step);
    const name = step && !host.dataset.replaying ? `${step.dataset.does}?version=${version}&differences=${wanted ? 1 : 0}` : null;
    if (name === of && name) return;
    of = name;
    asking?.abort();
    if (!name) {
      show(null);
      return;
    }
    asking = new AbortController();
    try {
      const answer = await fetch(name, { credentials: 'same-origin', signal: asking.signal });
      if (answer.ok && of === name) {
        show(await answer.json());
        host.dataset.shows = step.dataset.step;
      }
    } catch {
      /* a newer step is at hand, or the server is away: then the part alone is shown */
    }
  }
  const soon = () => setTimeout(ask, 60);
  document.addEventListener('cubo:tool', () => show(seen));
  document.addEventListener('cubo:kept', () => show(seen));
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('[data-explain]');
    if (!b) return;
    const id = b.closest('li.step').dataset.step;
    host.dataset.explains = host.dataset.explains === id ? '' : id;
    setTimeout(() => {
      show(seen);
      ask();
    }, 0);
  });
  document.addEventListener('cubo:part', () => {
    of = null;
    soon();
  });
  document.addEventListener('focusin', (e) => e.target.closest?.('li.step') && soon());
  document.addEventListener('cubo:upto', soon);
  soon();

  // trying: one question at a time, always with the newest values; the picture follows
  let busy = false;
  let next = null;
  let moved = null;
  async function tries(step, by = null) {
    next = step;
    moved = by;
    if (busy) return;
    busy = true;
    while (next) {
      const form = next.querySelector('form');
      const url = next.dataset.try;
      const body = new URLSearchParams(new FormData(form));
      moved?.forEach((v, k) => body.set(`by[${k}]`, v));
      next = null;
      try {
        const answer = await fetch(url, {
          method: 'POST',
          body,
          credentials: 'same-origin',
          headers: { Accept: 'application/json', 'X-CSRF-TOKEN': document.querySelector('meta[name=csrf-token]').content },
        });
        if (!answer.ok) break;
        const a = await answer.json();
        if (stage.trying) {
          if (a.part) stage.showTried(a.part);
          show({ ...a, areas: seen.areas });
          stage.says(a.says ?? '');
          host.dataset.tried = String(Number(host.dataset.tried ?? 0) + 1);
        }
      } catch {
        break;
      }
    }
    busy = false;
  }
  stage.tries = (step) => {
    stage.trying = true;
    tries(step);
  };
  /** The same for a shape that is moved, by a way in space. */
  stage.triesMoved = (step, by) => {
    if (step) {
      stage.trying = true;
      tries(step, by);
    }
  };
  /** Where the values of the step at hand can be taken hold of. */
  stage.arrows = (id) => (stepAtHand()?.dataset.step === id ? seen.arrows : []);
  stage.triedEnough = () => {
    stage.trying = false;
    next = null;
    stage.says('');
  };

  // a value that is a plain number can be drawn; one that is worked out is typed
  const fieldOf = (key) => stepAtHand()?.querySelector(`input[name="values[${key}]"]`);
  const plain = (field) => amount(field) !== null;
  const grid = (mm) => {
    const steps = unit === 1 ? [0.1, 0.5, 1, 5, 10, 50] : [1 / 64, 1 / 16, 1 / 8, 1 / 4, 1, 5];
    return steps.find((v) => v * unit * stage.scale() >= 5) ?? steps[steps.length - 1];
  };

  let drag = null;
  stage.onDraw.push((svg) => {
    if (toolInUse()) return;
    const at = stage.flat();
    for (const a of seen.areas ?? []) {
      const d = a.loops
        .map(
          (l) =>
            `M${l
              .map((p) =>
                at(p)
                  .map((v) => v.toFixed(1))
                  .join(' '),
              )
              .join('L')}Z`,
        )
        .join('');
      const p = svg('path', { d, 'fill-rule': 'evenodd', class: `region ${a.taken ? 'taken' : ''}`, 'data-region': a.number });
      svg('title', {}, p).textContent = `Region ${a.number}: ${a.taken ? 'taken' : 'not taken'}`;
    }
    for (const h of seen.arrows ?? []) {
      const field = fieldOf(h.key);
      if (!field) continue;
      const [x, y] = at(h.at);
      const dir = stage.dir(h.way);
      const l = Math.hypot(...dir);
      // an arrow that points at the eye cannot be drawn along
      if (l < 0.12) continue;
      const u = [dir[0] / l, dir[1] / l];
      const p = (k, s) => `${(x + u[0] * k - u[1] * s).toFixed(1)} ${(y + u[1] * k + u[0] * s).toFixed(1)}`;
      const g = svg('g', {
        class: `handle ${plain(field) ? '' : 'fixed'} ${h.key === 'x' || h.key === 'y' || h.key === 'z' ? 'moves' : ''}`,
        'data-handle': h.key,
      });
      svg('path', { d: `M${p(0, 0)}L${p(30, 0)}`, class: 'reach' }, g);
      svg('path', { d: `M${p(0, 0)}L${p(24, 0)}`, class: 'shaft' }, g);
      svg('path', { d: `M${p(38, 0)}L${p(22, 8)}L${p(26, 0)}L${p(22, -8)}Z`, class: 'head' }, g);
      svg('title', {}, g).textContent =
        `${field.getAttribute('aria-label')}: ${plain(field) ? 'draw it' : 'worked out from what is typed'}`;
      g.addEventListener('pointerdown', (e) => {
        e.preventDefault();
        e.stopPropagation();
        if (!plain(field)) {
          stage.says(`${field.getAttribute('aria-label')} says “${field.value}”. Type a plain number to draw it.`);
          return;
        }
        const value = amount(field);
        drag = { ...h, field, step: stepAtHand(), from: [e.clientX, e.clientY], dir, l, value, was: field.value };
        stage.over.setPointerCapture(e.pointerId);
        field.focus({ preventScroll: true });
      });
    }
  });
  stage.over.addEventListener('pointermove', (e) => {
    if (!drag) return;
    const s = stage.scale();
    const along = ((e.clientX - drag.from[0]) * drag.dir[0] + (e.clientY - drag.from[1]) * drag.dir[1]) / (drag.l * drag.l * s);
    // a place moves over the grid that was chosen, a size by what can be told apart at this distance
    const g = drag.key === 'x' || drag.key === 'y' || drag.key === 'z' ? stage.grid() / unit : grid();
    let v = drag.value + along / drag.per / unit;
    v = Math.round(v / g) * g;
    const direction = drag.turns ? drag.step.querySelector('select[name="values[direction]"]') : null;
    if (direction) {
      drag.direction ??= direction.value;
      direction.value = v < 0 ? { up: 'down', down: 'up' }[drag.direction] : drag.direction;
      v = Math.abs(v);
    }
    if (drag.size) v = Math.max(g, v);
    const text = String(+v.toFixed(4));
    if (text === drag.field.value && !direction) return;
    drag.field.value = text;
    stage.says(`${drag.field.getAttribute('aria-label')} ${text} ${host.dataset.unit}`);
    stage.tries(drag.step);
  });
  const release = () => {
    if (!drag) return;
    const d = drag;
    drag = null;
    stage.triedEnough();
    if (d.field.value !== d.was || (d.direction && d.step.querySelector('select[name="values[direction]"]').value !== d.direction))
      d.field.dispatchEvent(new Event('change', { bubbles: true }));
  };
  stage.over.addEventListener('pointerup', release);
  stage.over.addEventListener('pointercancel', release);
  stage.over.addEventListener('pointerover', (e) => {
    const r = e.target.closest?.('[data-region]');
    if (r) stage.says(`${r.classList.contains('taken') ? 'Leave out' : 'Take'}: region ${r.dataset.region}`);
  });
  stage.over.addEventListener('pointerout', (e) => {
    if (e.target.closest?.('[data-region]')) stage.says('');
  });
  stage.over.addEventListener('click', (e) => {
    const n = e.target.closest?.('[data-region]')?.dataset.region;
    if (!n) return;
    [...(stepAtHand()?.querySelectorAll('path.area') ?? [])][Number(n) - 1]?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
  });
}

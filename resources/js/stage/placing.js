// Tools that put shapes together: moving over a grid by pointer and keys, choosing shapes for a group or a line, another
// face for the ground. What a move means is worked out by the server; here only its picture goes ahead of the answer.
import { BufferAttribute, BufferGeometry, DoubleSide, Mesh, MeshBasicMaterial } from 'three';
import { learn, trianglesOf, useTool, wordsFor } from './picking.js';
import { askNow, sendBriefly, sendEdit } from './send.js';
import { colour } from './wood.js';

const escaped = (t) => t.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]);
const solids = () =>
  [...document.querySelectorAll('li.step[data-solid="1"]:not(.is-off)')].map((s) => [
    s.dataset.step,
    s.querySelector('input.name')?.value ?? s.dataset.step,
  ]);
const stepOf = (face) => face.split(':')[0];
const facesOf = (part, id) => (part?.triangles?.faces ?? []).filter((f) => stepOf(f) === id);

/** A list of shapes to choose from, ticked here or picked on the part. */
export function chooser(stage, panel, least, kinds = solids) {
  const list = panel.querySelector('[data-list]');
  const on = new Set();
  const tool = {
    kinds: ['face'],
    get picked() {
      return [...on].flatMap((id) => facesOf(stage.state.part, id));
    },
    take(item) {
      const box = [...list.querySelectorAll('input')].find((i) => i.value === stepOf(item.name));
      if (box) box.click();
      else stage.says(`${wordsFor(item)} is of a step that is not in the list.`);
    },
  };
  function draw() {
    const shapes = kinds();
    panel.querySelector('[data-none]').hidden = shapes.length >= least;
    panel.querySelector('[data-arrange]').hidden = shapes.length < least;
    for (const id of [...on]) if (!shapes.some(([s]) => s === id)) on.delete(id);
    list.innerHTML = shapes
      .map(([id, name]) => `<label><input type="checkbox" value="${escaped(id)}" ${on.has(id) ? 'checked' : ''}> ${escaped(name)}</label>`)
      .join('');
    list.querySelectorAll('input').forEach((i) =>
      i.addEventListener('change', () => {
        if (i.checked) on.add(i.value);
        else on.delete(i.value);
        stage.redraw();
      }),
    );
    return shapes;
  }
  return { on, tool, draw, ids: () => [...on] };
}

/** Shapes made one group. */
export function grouping(stage, panel) {
  const makers = () =>
    [...document.querySelectorAll('li.step[data-makes="1"]:not(.is-off)')].map((s) => [
      s.dataset.step,
      s.querySelector('input.name')?.value ?? s.dataset.step,
    ]);
  const c = chooser(stage, panel, 1, makers);
  const name = panel.querySelector('[data-group-name]');
  const make = () => {
    sendEdit({ do: 'group', name: name.value, ...Object.fromEntries(c.ids().map((id, i) => [`steps[${i}]`, id])) });
  };
  panel.querySelector('[data-group-them]').addEventListener('click', make);
  name.addEventListener('keydown', (e) => {
    if (e.key === 'Enter') {
      make();
      e.preventDefault();
    }
  });
  let before = '';
  const groups = () => document.querySelectorAll('.group-row').length;
  return {
    wordless: true,
    start() {
      before = groups();
      c.draw();
      useTool(c.tool);
      panel.querySelector('input')?.focus();
    },
    fresh() {
      if (groups() > before) name.value = '';
      before = groups();
      c.draw();
    },
  };
}

/** The ground moved to a face for a while. */
export function grounding(stage, panel) {
  const pick = panel.querySelector('select');
  const says = panel.querySelector('[data-ground-says]');
  const back = panel.querySelector('[data-ground-back]');
  const now = () => document.getElementById('state')?.dataset.ground ?? '';
  const put = (face) => sendEdit({ do: 'ground', face });
  const tool = {
    kinds: ['face'],
    get picked() {
      return now() ? [now()] : [];
    },
    take: (item) => put(item.name),
  };
  async function draw() {
    const { words } = await learn();
    says.innerHTML = now() ? `New shapes stand on <b>${escaped(words.faces[now()] ?? now())}</b>.` : 'New shapes stand on the ground.';
    back.hidden = !now();
    const options = Object.entries(words.faces ?? {}).sort((a, b) => a[1].localeCompare(b[1], 'en', { numeric: true }));
    pick.innerHTML = `<option value="">or choose a face from the list</option>${options.map(([n, t]) => `<option value="${escaped(n)}">${escaped(t)}</option>`).join('')}`;
    stage.redraw();
  }
  pick.addEventListener('change', () => pick.value && put(pick.value));
  back.addEventListener('click', () => put(''));
  return {
    start() {
      draw();
      useTool(tool);
    },
    fresh: draw,
  };
}

/** Moving and turning one shape by steps. */
export function moving(stage, panel) {
  const { host, canvas } = stage;
  const unit = host.dataset.unit === 'in' ? 25.4 : 1;
  const pick = panel.querySelector('[data-shape]');
  const grid = panel.querySelector('[data-grid]');
  const turn = panel.querySelector('[data-turn]');
  const skin = new MeshBasicMaterial({
    color: colour('violet'),
    transparent: true,
    opacity: 0.3,
    depthWrite: false,
    depthTest: false,
    side: DoubleSide,
  });
  let ghost = null;
  let away = [0, 0, 0];
  let waiting = [0, 0, 0];
  let busy = false;
  let active = false;
  const kept = sessionStorage.getItem(`cubo-grid-${host.dataset.unit}`);
  if (kept) grid.value = kept;
  const size = () => {
    const m = /^\s*(\d+(?:[.,]\d+)?)\s*(?:\/\s*(\d+(?:[.,]\d+)?))?\s*$/.exec(grid.value);
    const v = m ? Number(m[1].replace(',', '.')) / (m[2] ? Number(m[2].replace(',', '.')) : 1) : 0;
    grid.classList.toggle('bad', !(v > 0));
    return v > 0 ? v * unit : unit;
  };
  stage.grid = size;
  grid.addEventListener('change', () => {
    size();
    sessionStorage.setItem(`cubo-grid-${host.dataset.unit}`, grid.value);
  });

  function clear() {
    if (ghost) {
      stage.scene.remove(ghost);
      ghost.geometry.dispose();
      ghost = null;
    }
    away = [0, 0, 0];
  }
  // the shape's faces as they are seen now, moved ahead of the answer
  function show(by) {
    if (!ghost) {
      const points = facesOf(stage.state.part, pick.value).flatMap((f) => trianglesOf(stage.state.part, f));
      if (!points.length) return;
      const g = new BufferGeometry();
      g.setAttribute('position', new BufferAttribute(new Float32Array(points), 3));
      ghost = new Mesh(g, skin);
      stage.scene.add(ghost);
    }
    ghost.position.set(...by);
    host.dataset.ghost = by.map((v) => v.toFixed(3)).join(' ');
    stage.redraw();
  }
  const nothing = (v) => v.every((c) => Math.abs(c) < 1e-9);
  let resting = null;
  const failed = (answer) => {
    waiting = [0, 0, 0];
    clear();
    stage.redraw();
    document.dispatchEvent(new CustomEvent('cubo:refused', { detail: answer }));
  };
  // several steps are one edit while one is under way; the log is written anew when the shape rests
  async function send(values) {
    busy = true;
    clearTimeout(resting);
    const answer = await sendBriefly({ step: pick.value, ...values });
    busy = false;
    if (answer.glb === undefined) {
      failed(answer);
      return;
    }
    stage.load(answer.glb);
    if (!nothing(waiting)) nudged();
    else resting = setTimeout(() => askNow(pick.value), 90);
  }
  function nudged() {
    if (busy || nothing(waiting) || !pick.value) return;
    const by = waiting;
    waiting = [0, 0, 0];
    send({ do: 'nudge', 'by[0]': by[0], 'by[1]': by[1], 'by[2]': by[2] });
  }
  function nudge(by) {
    away = away.map((v, k) => v + by[k]);
    waiting = waiting.map((v, k) => v + by[k]);
    show(away);
    nudged();
  }
  // the answer's own picture takes the place of what went ahead
  stage.onPart.push(() => {
    if (!busy && nothing(waiting)) clear();
  });

  const spin = (sign, times) =>
    pick.value &&
    !busy &&
    send({ do: 'spin', degrees: Math.max(-360, Math.min(360, sign * times * (Number(turn.value.replace(',', '.')) || 15))) });
  panel.querySelectorAll('[data-way]').forEach((b) =>
    b.addEventListener('click', (e) => {
      const by = [0, 0, 0];
      by[['x', 'y', 'z'].indexOf(b.dataset.way)] = Number(b.dataset.sign) * size() * (e.shiftKey ? 10 : 1);
      nudge(by);
    }),
  );
  panel.querySelectorAll('[data-spin]').forEach((b) => b.addEventListener('click', () => spin(Number(b.dataset.spin), 1)));
  panel.querySelector('[data-let-down]').addEventListener('click', () => pick.value && sendEdit({ do: 'drop', step: pick.value }));

  // an arrow moves along the axis that points most to that side of the screen
  function along(key) {
    if (key === 'PageUp' || key === 'PageDown') return [0, 0, key === 'PageUp' ? 1 : -1];
    const to = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
    if (!to) return null;
    const ways = [
      [1, 0, 0],
      [-1, 0, 0],
      [0, 1, 0],
      [0, -1, 0],
    ];
    const most = (list, [u, v]) =>
      list.reduce((a, b) => {
        const [[ax, ay], [bx, by]] = [stage.dir(a), stage.dir(b)];
        return bx * u + by * v > ax * u + ay * v + 1e-6 ? b : a;
      });
    // left and right are one axis, up and down the other; seen straight from a side, up is up
    const right = most(ways, [1, 0]);
    if (to[0]) return right.map((v) => v * to[0]);
    if (Math.abs(stage.state.tilt) < 1) return [0, 0, -to[1]];
    return most(
      ways.filter((w) => Math.abs(w[0]) !== Math.abs(right[0])),
      to,
    );
  }
  stage.moveKey = (e) => {
    if (!active) return false;
    if (e.key === ',' || e.key === '.') {
      spin(e.key === ',' ? 1 : -1, 1);
      return true;
    }
    if (e.key === ';' || e.key === ':') {
      spin(e.key === ';' ? 1 : -1, 10);
      return true;
    }
    const way = along(e.key);
    if (!way) return false;
    nudge(way.map((v) => v * size() * (e.shiftKey ? 10 : 1)));
    return true;
  };
  panel.addEventListener('keydown', (e) => {
    if (e.target.matches('input, select')) return;
    if (stage.moveKey(e)) {
      e.preventDefault();
      e.stopPropagation();
    }
  });

  // drawn over the grid it stands on
  let held = null;
  const axes = () => {
    const ways = Object.fromEntries(
      (stage.arrows?.(pick.value) ?? []).filter((h) => h.key === 'x' || h.key === 'y').map((h) => [h.key, h.way]),
    );
    return [ways.x ?? [1, 0, 0], ways.y ?? [0, 1, 0]];
  };
  // seen along the ground, a shape is drawn up and down instead of to and fro
  const plane = () => {
    const [u, v] = axes();
    const w = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    const seen = ([p, q]) => {
      const [a, b] = [stage.dir(p), stage.dir(q)];
      return Math.abs(a[0] * b[1] - a[1] * b[0]);
    };
    return seen([u, v]) > 0.15
      ? [u, v]
      : [
          [u, w],
          [v, w],
        ].reduce((a, b) => (seen(b) > seen(a) ? b : a));
  };
  stage.grab = (e, items) => {
    if (!active || aims() || e.button !== 0 || e.shiftKey) return false;
    const id = stepOf(items.find((i) => i.kind === 'face')?.name ?? '');
    if (!id || !solids().some(([s]) => s === id)) return false;
    choose(id);
    held = { from: [e.clientX, e.clientY], by: [0, 0, 0], id: e.pointerId };
    canvas.setPointerCapture(e.pointerId);
    return true;
  };
  canvas.addEventListener('pointermove', (e) => {
    if (!held) return;
    const [u, v] = plane();
    const [a, b] = [stage.dir(u), stage.dir(v)];
    const s = stage.scale();
    const [x, y] = [(e.clientX - held.from[0]) / s, (e.clientY - held.from[1]) / s];
    const d = a[0] * b[1] - a[1] * b[0];
    if (Math.abs(d) < 0.02) return;
    const g = size();
    const p = Math.round((x * b[1] - y * b[0]) / d / g) * g;
    const q = Math.round((a[0] * y - a[1] * x) / d / g) * g;
    const by = u.map((c, k) => p * c + q * v[k]);
    if (by.every((c, k) => Math.abs(c - held.by[k]) < 1e-9)) return;
    held.by = by;
    show(by);
    stage.triesMoved?.(document.getElementById(`step-${pick.value}`), by);
  });
  const release = (keep) => {
    if (!held) return;
    const { by } = held;
    held = null;
    stage.triedEnough?.();
    if (!keep || nothing(by)) {
      clear();
      stage.redraw();
      return;
    }
    away = [0, 0, 0];
    nudge(by);
  };
  canvas.addEventListener('pointerup', () => release(true));
  canvas.addEventListener('pointercancel', () => release(false));
  stage.holding = () => held !== null;

  // the shape that is moved is the step at hand, so that what it lies to is read out
  function choose(id) {
    if (pick.value !== id) clear();
    pick.value = id;
    document.querySelectorAll('li.step.picked').forEach((s) => s.classList.toggle('picked', s.dataset.step === id));
    document.getElementById(`step-${id}`)?.classList.add('picked');
    document.dispatchEvent(new CustomEvent('cubo:upto'));
    stage.redraw();
  }
  pick.addEventListener('change', () => choose(pick.value));
  // put at a corner, an edge or a face: what is picked next, on the part or from the list
  const putAt = panel.querySelector('[data-put-at]');
  const spots = panel.querySelector('[data-put-at-list]');
  const aims = () => putAt.getAttribute('aria-pressed') === 'true';
  const put = (name) => {
    aim(false);
    sendEdit({ do: 'put-at', step: pick.value, 'of[0]': name });
  };
  function aim(on) {
    putAt.setAttribute('aria-pressed', String(on));
    spots.hidden = !on;
    stage.says(on ? 'Pick the corner, edge or face it is put at.' : '');
    if (on) {
      learn().then(({ words }) => {
        const options = ['corners', 'edges', 'faces']
          .flatMap((k) => Object.entries(words[k] ?? {}))
          .filter(([n]) => !n.split(' / ').some((f) => stepOf(f) === pick.value))
          .sort((a, b) => a[1].localeCompare(b[1], 'en', { numeric: true }));
        spots.querySelector('select').innerHTML =
          `<option value="">or choose from the list</option>${options.map(([n, t]) => `<option value="${escaped(n)}">${escaped(t)}</option>`).join('')}`;
      });
    }
    stage.redraw();
  }
  putAt.addEventListener('click', () => aim(!aims()));
  spots.querySelector('select').addEventListener('change', (e) => e.target.value && put(e.target.value));
  const tool = {
    get kinds() {
      return aims() ? ['corner', 'edge', 'face'] : ['face'];
    },
    get picked() {
      return facesOf(stage.state.part, pick.value);
    },
    take: (item) => (aims() ? put(item.name) : solids().some(([s]) => s === stepOf(item.name)) && choose(stepOf(item.name))),
  };
  function draw() {
    const shapes = solids();
    panel.querySelector('[data-none]').hidden = shapes.length > 0;
    panel.querySelector('[data-arrange]').hidden = shapes.length === 0;
    const was = pick.value;
    pick.innerHTML = shapes.map(([id, name]) => `<option value="${escaped(id)}">${escaped(name)}</option>`).join('');
    const hand = document.querySelector('li.step.picked')?.dataset.step;
    const next = [was, hand].find((id) => shapes.some(([s]) => s === id)) ?? shapes[shapes.length - 1]?.[0];
    if (next && (next !== was || !document.querySelector('li.step.picked'))) choose(next);
    else if (next) pick.value = next;
  }
  return {
    wordless: true,
    start() {
      active = true;
      pick.innerHTML = '';
      draw();
      useTool(tool);
      stage.host.focus({ preventScroll: true });
    },
    stop() {
      active = false;
      clear();
      aim(false);
    },
    fresh: draw,
  };
}

/** The library: what is in it is asked for when it is opened and while somebody searches. */
export function library(panel) {
  const q = panel.querySelector('input[type=search]');
  return {
    wordless: true,
    start() {
      q.dispatchEvent(new CustomEvent('cubo:open'));
      q.focus();
    },
  };
}

/** A group put into the library. */
export function putting(stage, panel) {
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('[data-puts]');
    if (!b) return;
    panel.querySelector('[data-put-group]').value = b.dataset.puts;
    panel.querySelector('[data-put-name]').textContent = b.dataset.name;
    document.getElementById('put-says').replaceChildren();
    stage.openTool('put');
    panel.querySelector('input[name=tags]').focus();
  });
  return { wordless: true, start() {} };
}

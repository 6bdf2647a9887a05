// The tools of the stage: measuring, cutting open, painting, hiding bodies, looking straight at a face; those that put
// shapes together are in placing.js. Each has a panel;
// what it needs is picked on the part or chosen from a list.
import { knowledge, learn, toolInUse, useTool } from './picking.js';
import { chooser, grounding, grouping, library, moving, putting } from './placing.js';
import { mountSection } from './section.js';
import { sendEdit } from './send.js';
import { PAINT } from './wood.js';

const escaped = (t) => t.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]);

export function mountTools(stage) {
  const { host } = stage;
  const bar = host.querySelector('[data-tools]');
  if (!bar) return;
  const panels = Object.fromEntries([...host.querySelectorAll('[data-panel]')].map((p) => [p.dataset.panel, p]));
  const buttons = Object.fromEntries([...bar.querySelectorAll('[data-tool]')].map((b) => [b.dataset.tool, b]));
  mountSection(stage, panels.cut);
  let open = null;

  const tools = {
    measure: measuring(stage, panels.measure),
    cut: { start: () => stage.cutting.start(), stop: () => stage.cutting.stop() },
    paint: painting(stage, panels.paint),
    bodies: hiding(stage, panels.bodies),
    straight: straight(stage, panels.straight),
    arrange: arranging(stage, panels.arrange),
    group: grouping(stage, panels.group),
    move: moving(stage, panels.move),
    ground: grounding(stage, panels.ground),
    library: library(panels.library),
    put: putting(stage, panels.put),
  };
  function show(name) {
    if (open) {
      tools[open].stop?.();
      panels[open].hidden = true;
      buttons[open].setAttribute('aria-expanded', 'false');
    }
    useTool(null);
    stage.offered = null;
    open = name === open ? null : name;
    if (open) {
      panels[open].hidden = false;
      buttons[open].setAttribute('aria-expanded', 'true');
      // what needs no words of the part is ready for the next key at once
      if (tools[open].wordless) tools[open].start();
      const starts = !tools[open].wordless;
      learn().then(() => {
        if (starts && open === name) tools[open].start();
        stage.redraw();
      });
    }
    host.dataset.tool = open ?? '';
    stage.inset = open ? Math.min(open === 'library' ? 430 : 200, host.clientWidth * 0.68) : 0;
    stage.says('');
    stage.redraw();
  }
  for (const [name, b] of Object.entries(buttons)) b.addEventListener('click', () => show(name));
  host.addEventListener('cubo:close', () => open && show(open));
  host.querySelectorAll('[data-panel] [data-close]').forEach((b) =>
    b.addEventListener('click', () => {
      const back = buttons[open];
      show(open);
      (back?.hidden ? host : back)?.focus();
    }),
  );
  const keys = {
    m: 'measure',
    c: 'cut',
    p: 'paint',
    b: 'bodies',
    l: 'straight',
    a: 'arrange',
    g: 'group',
    v: 'move',
    u: 'ground',
    o: 'library',
  };
  stage.openTool = (name) => {
    if (open !== name) show(name);
  };
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('[data-opens-tool]');
    if (b) stage.openTool(b.dataset.opensTool);
  });
  stage.toolKey = (key) => {
    if (key === 'Escape' && open) {
      show(open);
      return true;
    }
    if (!keys[key.toLowerCase()]) return false;
    show(keys[key.toLowerCase()]);
    return true;
  };
  document.addEventListener('cubo:part', () =>
    learn().then(() => {
      if (open) tools[open].fresh?.();
    }),
  );
}

// a list of everything that can be picked, for those who work by keyboard
function fill(select, kinds, first) {
  const { words } = knowledge();
  const options = kinds
    .flatMap((k) => Object.entries(words[`${k}s`] ?? {}).map(([name, text]) => [name, text]))
    .sort((a, b) => a[1].localeCompare(b[1], 'en', { numeric: true }));
  select.innerHTML = `<option value="">${first}</option>${options.map(([n, t]) => `<option value="${escaped(n)}">${escaped(t)}</option>`).join('')}`;
}

function measuring(stage, panel) {
  const out = panel.querySelector('[data-read]');
  const pick = panel.querySelector('select');
  const pin = panel.querySelector('[data-pin]');
  let lines = [];
  let asked = 0;
  const tool = { kinds: ['corner', 'edge', 'face'], picked: [], take: (item) => add(item.name, item.kind === 'face' ? item.at : null) };
  let spot = null;
  function add(name, at = null) {
    spot = at;
    if (tool.picked.includes(name)) tool.picked = tool.picked.filter((n) => n !== name);
    else
      tool.picked =
        tool.picked.length === 3 || (tool.picked.length === 2 && !(name.split(' / ').length > 2)) ? [name] : [...tool.picked, name];
    read();
  }
  async function read() {
    const mine = ++asked;
    lines = [];
    pin.hidden = tool.picked.length === 0;
    if (!tool.picked.length) {
      out.innerHTML = '<p class="quiet">Pick one thing to read its size, two for what lies between them, three corners for an angle.</p>';
      stage.redraw();
      return;
    }
    const url = `${panel.dataset.url}?version=${document.getElementById('state')?.dataset.version}&${tool.picked.map((n) => `of[]=${encodeURIComponent(n)}`).join('&')}${spot && tool.picked.length === 1 ? `&at=${spot.map((v) => v.toFixed(4)).join(',')}` : ''}`;
    let a = null;
    try {
      const answer = await fetch(url, { credentials: 'same-origin', headers: { Accept: 'application/json' } });
      if (answer.ok) a = await answer.json();
    } catch {
      /* said below */
    }
    if (mine !== asked) return;
    if (!a) {
      out.innerHTML = '<p>The server could not be reached. Pick once more to try again.</p>';
      return;
    }
    lines = a.lines;
    out.innerHTML = `<p class="of">${a.of.map(escaped).join(' <span class="quiet">and</span> ')}</p>${a.problem ? `<p>${escaped(a.problem)}</p>` : ''}<dl>${a.rows.map(([l, v]) => `<dt>${escaped(l)}</dt><dd class="num">${escaped(v)}</dd>`).join('')}</dl>`;
    stage.redraw();
  }
  pick.addEventListener('change', () => {
    if (pick.value) add(pick.value);
    pick.value = '';
  });
  pin.addEventListener('click', () => sendEdit(Object.fromEntries([['do', 'pin'], ...tool.picked.map((n, i) => [`of[${i}]`, n])])));
  panel.querySelector('[data-clear]').addEventListener('click', () => {
    tool.picked = [];
    read();
  });
  stage.onDraw.push((svg) => {
    if (toolInUse() !== tool) return;
    const at = stage.flat();
    for (const [p, q] of lines) {
      const d = `M${at(p)
        .map((v) => v.toFixed(1))
        .join(' ')}L${at(q)
        .map((v) => v.toFixed(1))
        .join(' ')}`;
      svg('path', { d, class: 'measured under' });
      svg('path', { d, class: 'measured' });
    }
  });
  return {
    start: () => {
      fill(pick, ['corner', 'edge', 'face'], 'or choose from the list');
      useTool(tool);
      read();
    },
    stop: () => {
      tool.picked = [];
      lines = [];
    },
    fresh: () => {
      fill(pick, ['corner', 'edge', 'face'], 'or choose from the list');
      read();
    },
  };
}

function painting(stage, panel) {
  const pick = panel.querySelector('select:not([name])');
  const what = panel.querySelector('[name=what]');
  const colour = () => panel.querySelector('[name=colour]:checked')?.value ?? '';
  panel.querySelectorAll('[data-swatch]').forEach((s) => {
    s.style.background = PAINT[s.dataset.swatch] ?? '';
  });
  const put = (name) => sendEdit({ do: 'paint', 'of[0]': name, colour: colour(), what: what.value });
  const tool = { kinds: ['face'], picked: [], take: (item) => put(item.name) };
  pick.addEventListener('change', () => {
    if (pick.value) put(pick.value);
    pick.value = '';
  });
  return {
    start: () => {
      fill(pick, ['face'], 'or choose a face from the list');
      useTool(tool);
    },
    fresh: () => fill(pick, ['face'], 'or choose a face from the list'),
  };
}

function straight(stage, panel) {
  const pick = panel.querySelector('select');
  const cut = panel.querySelector('[data-cut-here]');
  let normal = null;
  const look = (name) => {
    const { triangles } = stage.state.part ?? {};
    if (!triangles) return;
    const i = triangles.face.findIndex((f) => triangles.faces[f] === name);
    if (i < 0) return;
    const p = triangles.position;
    const at = (k) => [p[9 * Math.floor(i / 3) + 3 * k], p[9 * Math.floor(i / 3) + 3 * k + 1], p[9 * Math.floor(i / 3) + 3 * k + 2]];
    const [a, b, c] = [at(0), at(1), at(2)];
    const u = b.map((v, k) => v - a[k]);
    const w = c.map((v, k) => v - a[k]);
    const n = [u[1] * w[2] - u[2] * w[1], u[2] * w[0] - u[0] * w[2], u[0] * w[1] - u[1] * w[0]];
    const l = Math.hypot(...n) || 1;
    normal = n.map((v) => v / l);
    stage.straightAt = { normal, at: a.reduce((s, v, k) => s + v * normal[k], 0) };
    stage.lookAlong(normal);
    cut.hidden = false;
  };
  const tool = { kinds: ['face'], picked: [], take: (item) => look(item.name) };
  pick.addEventListener('change', () => {
    if (pick.value) look(pick.value);
  });
  cut.addEventListener('click', () => {
    const s = stage.straightAt;
    stage.host.querySelector('[data-tool=cut]').click();
    requestAnimationFrame(() => setTimeout(() => stage.cutting.along(s.normal, s.at - 1e-3), 50));
  });
  return {
    start: () => {
      fill(pick, ['face'], 'or choose a face from the list');
      useTool(tool);
      cut.hidden = true;
    },
    fresh: () => fill(pick, ['face'], 'or choose a face from the list'),
  };
}

function hiding(stage, panel) {
  const list = panel.querySelector('[data-list]');
  const off = new Set();
  function apply() {
    const { bodies } = knowledge();
    const { words } = knowledge();
    stage.hidden = new Set([
      ...Object.entries(bodies)
        .filter(([, b]) => off.has(b))
        .map(([f]) => f),
      ...Object.keys(words.faces ?? {}).filter((f) => off.has(`step ${f.split(':')[0]}`)),
    ]);
    stage.rebuild();
  }
  function draw() {
    const { bodies } = knowledge();
    const names = JSON.parse(document.getElementById('body-words')?.textContent || '{}');
    const all = [...new Set(Object.values(bodies))];
    list.innerHTML =
      all
        .map((b) => `<label><input type="checkbox" value="${escaped(b)}" ${off.has(b) ? '' : 'checked'}> ${escaped(names[b] ?? b)}</label>`)
        .join('') || '<p class="quiet">There is no part yet.</p>';
    const faces = Object.keys(knowledge().words.faces ?? {});
    const steps = [...document.querySelectorAll('li.step')].filter((s) => faces.some((f) => f.startsWith(`${s.dataset.step}:`)));
    if (all.length)
      list.innerHTML += `<h4>Faces of single steps</h4>${steps.map((s) => `<label><input type="checkbox" value="step ${escaped(s.dataset.step)}" ${off.has(`step ${s.dataset.step}`) ? '' : 'checked'}> ${escaped(s.querySelector('input.name')?.value ?? s.dataset.step)}</label>`).join('')}`;
    list.querySelectorAll('input').forEach((i) =>
      i.addEventListener('change', () => {
        if (i.checked) off.delete(i.value);
        else off.add(i.value);
        apply();
      }),
    );
  }
  document.addEventListener('cubo:part', () => {
    if (off.size) learn().then(apply);
  });
  return { start: draw, fresh: draw };
}

// lines ready solids up with one that stays
function arranging(stage, panel) {
  const against = panel.querySelector('[data-against]');
  const c = chooser(stage, panel, 2);
  function draw() {
    const was = against.value;
    const shapes = c.draw();
    if (!c.on.size) {
      for (const [id] of shapes.slice(-2)) c.on.add(id);
      c.draw();
    }
    against.innerHTML = shapes.map(([id, name]) => `<option value="${escaped(id)}">${escaped(name)}</option>`).join('');
    if (shapes.some(([id]) => id === was)) against.value = was;
  }
  panel.querySelectorAll('[data-how]').forEach((b) =>
    b.addEventListener('click', () => {
      sendEdit({
        do: 'align',
        how: b.dataset.how,
        way: b.dataset.way,
        against: against.value,
        ...Object.fromEntries(c.ids().map((id, i) => [`steps[${i}]`, id])),
      });
    }),
  );
  return {
    wordless: true,
    start() {
      draw();
      useTool(c.tool);
    },
    fresh: draw,
  };
}

// Picking faces, edges, corners and bodies on the stage: what would be picked is named before the click. A tool that is
// open takes what is picked; otherwise the fields of the step that is at hand do.
const NS = 'http://www.w3.org/2000/svg';
const NEAR = 8;

let known = { url: '', words: { faces: {}, edges: {}, corners: {} }, corners: {}, bodies: {} };
/** Words and places of what can be picked, asked for when they are needed first. */
export function learn() {
  const state = document.getElementById('state')?.dataset;
  const url = state?.words && state.glb ? `${state.words}?version=${state.version}` : '';
  if (url !== known.url) {
    known = { ...known, url };
    asking = url ? ask(known) : Promise.resolve(known);
  }
  return asking;
}
let asking = Promise.resolve(known);
async function ask(mine) {
  try {
    const answer = await fetch(mine.url, { credentials: 'same-origin' });
    if (answer.ok) Object.assign(mine, await answer.json());
    else mine.url = '';
  } catch {
    mine.url = '';
  }
  return mine;
}
export const knowledge = () => known;

// every corner of the part as it is seen, worked out once for each view of it
let view = { part: null, key: '' };
function seen(part, project, depth) {
  if (view.part === part && view.key === project.key) return view;
  const { position } = part.triangles;
  const n = position.length / 3;
  const [px, py, ph] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    const q = [position[3 * i], position[3 * i + 1], position[3 * i + 2]];
    [px[i], py[i]] = project(q);
    ph[i] = depth(q);
  }
  view = { part, key: project.key, px, py, ph, position };
  return view;
}

/**
 * All that lies under a place of the stage, what is seen first: { kind, name, at }. Behind the first face come the
 * others, as far as they go.
 */
export function under([x, y], part, project, depth) {
  const { face, faces } = part.triangles;
  const hits = new Map();
  const { px, py, ph, position } = seen(part, project, depth);
  for (let t = 0, n = px.length; t < n; t += 3) {
    const ax = px[t];
    const bx = px[t + 1];
    const cx = px[t + 2];
    // most triangles lie wholly to one side of the pointer
    if ((ax < x && bx < x && cx < x) || (ax > x && bx > x && cx > x)) continue;
    const ay = py[t];
    const by = py[t + 1];
    const cy = py[t + 2];
    if ((ay < y && by < y && cy < y) || (ay > y && by > y && cy > y)) continue;
    const d = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    if (Math.abs(d) < 1e-9) continue;
    const u = ((x - ax) * (cy - ay) - (y - ay) * (cx - ax)) / d;
    const v = ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / d;
    if (u < 0 || v < 0 || u + v > 1) continue;
    const i = 3 * t;
    const at = [0, 1, 2].map(
      (k) => position[i + k] + u * (position[i + 3 + k] - position[i + k]) + v * (position[i + 6 + k] - position[i + k]),
    );
    if (project.hides?.(at)) continue;
    const name = faces[face[t]];
    const h = ph[t] + u * (ph[t + 1] - ph[t]) + v * (ph[t + 2] - ph[t]);
    if (!hits.has(name) || hits.get(name).h < h) hits.set(name, { kind: 'face', name, h, at, triangle: i });
  }
  const list = [...hits.values()].sort((a, b) => b.h - a.h);
  const front = list[0]?.h ?? -Infinity;
  const slack = 12 / project.scale;
  const edges = new Map();
  const s = part.sharp ?? [];
  for (let i = 0; i < s.length; i += 6) {
    if (!(part.edge?.[i / 3] >= 0)) continue;
    const [p, q] = [
      [s[i], s[i + 1], s[i + 2]],
      [s[i + 3], s[i + 4], s[i + 5]],
    ];
    const [a, b] = [project(p), project(q)];
    const l2 = (b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2;
    const t = l2 ? Math.max(0, Math.min(1, ((x - a[0]) * (b[0] - a[0]) + (y - a[1]) * (b[1] - a[1])) / l2)) : 0;
    const far = Math.hypot(a[0] + t * (b[0] - a[0]) - x, a[1] + t * (b[1] - a[1]) - y);
    if (far > NEAR) continue;
    const at = p.map((v, k) => v + t * (q[k] - v));
    if (project.hides?.(at)) continue;
    const name = part.edges[part.edge[i / 3]];
    if (!edges.has(name) || edges.get(name).far > far) edges.set(name, { kind: 'edge', name, far, at, h: depth(at) });
  }
  const corners = Object.entries(known.corners)
    .map(([name, at]) => {
      const p = project(at);
      return { kind: 'corner', name, far: Math.hypot(p[0] - x, p[1] - y), at, h: depth(at) };
    })
    .filter((c) => c.far < NEAR && !project.hides?.(c.at));
  // what is seen comes before what lies behind a face; corners before edges before faces
  const rank = { corner: 0, edge: 1, face: 2 };
  return [...corners, ...edges.values(), ...list]
    .map((e) => ({ ...e, seen: e.kind === 'face' ? e.h > front - 1e-6 : e.h > front - slack }))
    .sort(
      (a, b) =>
        Number(b.seen) - Number(a.seen) ||
        (a.seen ? rank[a.kind] - rank[b.kind] || (a.far ?? 0) - (b.far ?? 0) : b.h - a.h || rank[a.kind] - rank[b.kind]),
    );
}

/** The step whose fields take what is picked: the one that has the focus, or else the one shown as picked. */
export const stepAtHand = () => document.activeElement?.closest?.('li.step') ?? document.querySelector('li.step.picked');
const fields = () => [...(stepAtHand()?.querySelectorAll('[data-picks]') ?? [])];

// a tool that is open: { kinds, take(item), picked: [names] }
let tool = null;
export function useTool(next) {
  tool = next;
  document.dispatchEvent(new CustomEvent('cubo:tool'));
}
export const toolInUse = () => tool;
export const wanted = () => tool !== null || fields().length > 0;

export const wordsFor = ({ kind, name }) => known.words[`${kind}s`]?.[name] ?? name;

// which field takes an item: its own kind, a spot takes corners and edges, a body the face of one
function fieldFor({ kind, name }) {
  const list = fields();
  // the field that has the focus comes first
  list.sort((a, b) => Number(b === document.activeElement) - Number(a === document.activeElement));
  return list.find((f) => {
    const wants = f.dataset.picks;
    if (wants === 'spot')
      return (
        kind === 'corner' ||
        kind === 'edge' ||
        ('faces' in f.dataset && f === document.activeElement && [...f.options].some((o) => o.value === name))
      );
    if (wants === 'body') return kind === 'face' && known.bodies[name] !== undefined && f === document.activeElement;
    // one face that is chosen must be flat, and so be in its list
    return wants === kind && (kind !== 'face' || !('flat' in f.dataset) || [...f.options].some((o) => o.value === name));
  });
}

/** What a click on one of these would pick: { item, field, words }. */
export function offer(items) {
  for (const item of items) {
    if (tool) {
      if (tool.kinds.includes(item.kind)) return { item, words: wordsFor(item) };
      continue;
    }
    const field = fieldFor(item);
    if (field) return { item, field, words: field.dataset.picks === 'body' ? `the body of ${wordsFor(item)}` : wordsFor(item) };
  }
  return null;
}

export const same = (a, b) => a?.item.name === b?.item.name && a?.field === b?.field;

const boxOf = (field, name) => [...field.form.elements].find((e) => e.type === 'checkbox' && e.name === field.name && e.value === name);
export const isPicked = ({ item, field }) => (field ? Boolean(boxOf(field, item.name)?.checked) : tool?.picked.includes(item.name));

export function take(o) {
  if (!o.field) {
    tool?.take(o.item);
    return;
  }
  const value = o.field.dataset.picks === 'body' ? known.bodies[o.item.name] : o.item.name;
  const box = boxOf(o.field, value);
  if (box) box.checked = !box.checked;
  else {
    if (![...o.field.options].some((x) => x.value === value)) o.field.add(new Option(o.words, value));
    o.field.value = value;
  }
  (box ?? o.field).dispatchEvent(new Event('change', { bubbles: true }));
}

/** What is under the pointer and what is picked already: { faces, edges, corners }, each { name, offered }. */
export function highlights(offered) {
  const out = { faces: [], edges: [], corners: [] };
  const put = (kind, name, more = {}) => name && out[`${kind}s`].push({ name, ...more });
  const kindOf = (name) => ['face', 'edge', 'corner'][Math.min(2, name.split(' / ').length - 1)];
  if (tool) for (const name of tool.picked) put(kindOf(name), name);
  else {
    for (const f of fields()) {
      if (f.dataset.picks === 'body' || f.dataset.picks === 'sketch') continue;
      const chosen = f.name.endsWith('[]')
        ? [...f.form.elements].filter((e) => e.type === 'checkbox' && e.name === f.name && e.checked).map((e) => e.value)
        : [f.value];
      for (const name of chosen) put(kindOf(name), name);
    }
  }
  if (offered?.field?.dataset.picks === 'body') {
    for (const [face, body] of Object.entries(known.bodies))
      if (body === known.bodies[offered.item.name]) put('face', face, { offered: true });
  } else if (offered) put(offered.item.kind, offered.item.name, { offered: true });
  return out;
}

/** The triangles of a face: positions. */
export function trianglesOf(part, name) {
  const { position: p, face: f, faces } = part.triangles;
  const out = [];
  for (let i = 0; i < p.length; i += 9) if (faces[f[i / 3]] === name) for (let k = 0; k < 9; k++) out.push(p[i + k]);
  return out;
}

/** Draws highlighted edges and corners. */
export function drawPicks(svg, part, project, { edges, corners }) {
  const at = (q) =>
    project(q)
      .map((v) => v.toFixed(1))
      .join(' ');
  const s = part.sharp ?? [];
  for (const { name, offered } of edges) {
    let d = '';
    for (let i = 0; i < s.length; i += 6)
      if (part.edge?.[i / 3] >= 0 && part.edges[part.edge[i / 3]] === name)
        d += `M${at([s[i], s[i + 1], s[i + 2]])}L${at([s[i + 3], s[i + 4], s[i + 5]])}`;
    if (d) svg('path', { d, class: offered ? 'edge offered' : 'edge' });
  }
  for (const { name, offered } of corners) {
    if (!known.corners[name]) continue;
    const [x, y] = project(known.corners[name]);
    svg('rect', { x: x - 6, y: y - 6, width: 12, height: 12, class: offered ? 'corner offered' : 'corner' });
  }
}

/** A list of everything under the pointer, for what lies behind something else. */
export function listUnder(host, items, [x, y], done) {
  host.querySelector('.underlist')?.remove();
  const choices = items.map((item) => offer([item])).filter(Boolean);
  if (!choices.length) return null;
  const box = host.appendChild(document.createElement('div'));
  box.className = 'slip underlist';
  box.setAttribute('role', 'menu');
  box.setAttribute('aria-label', 'What lies here, from front to back');
  box.style.left = `${Math.min(x, host.clientWidth - 240)}px`;
  box.style.top = `${Math.min(y, host.clientHeight - 30 - 26 * choices.length)}px`;
  const close = () => {
    box.remove();
    done(null);
  };
  for (const c of choices) {
    const b = box.appendChild(document.createElement('button'));
    b.type = 'button';
    b.setAttribute('role', 'menuitem');
    b.textContent = c.words;
    b.addEventListener('pointerenter', () => done(c));
    b.addEventListener('focus', () => done(c));
    b.addEventListener('click', () => {
      take(c);
      close();
    });
  }
  box.addEventListener('keydown', (e) => {
    const all = [...box.children];
    const i = all.indexOf(document.activeElement);
    if (e.key === 'Escape') {
      close();
      host.focus();
    } else if (e.key === 'ArrowDown') all[(i + 1) % all.length].focus();
    else if (e.key === 'ArrowUp') all[(i + all.length - 1) % all.length].focus();
    else return;
    e.preventDefault();
    e.stopPropagation();
  });
  box.firstChild.focus();
  return close;
}

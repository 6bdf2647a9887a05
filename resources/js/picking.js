// Picking faces and edges on the stage for the step that is at hand: what would be picked is named before the click.
const NS = 'http://www.w3.org/2000/svg';
const near = 8;

/** The face and the edge under a place of the stage: { face, edge }, by name; null where there is none. */
export function under([x, y], part, project, depth) {
  const { position, face, faces } = part.triangles;
  let best = -Infinity;
  let found = null;
  for (let i = 0; i < position.length; i += 9) {
    const p = [0, 3, 6].map((k) => project([position[i + k], position[i + k + 1], position[i + k + 2]]));
    const [a, b, c] = p;
    const d = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
    if (Math.abs(d) < 1e-9) continue;
    const u = ((x - a[0]) * (c[1] - a[1]) - (y - a[1]) * (c[0] - a[0])) / d;
    const v = ((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / d;
    if (u < 0 || v < 0 || u + v > 1) continue;
    const z = [0, 3, 6].map((k) => depth([position[i + k], position[i + k + 1], position[i + k + 2]]));
    const h = z[0] + u * (z[1] - z[0]) + v * (z[2] - z[0]);
    if (h > best) { best = h; found = faces[face[i / 3]]; }
  }
  let least = near;
  let edge = null;
  const s = part.sharp ?? [];
  for (let i = 0; i < s.length; i += 6) {
    const [p, q] = [[s[i], s[i + 1], s[i + 2]], [s[i + 3], s[i + 4], s[i + 5]]];
    const [a, b] = [project(p), project(q)];
    const l2 = (b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2;
    const t = l2 ? Math.max(0, Math.min(1, ((x - a[0]) * (b[0] - a[0]) + (y - a[1]) * (b[1] - a[1])) / l2)) : 0;
    const d = Math.hypot(a[0] + t * (b[0] - a[0]) - x, a[1] + t * (b[1] - a[1]) - y);
    // what lies behind a face is not picked through it
    const h = depth(p) + t * (depth(q) - depth(p));
    if (d < least && h > best - 12 / project.scale && part.edge?.[i / 3] >= 0) { least = d; edge = part.edges[part.edge[i / 3]]; }
  }
  return { face: found, edge };
}

/** The fields that want something picked: those of the step that has the focus, or else of the one shown as picked. */
export function wanted() {
  const at = document.activeElement?.closest?.('li.step') ?? document.querySelector('li.step.picked');
  return at ? [...at.querySelectorAll('[data-picks]')] : [];
}

const names = () => JSON.parse(document.getElementById('names')?.textContent || '{}');

/** What a click would do: the field, the name and its words. */
export function offer(hit) {
  const fields = wanted();
  const words = names();
  const edges = fields.find((f) => f.dataset.picks === 'edge');
  if (edges && hit.edge) return { field: edges, name: hit.edge, words: words.edges?.[hit.edge] ?? hit.edge, edge: true };
  // one face that is chosen must be flat, and so be in its list
  const face = hit.face && fields.find((f) => f.dataset.picks === 'face' && (f.name.endsWith('[]') || [...f.options].some((o) => o.value === hit.face)));
  return face ? { field: face, name: hit.face, words: words.faces?.[hit.face] ?? hit.face, edge: false } : null;
}

export const isPicked = ({ field, name }) => [...field.form.elements].some((e) => e.type === 'checkbox' && e.name === field.name && e.value === name && e.checked);

export function take(o) {
  const box = [...o.field.form.elements].find((e) => e.type === 'checkbox' && e.name === o.field.name && e.value === o.name);
  if (box) box.checked = !box.checked;
  else {
    if (![...o.field.options].some((x) => x.value === o.name)) o.field.add(new Option(o.words, o.name));
    o.field.value = o.name;
  }
  (box ?? o.field).dispatchEvent(new Event('change', { bubbles: true }));
}

/** What is under the pointer and what is picked already: { faces, edges }, each { name, offered }. */
export function highlights(offered) {
  const out = { faces: [], edges: [] };
  for (const f of wanted()) {
    const chosen = f.name.endsWith('[]') ? [...f.form.elements].filter((e) => e.type === 'checkbox' && e.name === f.name && e.checked).map((e) => e.value) : [f.value];
    for (const name of chosen) if (f.dataset.picks === 'edge') out.edges.push({ name }); else if (f.dataset.picks === 'face') out.faces.push({ name });
  }
  if (offered) out[offered.edge ? 'edges' : 'faces'].push({ name: offered.name, offered: true });
  return out;
}

/** The triangles of a face: positions. */
export function trianglesOf(part, name) {
  const { position: p, face: f, faces } = part.triangles;
  const out = [];
  for (let i = 0; i < p.length; i += 9) if (faces[f[i / 3]] === name) for (let k = 0; k < 9; k++) out.push(p[i + k]);
  return out;
}

/** Draws highlighted edges over the stage. */
export function drawEdges(over, part, project, edges) {
  over.querySelector('.picking')?.remove();
  if (!edges.length) return;
  const g = over.appendChild(document.createElementNS(NS, 'g'));
  g.setAttribute('class', 'picking');
  const at = (q) => project(q).map((v) => v.toFixed(1)).join(' ');
  const s = part.sharp ?? [];
  for (const { name, offered } of edges) {
    let d = '';
    for (let i = 0; i < s.length; i += 6) if (part.edge?.[i / 3] >= 0 && part.edges[part.edge[i / 3]] === name) d += `M${at([s[i], s[i + 1], s[i + 2]])}L${at([s[i + 3], s[i + 4], s[i + 5]])}`;
    if (!d) continue;
    const p = g.appendChild(document.createElementNS(NS, 'path'));
    p.setAttribute('d', d);
    p.setAttribute('class', offered ? 'edge offered' : 'edge');
  }
}

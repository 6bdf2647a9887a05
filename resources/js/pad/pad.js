// The pad: pointer, keys and typed lines become edits that the server makes; what comes back is drawn.
import { View } from './view.js';
import { catchAt, lineAt } from './catch.js';
import { paint, preview } from './paint.js';

const NEEDS = { point: 1, line: 2, rectangle: 2, 'rectangle around': 2, circle: 2, 'circle through three': 3, arc: 3, slot: 3, polygon: 2, ellipse: 3, curve: Infinity, trim: 1, extend: 1, split: 1 };
const NEXT = {
  point: ['Set the point.'], line: ['Where does the line begin?', 'Where does it end? Esc ends the chain.'], rectangle: ['First corner.', 'Opposite corner.'],
  'rectangle around': ['Its middle.', 'A corner.'], circle: ['Its middle.', 'A point of its rim.'], 'circle through three': ['First point.', 'Second point.', 'Third point.'],
  arc: ['Where does the arc begin?', 'Where does it end?', 'A point it runs through.'], slot: ['First middle.', 'Second middle.', 'How wide?'],
  polygon: ['Its middle.', 'A corner. Keys 3 to 9 change the count of sides.'], ellipse: ['Its middle.', 'End of one axis.', 'How wide across?'], curve: ['First point.', 'Next point. Enter ends the curve.'], trim: ['Click the piece that goes.'], extend: ['Click near the end that goes on.'], split: ['Click where it is divided.'],
};

const CUTS = ['trim', 'extend', 'split'];

export function mountPad(root) {
  const svg = root.querySelector('svg');
  const $ = (id) => document.getElementById(id);
  svg.dataset.axes = root.dataset.axes;
  const view = new View(svg);
  const { post, token } = root.dataset;
  const pitch = Number(root.dataset.pitch);
  let state = JSON.parse($('pad-state').textContent);
  let tool = '';
  let spots = [];
  let sides = 6;
  let here = null;
  let drag = null;
  let pressed = null;
  let busy = Promise.resolve();
  const picked = new Set();

  const send = (body) => {
    // one after the other, each with the version the one before it left behind
    busy = busy.then(async () => {
      let r;
      try {
        r = await fetch(post, { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token }, body: JSON.stringify({ ...body, version: state.version }) });
      } catch { say('The server could not be reached. Nothing is lost; do that once more.'); return false; }
      if (r.status === 419) { say('You were signed out meanwhile. Reload the page and sign in again; every line up to here is saved.'); return false; }
      if (r.status === 429) { say('That was quicker than the server allows. Wait a moment.'); return false; }
      if (r.status >= 500) { say('The server did not manage this. Nothing is lost; undo the last line or try another way.'); return false; }
      const got = await r.json().catch(() => null);
      if (got?.gone) { location.href = $('finish').href; return false; }
      if (!got?.drawing) { say('That could not be done.'); return false; }
      state = got;
      show(got.clash ?? []);
      return r.ok;
    });
    return busy;
  };

  function say(text) { const n = $('pad-said'); n.textContent = text; n.hidden = text === ''; n.className = text === '' ? '' : 'notice'; }
  function hint() { $('pad-hint').textContent = tool ? (NEXT[tool][Math.min(spots.length, NEXT[tool].length - 1)] ?? '') : picked.size ? `Picked: ${[...picked].join(', ')}` : 'Pick things to settle or size them, drag what is loose, or choose a tool.'; }
  function redraw() { paint(svg, view, state, picked, pitch, root.dataset.behind); if (tool && !CUTS.includes(tool)) preview(svg, view, tool, spots, here, sides); hint(); }
  function show(clash = []) {
    say(state.said ?? '');
    const known = new Set(['origin', 'u-axis', 'v-axis', ...state.drawing.points.map((p) => p.id), ...state.drawing.lines.map((l) => l.id)]);
    [...picked].forEach((id) => known.has(id) || picked.delete(id));
    const focus = document.activeElement?.id;
    $('pad-list').innerHTML = state.list ?? '';
    if (focus && $(focus) && document.activeElement !== $(focus)) $(focus).focus();
    for (const id of clash) document.querySelectorAll(`[data-relation="${CSS.escape(id)}"]`).forEach((e) => e.classList.add('clash'));
    if (state.freedom) {
      $('pad-free').textContent = state.freedom.words;
      const n = Math.max(1, Math.min(40, state.freedom.total));
      const done = Math.round(n * (1 - state.freedom.free / Math.max(1, state.freedom.total)));
      const w = 288 / n;
      let d = '';
      for (let i = 0; i <= n; i++) d += `M${4 + i * w - 3} 14L${4 + i * w + 3} 4`;
      $('pad-chain').innerHTML = `<path d="M4 9H${4 + done * w}" stroke="var(--color-violet)" stroke-width="5"/><path d="M${4 + done * w} 9H${4 + n * w}" stroke="var(--color-graphite)" stroke-width="1.4" stroke-dasharray="4 3"/><path d="${d}" stroke="var(--color-ink)" stroke-width="1.6"/>`;
      for (const g of state.drawing.gaps.filter((x) => x.a && x.b)) {
        const p = document.createElement('p');
        p.textContent = `An outline is open by ${g.size} between ${g.a} and ${g.b}. `;
        const b = document.createElement('button');
        Object.assign(b, { type: 'button', className: 'link', textContent: 'Close it' });
        b.dataset.close = `${g.a} ${g.b}`;
        p.append(b);
        $('pad-free').append(p);
      }
      const note = (text) => { const p = document.createElement('p'); p.textContent = text; $('pad-free').append(p); };
      for (const [a, b] of state.drawing.doubled) note(`${b} lies on ${a} and bounds nothing more.`);
      const ends = state.drawing.looseEnds.length;
      if (ends) note(ends === 1 ? '1 loose end.' : `${ends} loose ends.`);
      if (state.freedom.total === 0) $('pad-chain').innerHTML = '';
    }
    $('undo').disabled = !state.canUndo;
    $('redo').disabled = !state.canRedo;
    marks();
    redraw();
  }
  function marks() {
    document.querySelectorAll('[data-pick]').forEach((b) => b.setAttribute('aria-pressed', picked.has(b.dataset.pick)));
    document.querySelectorAll('[data-tool]').forEach((b) => b.setAttribute('aria-pressed', b.dataset.tool === tool));
  }
  function toggle(id, more) { const had = picked.has(id); if (!more) picked.clear(); had ? picked.delete(id) : picked.add(id); marks(); redraw(); }
  function choose(t) { tool = tool === t ? '' : t; spots = []; picked.clear(); marks(); redraw(); }

  // a value typed while something is drawn: the sentence for it stands ready in the line, with what the pointer shows
  async function byValue(digit) {
    const [first] = spots;
    const [t, to] = [tool, here];
    let id = first.point;
    if (!id) {
      const before = new Set(state.drawing.points.map((p) => p.id));
      const { u, v, on, middleOf, level, plumb } = first;
      if (!await send({ do: 'draw', tool: 'point', spots: [{ u, v, on, middleOf, level, plumb }] })) return;
      id = state.drawing.points.find((p) => !before.has(p.id))?.id;
    }
    const mm = Number(root.dataset.mm);
    const [du, dv] = to ? [to.u - first.u, to.v - first.v] : [1, 0];
    const angle = Math.round(Math.atan2(dv, du) * 180 / Math.PI);
    const [before, after] = {
      line: [`line from ${id} long `, ` at ${angle} deg`], circle: ['circle radius ', ` at ${id}`],
      rectangle: ['rectangle ', ` by ${Math.max(0.1, Math.abs(dv) / mm).toFixed(1)} corner at ${id}`],
    }[t];
    spots = [];
    const i = $('pad-text');
    i.value = before + digit + after;
    i.focus();
    i.setSelectionRange(before.length + 1, before.length + 1);
    redraw();
  }
  async function finishShape() {
    const [t, s] = [tool, spots];
    spots = [];
    const clean = s.map(({ u, v, point, on, middleOf, level, plumb }) => ({ u, v, point, on, middleOf, level, plumb }));
    const options = { sides };
    if (t === 'line') {
      const [a, b] = clean;
      // level and plumb to where the line began belong to the line
      if (!b.point && !b.on && !b.middleOf) {
        if (b.level && b.level === a.point) { options.level = true; delete b.level; } else if (b.plumb && b.plumb === a.point) { options.plumb = true; delete b.plumb; }
        if (!a.point && Math.abs(a.v - b.v) < 1e-9) options.level = true; else if (!a.point && Math.abs(a.u - b.u) < 1e-9) options.plumb = true;
      }
    }
    const before = new Set(state.drawing.points.map((p) => p.id));
    const ok = await send({ do: 'draw', tool: t, spots: clean, options });
    if (ok && t === 'line' && tool === 'line') {
      const end = s[1].point ? null : state.drawing.points.filter((p) => !before.has(p.id)).pop();
      // the next line of the chain begins where this one ended, unless that closed it
      if (end) spots = [{ u: end.u, v: end.v, point: end.id, words: '' }];
    }
    redraw();
  }

  svg.addEventListener('pointermove', (e) => {
    const xy = view.at(e);
    if (drag?.pan) { view.x += xy[0] - drag.pan[0]; view.y += xy[1] - drag.pan[1]; drag.pan = xy; redraw(); return; }
    if (drag?.point) { drag.to = view.from(xy); drag.moved ||= Math.hypot(xy[0] - drag.start[0], xy[1] - drag.start[1]) > 4; if (drag.moved) pull(); return; }
    if (tool && !CUTS.includes(tool)) {
      here = catchAt(view, state.drawing, xy, pitch, e.altKey);
      const last = spots[spots.length - 1];
      // level or plumb with where this line began
      if (tool === 'line' && last && !here.point && !e.altKey) {
        if (Math.abs(here.v - last.v) < 7 / view.k) { here = { ...here, v: last.v, words: 'horizontal' }; } else if (Math.abs(here.u - last.u) < 7 / view.k) { here = { ...here, u: last.u, words: 'vertical' }; }
      }
      preview(svg, view, tool, spots, here, sides);
    } else {
      const r = e.target.closest?.('[data-region]');
      const found = r && state.drawing.regions.find((x) => x.key === r.dataset.region);
      svg.querySelectorAll('[data-region]').forEach((p) => { p.setAttribute('fill', p === r ? 'url(#hatch)' : 'var(--color-birch-top)'); });
      $('pad-slip').hidden = !found;
      if (found) $('pad-slip').textContent = `Region ${found.number} under the pointer, ${found.area}`;
    }
  });
  let pulling = false;
  async function pull() {
    // the newest place only: an answer that is overtaken is not shown
    if (pulling || !drag?.point) return;
    pulling = true;
    while (drag?.point && drag.to) {
      const [u, v] = drag.to;
      drag.to = null;
      const d = drag;
      try {
        const r = await fetch(post, { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token }, body: JSON.stringify({ do: 'drag', keep: false, point: d.point, u, v }) });
        const got = r.ok ? await r.json() : null;
        if (got?.drawing && drag === d) paint(svg, view, { ...state, drawing: got.drawing }, picked, pitch, root.dataset.behind);
      } catch { break; }
    }
    pulling = false;
  }
  svg.addEventListener('pointerdown', (e) => {
    root.focus({ preventScroll: true });
    const xy = view.at(e);
    if (e.button === 1 || (e.button === 0 && e.shiftKey && !tool && !lineAt(svg, e))) { drag = { pan: xy }; svg.setPointerCapture(e.pointerId); e.preventDefault(); return; }
    if (e.button !== 0) return;
    if (CUTS.includes(tool)) {
      const l = lineAt(svg, e);
      const [u, v] = view.from(xy).map((x) => (x / Number(root.dataset.mm)).toFixed(6));
      if (l) send({ do: 'type', text: `${tool} ${l} at ${u}; ${v}` });
      return;
    }
    if (tool) {
      here = here ?? catchAt(view, state.drawing, xy, pitch, e.altKey);
      pressed = xy;
      spots.push(here);
      if (spots.length >= NEEDS[tool]) finishShape(); else redraw();
      return;
    }
    const size = e.target.closest?.('[data-size]');
    if (size) { edit(size.dataset.size); e.preventDefault(); return; }
    const p = catchAt(view, { points: state.drawing.points, lines: [] }, xy, 1e9, false);
    if (p.point) { drag = { point: p.point === 'origin' ? null : p.point, id: p.point, start: xy, more: e.shiftKey || e.ctrlKey }; svg.setPointerCapture(e.pointerId); return; }
    const l = lineAt(svg, e);
    if (l) { toggle(l, e.shiftKey || e.ctrlKey); return; }
    if (picked.size) { picked.clear(); marks(); redraw(); }
    drag = { pan: xy };
    svg.setPointerCapture(e.pointerId);
  });
  svg.addEventListener('contextmenu', (e) => { if (tool) { e.preventDefault(); spots = []; redraw(); } });
  svg.addEventListener('pointerup', (e) => {
    // drawn in one go: pressed at one place, let go at the other
    if (tool && spots.length === 1 && NEEDS[tool] === 2 && here && pressed) {
      const [x, y] = view.at(e);
      if (Math.hypot(x - pressed[0], y - pressed[1]) > 12) { spots.push(here); finishShape(); }
    }
    pressed = null;
    const d = drag;
    drag = null;
    if (d?.point && d.moved) {
      const [u, v] = view.from(view.at(e));
      send({ do: 'drag', point: d.point, u, v });
    } else if (d?.id) toggle(d.id, d.more);
  });
  svg.addEventListener('wheel', (e) => { view.zoom(Math.exp(-e.deltaY * 0.0015), view.at(e)); redraw(); e.preventDefault(); }, { passive: false });
  svg.addEventListener('dblclick', () => { if (tool === 'curve' && spots.length > 2) { spots.pop(); finishShape(); } });

  // a dimension is edited where it stands
  const form = $('pad-value');
  const input = form.querySelector('input');
  function edit(id) {
    const s = state.drawing.sizes.find((x) => x.id === id);
    const g = svg.querySelector(`[data-size="${CSS.escape(id)}"]`);
    if (!s || !g) return;
    const [x, y] = g.dataset.at.split(' ').map(Number);
    Object.assign(form.style, { left: `${x}px`, top: `${y}px` });
    form.hidden = false;
    form.dataset.id = id;
    input.value = s.text;
    input.setAttribute('aria-label', `${s.kind} ${id}`);
    input.focus();
    input.select();
  }
  form.addEventListener('submit', (e) => { e.preventDefault(); const id = form.dataset.id; const value = input.value; form.hidden = true; root.focus(); send({ do: 'value', id, value }); });
  input.addEventListener('blur', () => { form.hidden = true; });
  input.addEventListener('keydown', (e) => { if (e.key === 'Escape') { form.hidden = true; root.focus(); e.stopPropagation(); } });

  $('pad-line').addEventListener('submit', async (e) => {
    e.preventDefault();
    const text = $('pad-text').value;
    if (await send({ do: 'type', text })) $('pad-text').value = '';
  });
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('button');
    if (!b) return;
    if (b.dataset.tool) { choose(b.dataset.tool); root.focus(); }
    else if (b.dataset.pick) toggle(b.dataset.pick, true);
    else if (b.dataset.relate) send({ do: 'relate', kind: b.dataset.relate, of: [...picked] });
    else if ('size' in b.dataset) send({ do: 'size', of: [...picked] }).then((ok) => { if (ok) edit(state.drawing.sizes[state.drawing.sizes.length - 1]?.id); });
    else if (b.dataset.change) {
      // the sentence with what is picked stands ready in the line, its value picked out
      const text = `${b.dataset.change} ${[...picked].join(' ') || 'l1'}`;
      const i = $('pad-text');
      i.value = text + b.dataset.tail;
      i.focus();
      const number = b.dataset.tail.match(/[\d.]+/);
      const at = text.length + (number ? number.index : 0);
      i.setSelectionRange(at, number ? at + number[0].length : i.value.length);
    } else if (b.dataset.role) send({ do: 'role', role: b.dataset.role, of: [...picked] });
    else if ('remove' in b.dataset) send({ do: 'remove', of: [...picked] });
    else if (b.dataset.drop) send({ do: 'remove', of: [b.dataset.drop] });
    else if (b.dataset.close) send({ do: 'close', of: b.dataset.close.split(' ') });
    else if (b.id === 'undo' || b.id === 'redo') { spots = []; send({ do: b.id }); }
  });
  $('pad-list').addEventListener('change', (e) => { if (e.target.dataset.value) send({ do: 'value', id: e.target.dataset.value, value: e.target.value }); });
  document.addEventListener('keydown', (e) => {
    const typing = e.target.closest?.('input, textarea, select');
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && !typing) { $(e.shiftKey ? 'redo' : 'undo').click(); e.preventDefault(); return; }
    if (typing || e.ctrlKey || e.metaKey) return;
    if (e.key === '/') { $('pad-text').focus(); e.preventDefault(); }
    else if (e.key === 'Escape') { if (spots.length) spots = []; else if (tool) choose(tool); else picked.clear(); marks(); redraw(); }
    else if (e.key === 'Enter' && tool === 'curve' && spots.length > 1) { finishShape(); e.preventDefault(); }
    else if (e.target !== root) return;
    else if (e.key === 'Delete' || e.key === 'Backspace') { if (picked.size) send({ do: 'remove', of: [...picked] }); }
    else if (/^[0-9.]$/.test(e.key) && spots.length === 1 && ['line', 'circle', 'rectangle'].includes(tool)) { byValue(e.key); e.preventDefault(); }
    else if (/^[3-9]$/.test(e.key) && tool === 'polygon') { sides = Number(e.key); redraw(); }
    else if (e.key.toLowerCase() === 'f') { view.fit(state.drawing, pitch, root.dataset.behind); redraw(); }
    else if (e.key === '+' || e.key === '-') { const [w, h] = view.size; view.zoom(e.key === '+' ? 1.25 : 0.8, [w / 2, h / 2]); redraw(); }
    else if (e.key.startsWith('Arrow')) { view.x += { ArrowLeft: 40, ArrowRight: -40 }[e.key] ?? 0; view.y += { ArrowUp: 40, ArrowDown: -40 }[e.key] ?? 0; redraw(); e.preventDefault(); }
  });
  new ResizeObserver(() => { view.fit(state.drawing, pitch, root.dataset.behind); redraw(); }).observe(svg);
  show();
}

// The pad: pointer, keys and typed lines become edits that the server makes; what comes back is drawn.
import { View } from './view.js';
import { catchAt, under } from './catch.js';
import { paint, light, ghost } from './paint.js';
import { preview } from './preview.js';
import { panel } from './panel.js';
import { leavesWhenSaved } from '../edits/ledger.js';
import { Server } from './server.js';
import { TOOLS, needs, forms } from './tools.js';

export function mountPad(root) {
  const svg = root.querySelector('svg');
  const $ = (id) => document.getElementById(id);
  svg.dataset.axes = root.dataset.axes;
  const view = new View(svg);
  const { behind } = root.dataset;
  const mm = Number(root.dataset.mm);
  const edges = JSON.parse($('pad-edges').textContent);
  let tool = '';
  let spots = [];
  let sides = 6;
  let here = null;
  let drag = null;
  let pressed = null;
  let ways = {};
  const picked = new Set();
  const server = new Server(root.dataset, {
    state: JSON.parse($('pad-state').textContent),
    shown: (clash) => show(clash),
    said: (text) => say(text),
    leave: () => {
      location.href = $('finish').href;
    },
  });
  leavesWhenSaved(server.ledger);
  const state = () => server.state;
  const pitch = () => state().squares[0];
  const send = (body) => server.send(body);
  const now = () => TOOLS[tool];
  const draws = () => tool && !now().clicks && !now().takes && !now().picks;

  function say(text) {
    const n = $('pad-said');
    n.textContent = text;
    n.hidden = text === '';
    n.className = text === '' ? '' : 'notice';
  }
  function hint() {
    $('pad-hint').textContent = tool
      ? now().asks[Math.min(spots.length, now().asks.length - 1)]
      : picked.size
        ? `Picked: ${[...picked].join(', ')}`
        : 'Pick things to settle or size them, drag what is loose, or choose a tool.';
  }
  function draw(drawing = state().drawing) {
    paint(svg, view, { ...state(), drawing }, picked, pitch(), behind, now()?.takes ? edges : []);
  }
  function redraw() {
    draw();
    if (draws()) preview(svg, view, tool, spots, here, sides);
    hint();
  }
  function show(clash = []) {
    say(state().said ?? '');
    const { drawing } = state();
    const known = new Set(['origin', 'u-axis', 'v-axis', ...drawing.points.map((p) => p.id), ...drawing.lines.map((l) => l.id)]);
    [...picked].forEach((id) => known.has(id) || picked.delete(id));
    const focus = document.activeElement?.id;
    $('pad-list').innerHTML = state().list ?? '';
    if (focus && $(focus) && document.activeElement !== $(focus)) $(focus).focus();
    for (const id of clash) document.querySelectorAll(`[data-relation="${CSS.escape(id)}"]`).forEach((e) => e.classList.add('clash'));
    ways = {};
    panel(state());
    if (document.activeElement !== $('pad-squares')) $('pad-squares').value = state().squares[1];
    $('undo').disabled = !state().canUndo;
    $('redo').disabled = !state().canRedo;
    marks();
    redraw();
  }
  function marks() {
    document.querySelectorAll('[data-pick]').forEach((b) => b.setAttribute('aria-pressed', picked.has(b.dataset.pick)));
    document
      .querySelectorAll('[data-tool]')
      .forEach((b) => b.setAttribute('aria-pressed', tool !== '' && b.dataset.tool === (now().of ?? tool)));
  }
  function toggle(id, more) {
    const had = picked.has(id);
    if (!more) picked.clear();
    if (had) picked.delete(id);
    else picked.add(id);
    marks();
    redraw();
  }
  function choose(t, form = false) {
    tool = !form && tool && (now().of ?? tool) === t ? '' : t;
    spots = [];
    here = null;
    picked.clear();
    const list = tool ? forms(tool) : [];
    $('pad-forms').hidden = list.length < 2;
    svg.dataset.low = list.length < 2 ? '' : 'low';
    $('pad-slip').hidden = true;
    $('pad-forms').replaceChildren(
      ...list.map((x) => {
        const b = document.createElement('button');
        Object.assign(b, { type: 'button', className: 'verb', textContent: TOOLS[x].form });
        b.dataset.form = x;
        b.setAttribute('aria-pressed', x === tool);
        return b;
      }),
    );
    marks();
    redraw();
  }

  // a sentence stands ready in the line, the part of it that is to be typed picked out
  function ready(before, value, after, whole = true) {
    const i = $('pad-text');
    i.value = before + value + after;
    i.focus();
    i.setSelectionRange(before.length + (whole ? 0 : value.length), before.length + value.length);
  }
  // the point of a spot, made if there is none
  async function pointOf({ u, v, point, on, middleOf, level, plumb }) {
    if (point) return point;
    const before = new Set(state().drawing.points.map((p) => p.id));
    return (await send({ do: 'draw', tool: 'point', spots: [{ u, v, on, middleOf, level, plumb }] }))
      ? state().drawing.points.find((p) => !before.has(p.id))?.id
      : null;
  }
  // a value typed while something is drawn: the sentence for it, with what the pointer shows
  async function byValue(digit) {
    const [first] = spots;
    const [t, to] = [tool, here];
    spots = [];
    const id = await pointOf(first);
    if (!id) return;
    const [du, dv] = to ? [to.u - first.u, to.v - first.v] : [1, 0];
    const [before, after] = {
      line: [`line from ${id} long `, ` at ${Math.round((Math.atan2(dv, du) * 180) / Math.PI)} deg`],
      circle: ['circle radius ', ` at ${id}`],
      rectangle: ['rectangle ', ` by ${Math.max(0.1, Math.abs(dv) / mm).toFixed(1)} corner at ${id}`],
      'rectangle around': ['rectangle ', ` by ${Math.max(0.1, (2 * Math.abs(dv)) / mm).toFixed(1)} at ${id}`],
    }[t];
    ready(before, digit, after, false);
    redraw();
  }
  async function finishShape() {
    const [t, s] = [tool, spots];
    spots = [];
    if (TOOLS[t].line) {
      const ids = [];
      for (const x of s) ids.push(await pointOf(x));
      if (ids.every(Boolean)) ready(...TOOLS[t].line(ids));
      redraw();
      return;
    }
    const clean = s.map(({ u, v, point, on, middleOf, level, plumb }) => ({ u, v, point, on, middleOf, level, plumb }));
    const options = { sides };
    if (t === 'line') {
      const [a, b] = clean;
      Object.assign(options, { touches: s[1].touches, square: s[1].square });
      // level and plumb to where the line began belong to the line
      if (!b.point && !b.on && !b.middleOf) {
        if (b.level && b.level === a.point) {
          options.level = true;
          delete b.level;
        } else if (b.plumb && b.plumb === a.point) {
          options.plumb = true;
          delete b.plumb;
        }
        if (!a.point && Math.abs(a.v - b.v) < 1e-9) options.level = true;
        else if (!a.point && Math.abs(a.u - b.u) < 1e-9) options.plumb = true;
      }
    }
    if (t === 'arc on')
      options.before =
        state()
          .drawing.lines.filter((l) => ['line', 'arc'].includes(l.kind) && l.points.slice(l.kind === 'arc' ? 1 : 0).includes(s[0].point))
          .pop()?.id ?? '';
    if (options.before === '') {
      say('Begin at the end of a line or arc: the new arc runs on from it smoothly.');
      redraw();
      return;
    }
    const before = new Set(state().drawing.points.map((p) => p.id));
    const ok = await send({ do: 'draw', tool: t, spots: clean, options });
    if (ok && t === 'line' && tool === 'line') {
      const end = s[1].point
        ? null
        : state()
            .drawing.points.filter((p) => !before.has(p.id))
            .pop();
      // the next line of the chain begins where this one ended, unless that closed it
      if (end) spots = [{ u: end.u, v: end.v, point: end.id, words: '' }];
    }
    redraw();
  }

  // what hangs together with a line, point, relation or size
  function partners(id) {
    const all = [...state().drawing.marks, ...state().drawing.sizes];
    const one = all.find((r) => r.id === id);
    if (one) return [id, ...one.of];
    return [id, ...all.filter((r) => r.of.includes(id)).flatMap((r) => [r.id, ...r.of])];
  }
  let lit = '';
  function lightUp(id) {
    const ids = id ? [...new Set(partners(id))] : [];
    const key = ids.join(' ');
    if (key !== lit || (key && !svg.querySelector('.light'))) {
      lit = key;
      light(svg, view, state().drawing, ids);
    }
  }

  svg.addEventListener('pointermove', (e) => {
    const xy = view.at(e);
    if (drag?.pan) {
      view.x += xy[0] - drag.pan[0];
      view.y += xy[1] - drag.pan[1];
      drag.pan = xy;
      redraw();
      return;
    }
    if (drag?.point) {
      drag.to = view.from(xy);
      drag.moved ||= Math.hypot(xy[0] - drag.start[0], xy[1] - drag.start[1]) > 4;
      if (drag.moved) server.pull(drag, () => drag, draw);
      return;
    }
    if (draws()) {
      const last = spots[spots.length - 1];
      here = catchAt(view, state().drawing, xy, pitch(), e.altKey, tool === 'line' ? last : null);
      // level or plumb with where this line began
      if (tool === 'line' && last && !here.point && !here.on && !here.middleOf && !e.altKey) {
        if (Math.abs(here.v - last.v) < 7 / view.k) {
          here = { ...here, v: last.v, words: 'horizontal' };
        } else if (Math.abs(here.u - last.u) < 7 / view.k) {
          here = { ...here, u: last.u, words: 'vertical' };
        }
      }
      preview(svg, view, tool, spots, here, sides);
      return;
    }
    const region = e.target.closest?.('[data-region]');
    const found = region && state().drawing.regions.find((x) => x.key === region.dataset.region);
    svg.querySelectorAll('[data-region]').forEach((p) => {
      p.setAttribute('fill', p === region ? 'url(#hatch)' : 'var(--color-birch-top)');
    });
    const edge = now()?.takes ? edges.find((x) => x.key === under(svg, e, 'edge')) : null;
    svg
      .querySelectorAll('[data-edge]')
      .forEach((p) =>
        p.previousSibling.classList.toggle(
          'on',
          !!edge &&
            (p.dataset.edge === edge.key ||
              (now().takes === 'face' && edges.find((x) => x.key === p.dataset.edge).faces.includes(edge.faces[0]))),
        ),
      );
    $('pad-slip').hidden = !found && !edge;
    if (edge) $('pad-slip').textContent = now().takes === 'face' ? edge.faces[0] : edge.words;
    else if (found) $('pad-slip').textContent = `Region ${found.number} under the pointer, ${found.area}`;
    if (!tool || now().clicks || now().picks) {
      const near = catchAt(view, { points: state().drawing.points, lines: [] }, xy, 1e9, false);
      lightUp(near.point && !tool ? near.point : (under(svg, e, 'mark') ?? under(svg, e, 'size') ?? under(svg, e, 'line')));
    }
  });
  svg.addEventListener('pointerleave', () => lightUp(null));
  svg.addEventListener('pointerdown', (e) => {
    root.focus({ preventScroll: true });
    const xy = view.at(e);
    if (e.button === 1 || (e.button === 0 && e.shiftKey && !tool && !under(svg, e, 'line'))) {
      drag = { pan: xy };
      svg.setPointerCapture(e.pointerId);
      e.preventDefault();
      return;
    }
    if (e.button !== 0) return;
    if (tool && now().clicks) {
      const l = under(svg, e, 'line');
      const [u, v] = view.from(xy).map((x) => (x / mm).toFixed(6));
      if (l) send({ do: 'type', text: `${tool} ${l} at ${u}; ${v}` });
      return;
    }
    if (tool && now().takes) {
      const edge = edges.find((x) => x.key === under(svg, e, 'edge'));
      if (edge)
        send({
          do: 'take',
          of: now().takes === 'face' ? edges.filter((x) => x.faces.includes(edge.faces[0])).map((x) => x.key) : [edge.key],
        });
      return;
    }
    if (tool && now().picks) {
      const l = under(svg, e, 'line');
      if (l && !picked.has(l)) {
        picked.add(l);
        spots.push(l);
      }
      if (spots.length >= now().picks) {
        const of = spots;
        spots = [];
        picked.clear();
        /* pressing moves the focus to the pad; the sentence comes after that */ setTimeout(() => ready(...TOOLS[tool].line(of)), 0);
      }
      marks();
      redraw();
      return;
    }
    if (tool) {
      here = here ?? catchAt(view, state().drawing, xy, pitch(), e.altKey);
      pressed = xy;
      spots.push(here);
      if (spots.length >= needs(tool)) finishShape();
      else redraw();
      e.preventDefault();
      return;
    }
    const size = e.target.closest?.('[data-size]');
    if (size) {
      edit(size.dataset.size);
      e.preventDefault();
      return;
    }
    const p = catchAt(view, { points: state().drawing.points, lines: [] }, xy, 1e9, false);
    if (p.point) {
      drag = { point: p.point === 'origin' ? null : p.point, id: p.point, start: xy, more: e.shiftKey || e.ctrlKey };
      svg.setPointerCapture(e.pointerId);
      return;
    }
    const l = under(svg, e, 'line');
    if (l) {
      toggle(l, e.shiftKey || e.ctrlKey);
      return;
    }
    if (picked.size) {
      picked.clear();
      marks();
      redraw();
    }
    drag = { pan: xy };
    svg.setPointerCapture(e.pointerId);
  });
  svg.addEventListener('contextmenu', (e) => {
    if (tool) {
      e.preventDefault();
      spots = [];
      redraw();
    }
  });
  svg.addEventListener('pointerup', (e) => {
    // drawn in one go: pressed at one place, let go at the other
    if (draws() && spots.length === 1 && needs(tool) === 2 && here && pressed) {
      const [x, y] = view.at(e);
      if (Math.hypot(x - pressed[0], y - pressed[1]) > 12) {
        spots.push(here);
        finishShape();
      }
    }
    pressed = null;
    const d = drag;
    drag = null;
    if (d?.point && d.moved) {
      const [u, v] = view.from(view.at(e));
      send({ do: 'drag', point: d.point, u, v });
    } else if (d?.id) toggle(d.id, d.more);
  });
  svg.addEventListener(
    'wheel',
    (e) => {
      view.zoom(Math.exp(-e.deltaY * 0.0015), view.at(e));
      redraw();
      e.preventDefault();
    },
    { passive: false },
  );
  svg.addEventListener('dblclick', () => {
    if (tool === 'curve' && spots.length > 2) {
      spots.pop();
      finishShape();
    }
  });

  // a dimension is edited where it stands
  const form = $('pad-value');
  const input = form.querySelector('input');
  function edit(id) {
    const s = state().drawing.sizes.find((x) => x.id === id);
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
  form.addEventListener('submit', (e) => {
    e.preventDefault();
    const id = form.dataset.id;
    const value = input.value;
    form.hidden = true;
    root.focus();
    send({ do: 'value', id, value });
  });
  input.addEventListener('blur', () => {
    form.hidden = true;
  });
  input.addEventListener('keydown', (e) => {
    if (e.key === 'Escape') {
      form.hidden = true;
      root.focus();
      e.stopPropagation();
    }
  });

  // each way the sketch can still move is shown while it is pointed at
  async function showWay(n) {
    ways[n] ??= server
      .ask({ do: 'way', n, keep: false })
      .then((r) => (r.ok ? r.json() : null))
      .catch(() => null);
    const got = await ways[n];
    if (document.querySelector(`[data-way="${n}"]:hover, [data-way="${n}"]:focus`)) ghost(svg, view, got?.ghost);
  }
  for (const [on, off] of [
    ['pointerover', 'pointerout'],
    ['focusin', 'focusout'],
  ]) {
    $('pad-free').addEventListener(on, (e) => {
      if (e.target.dataset?.way) showWay(Number(e.target.dataset.way));
    });
    $('pad-free').addEventListener(off, () => ghost(svg, view, null));
    $('pad-list').addEventListener(on, (e) =>
      lightUp(e.target.closest('[data-relation]')?.dataset.relation ?? e.target.closest('[data-pick]')?.dataset.pick),
    );
    $('pad-list').addEventListener(off, () => lightUp(null));
  }

  $('pad-squares')
    .closest('form')
    .addEventListener('submit', (e) => {
      e.preventDefault();
      send({ do: 'squares', value: $('pad-squares').value });
    });
  $('pad-squares').addEventListener('change', (e) => send({ do: 'squares', value: e.target.value }));
  $('pad-line').addEventListener('submit', async (e) => {
    e.preventDefault();
    const text = $('pad-text').value;
    if (await send({ do: 'type', text })) $('pad-text').value = '';
  });
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('button');
    if (!b) return;
    if (b.dataset.tool) {
      choose(b.dataset.tool);
      root.focus();
    } else if (b.dataset.form) {
      choose(b.dataset.form, true);
      root.focus();
    } else if (b.dataset.pick) toggle(b.dataset.pick, true);
    else if (b.dataset.relate) send({ do: 'relate', kind: b.dataset.relate, of: [...picked] });
    else if ('size' in b.dataset)
      send({ do: 'size', of: [...picked] }).then((ok) => {
        if (ok) edit(state().drawing.sizes[state().drawing.sizes.length - 1]?.id);
      });
    else if (b.dataset.change) {
      const number = b.dataset.tail.match(/[\d.]+/);
      const at = number ? number.index : b.dataset.tail.length;
      ready(
        `${b.dataset.change} ${[...picked].join(' ') || 'l1'}${b.dataset.tail.slice(0, at)}`,
        number?.[0] ?? '',
        number ? b.dataset.tail.slice(at + number[0].length) : '',
      );
    } else if (b.dataset.role) send({ do: 'role', role: b.dataset.role, of: [...picked] });
    else if ('remove' in b.dataset) send({ do: 'remove', of: [...picked] });
    else if (b.dataset.drop) send({ do: 'remove', of: [b.dataset.drop] });
    else if (b.dataset.close) send({ do: 'close', of: b.dataset.close.split(' ') });
    else if (b.dataset.takes)
      send({ do: 'take', of: edges.filter((x) => x.key === b.dataset.takes || x.faces.includes(b.dataset.takes)).map((x) => x.key) });
    else if (b.id === 'undo' || b.id === 'redo') {
      spots = [];
      send({ do: b.id });
    }
  });
  $('pad-list').addEventListener('change', (e) => {
    if (e.target.dataset.value) send({ do: 'value', id: e.target.dataset.value, value: e.target.value });
  });
  document.addEventListener('keydown', (e) => {
    const typing = e.target.closest?.('input, textarea, select');
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && !typing) {
      $(e.shiftKey ? 'redo' : 'undo').click();
      e.preventDefault();
      return;
    }
    if (typing || e.ctrlKey || e.metaKey) return;
    if (e.key === '/') {
      $('pad-text').focus();
      e.preventDefault();
    } else if (e.key === 'Escape') {
      if (spots.length) {
        spots = [];
        if (now().picks) picked.clear();
      } else if (tool) choose(now().of ?? tool);
      else picked.clear();
      marks();
      redraw();
    } else if (e.key === 'Enter' && tool === 'curve' && spots.length > 1) {
      finishShape();
      e.preventDefault();
    } else if (e.target !== root) return;
    else if (e.key === 'Delete' || e.key === 'Backspace') {
      if (picked.size) send({ do: 'remove', of: [...picked] });
    } else if (/^[0-9.]$/.test(e.key) && spots.length === 1 && tool && now().number) {
      byValue(e.key);
      e.preventDefault();
    } else if (/^[3-9]$/.test(e.key) && tool === 'polygon') {
      sides = Number(e.key);
      redraw();
    } else if (e.key.toLowerCase() === 'f') {
      view.fit(state().drawing, pitch(), behind);
      redraw();
    } else if (e.key === '+' || e.key === '-') {
      const [w, h] = view.size;
      view.zoom(e.key === '+' ? 1.25 : 0.8, [w / 2, h / 2]);
      redraw();
    } else if (e.key.startsWith('Arrow')) {
      view.x += { ArrowLeft: 40, ArrowRight: -40 }[e.key] ?? 0;
      view.y += { ArrowUp: 40, ArrowDown: -40 }[e.key] ?? 0;
      redraw();
      e.preventDefault();
    }
  });
  new ResizeObserver(() => {
    view.fit(state().drawing, pitch(), behind);
    redraw();
  }).observe(svg);
  show();
}

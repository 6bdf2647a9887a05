// Turning, moving and picking by pointer and by keys.
import { isPicked, learn, listUnder, offer, same, take, under, wanted } from './picking.js';

export const VIEWS = {
  isometric: [-45, 35.2644],
  front: [-90, 0],
  top: [-90, 90],
  right: [0, 0],
  back: [90, 0],
  left: [180, 0],
  bottom: [-90, -90],
  behind: [135, 35.2644],
};
const KEYS = { 0: 'isometric', 1: 'front', 2: 'top', 3: 'right', 4: 'back', 5: 'left', 6: 'bottom', 7: 'behind' };

export function mountControls(stage) {
  const { host, state, canvas, small } = stage;
  const free = () => {
    state.view = 'free';
    host.querySelectorAll('[data-view]').forEach((b) => b.setAttribute('aria-pressed', 'false'));
  };
  const place = (e) => {
    const r = host.getBoundingClientRect();
    return [e.clientX - r.left, e.clientY - r.top];
  };
  const itemsAt = (at) => {
    const f = stage.flat();
    return under(at, state.part, f, f.depth);
  };

  let drag = null;
  let resting = null;
  let told = null;
  function lookUnder(e) {
    if (host.querySelector('.underlist')) return;
    if (small || !state.part?.triangles || !wanted()) {
      if (stage.offered) {
        stage.offered = null;
        stage.redraw();
        stage.says('');
      }
      return;
    }
    // the words may come later than the hand, and so may the part: a pointer at rest is told then
    const known = learn();
    if (known !== told) {
      told = known;
      known.then(() => lookAgain());
    }
    const items = itemsAt(place(e));
    const next = offer(items);
    if (!same(next, stage.offered)) {
      stage.offered = next;
      stage.redraw();
    }
    const more = items.filter((i) => offer([i])).length - 1;
    if (next) stage.says(`${isPicked(next) ? 'Take out' : 'Pick'}: ${next.words}${more > 0 ? ` (right click lists ${more} more)` : ''}`);
    else stage.says('');
    canvas.style.cursor = next ? 'pointer' : '';
  }

  // a hand that rests is told anew whenever what lies under it changes: another part, another view, a tool that is ready
  const lookAgain = () => {
    if (resting && !drag) lookUnder(resting);
  };
  let looked = '';
  stage.onPart.push(lookAgain);
  stage.onDraw.push(() => {
    const { key } = stage.flat();
    if (key === looked) return;
    looked = key;
    lookAgain();
  });
  if (!small) document.addEventListener('cubo:tool', lookAgain);
  // an arrow that lay over the part may go from under the hand
  canvas.addEventListener('pointerenter', (e) => {
    if (drag || stage.holding?.()) return;
    resting = e;
    lookUnder(e);
  });
  canvas.addEventListener('pointerleave', () => {
    resting = null;
    if (stage.offered && !host.querySelector('.underlist')) {
      stage.offered = null;
      stage.says('');
      stage.redraw();
    }
  });
  canvas.addEventListener('pointerdown', (e) => {
    host.querySelector('.underlist')?.remove();
    if (stage.grab && state.part?.triangles && stage.grab(e, itemsAt(place(e)))) {
      host.focus({ preventScroll: true });
      return;
    }
    drag = {
      x: e.clientX,
      y: e.clientY,
      from: [e.clientX, e.clientY],
      pan: e.button !== 0 || e.shiftKey,
      button: e.button,
      offered: stage.offered,
    };
    canvas.setPointerCapture(e.pointerId);
    if (host.tabIndex >= 0 && !stage.offered) host.focus({ preventScroll: true });
    if (stage.offered) e.preventDefault();
  });
  canvas.addEventListener('pointermove', (e) => {
    if (stage.holding?.()) return;
    resting = e;
    if (!drag) {
      lookUnder(e);
      return;
    }
    const dx = e.clientX - drag.x;
    const dy = e.clientY - drag.y;
    drag.x = e.clientX;
    drag.y = e.clientY;
    if (drag.pan) state.pan = [state.pan[0] + dx, state.pan[1] + dy];
    else {
      state.turn -= dx * 0.5;
      state.tilt = Math.max(-90, Math.min(90, state.tilt + dy * 0.5));
      free();
    }
    stage.redraw();
  });
  canvas.addEventListener('pointerup', (e) => {
    const d = drag;
    drag = null;
    if (!d || Math.hypot(e.clientX - d.from[0], e.clientY - d.from[1]) >= 5) return;
    if (d.button === 2 && !small && state.part?.triangles && wanted()) {
      listUnder(host, itemsAt(place(e)), place(e), (c) => {
        stage.offered = c;
        stage.redraw();
      });
    } else if (d.button === 0 && d.offered) {
      take(d.offered);
      stage.offered = null;
      stage.says('');
      stage.redraw();
    }
  });
  canvas.addEventListener('pointercancel', () => {
    drag = null;
  });
  canvas.addEventListener('contextmenu', (e) => e.preventDefault());
  // over an arrow as well as beside it
  for (const layer of [canvas, stage.over])
    layer.addEventListener(
      'wheel',
      (e) => {
        e.preventDefault();
        const next = Math.max(0.1, Math.min(40, state.zoom * Math.exp(-e.deltaY * 0.0015)));
        // the spot under the pointer stays under it
        const [x, y] = place(e);
        const m = [x - (host.clientWidth + stage.inset) / 2, y - host.clientHeight / 2];
        state.pan = state.pan.map((v, i) => m[i] - ((m[i] - v) * next) / state.zoom);
        state.zoom = next;
        stage.redraw();
      },
      { passive: false },
    );
  host.addEventListener('keydown', (e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.target.closest('input, select, textarea')) return;
    if (stage.moveKey?.(e)) {
      e.preventDefault();
      return;
    }
    const turn = { ArrowLeft: [15, 0], ArrowRight: [-15, 0], ArrowUp: [0, 15], ArrowDown: [0, -15] }[e.key];
    if (KEYS[e.key]) stage.look(KEYS[e.key]);
    else if (turn) {
      state.turn += turn[0];
      state.tilt = Math.max(-90, Math.min(90, state.tilt + turn[1]));
      free();
      stage.redraw();
    } else if (e.key === '+' || e.key === '-') {
      state.zoom *= e.key === '+' ? 1.2 : 1 / 1.2;
      stage.redraw();
    } else if (e.key.toLowerCase() === 'f') stage.fit();
    else if (stage.toolKey?.(e.key)) {
      /* a tool of the stage took it */
    } else return;
    e.preventDefault();
  });
  host.querySelectorAll('[data-view]').forEach((b) => b.addEventListener('click', () => stage.look(b.dataset.view)));
  host.querySelector('[data-fit]')?.addEventListener('click', stage.fit);
  const as = host.querySelector('[data-shown-as]');
  if (as) {
    as.value = stage.shownAs;
    as.addEventListener('change', () => stage.showAs(as.value));
  }
  /** Looks straight onto a face with an outward normal. */
  stage.lookAlong = ([x, y, z]) => {
    free();
    state.tilt = (Math.asin(Math.max(-1, Math.min(1, z))) * 180) / Math.PI;
    state.turn = Math.abs(z) > 1 - 1e-9 ? -90 : (Math.atan2(y, x) * 180) / Math.PI;
    stage.fit();
  };
}

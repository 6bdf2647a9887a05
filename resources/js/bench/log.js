// The build log: what rests on what, headings that fold, steps that are tried out, values by slider and keys, and going
// back to a step and through all of them again. Which steps there are and what they do comes from the server.
import { amount as number } from './amount.js';
import { isSent } from './edits.js';

const $ = (s, from = document) => from.querySelector(s);
const steps = () => [...document.querySelectorAll('li.step')];
const host = () => $('main.stage');
const stage = () => host()?.stage;

export function mountLog() {
  relations();
  headings();
  trial();
  values();
  replay();
}

// pointing at a step marks what it rests on and what rests on it
function relations() {
  const clear = () =>
    document.querySelectorAll('li.step.carrier, li.step.carried').forEach((s) => s.classList.remove('carrier', 'carried'));
  const mark = (step) => {
    clear();
    for (const [key, name] of [
      ['below', 'carrier'],
      ['above', 'carried'],
    ]) {
      for (const id of (step.dataset[key] ?? '').split(' ').filter(Boolean)) document.getElementById(`step-${id}`)?.classList.add(name);
    }
  };
  document.addEventListener('pointerover', (e) => {
    const step = e.target.closest?.('li.step');
    if (step) mark(step);
    else if (e.target.closest?.('.log')) clear();
  });
  document.addEventListener('focusin', (e) => {
    const step = e.target.closest?.('li.step');
    if (step) mark(step);
  });
}

// what a step has lost is picked anew in its field, on the part or from the list
document.addEventListener('click', (e) => {
  const field = document.getElementById(e.target.closest?.('[data-anew]')?.dataset.anew ?? '');
  field?.focus();
  field?.scrollIntoView({ block: 'nearest' });
});

function headings() {
  const folded = new Set(JSON.parse(sessionStorage.getItem('cubo-folded') || '[]'));
  const here = () => $('#state')?.dataset.recipe ?? '';
  const apply = () => {
    let closed = false;
    for (const li of document.querySelectorAll('.log ol > li')) {
      if (li.dataset.heading) {
        closed = folded.has(`${here()}/${li.dataset.heading}`);
        const b = $('[data-fold]', li);
        b?.setAttribute('aria-expanded', String(!closed));
        li.classList.toggle('closed', closed);
      } else li.classList.toggle('folded', closed);
    }
  };
  document.addEventListener('click', (e) => {
    const li = e.target.closest?.('li.heading');
    if (!li) return;
    const key = `${here()}/${li.dataset.heading}`;
    if (!folded.delete(key)) folded.add(key);
    sessionStorage.setItem('cubo-folded', JSON.stringify([...folded]));
    apply();
  });
  document.addEventListener('cubo:part', apply);
  apply();
}

// a new step is tried out until it is kept
function trial() {
  const keep = (step) => {
    step.classList.remove('trial');
    $('.trialbar', step)?.remove();
    $('input[name=trial]', step)?.remove();
    document.dispatchEvent(new CustomEvent('cubo:kept'));
  };
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('[data-keep]');
    if (!b) return;
    const step = b.closest('li.step');
    keep(step);
    $('input.val, select.val', step)?.focus();
  });
  document.addEventListener(
    'keydown',
    (e) => {
      const step = e.target.closest?.('li.step.trial');
      if (!step || e.ctrlKey || e.altKey || e.metaKey) return;
      if (e.key === 'Escape') {
        $('[data-drop]', step)?.click();
        e.preventDefault();
        e.stopPropagation();
      }
      // a value that was just typed is sent first; the next Enter keeps the step, wherever in it the focus is
      if (e.key === 'Enter' && !e.target.matches('button, a, summary') && (e.target.type === 'range' || isSent(e.target))) {
        keep(step);
        e.preventDefault();
        e.stopPropagation();
      }
    },
    true,
  );
  // another step at hand keeps the one before
  document.addEventListener('focusin', (e) => {
    const step = e.target.closest?.('li.step');
    if (step) document.querySelectorAll('li.step.trial').forEach((s) => s !== step && keep(s));
  });
}

const tidy = (v) => String(+v.toFixed(4));

// a plain number moves with the arrow keys and on a slider; the part follows while it moves
function values() {
  const inch = () => host()?.dataset.unit === 'in';
  const tell = (field) => {
    const s = stage();
    if (s) s.tries(field.closest('li.step'));
  };
  const settle = (field) => {
    stage()?.triedEnough();
    if (field.value !== field.defaultValue) field.dispatchEvent(new Event('change', { bubbles: true }));
  };
  const isSize = (field) => field.matches('li.step .say input.val[name^="values["]') && !/shapes|regions|axis|text/.test(field.name);
  let waiting = null;
  document.addEventListener('keydown', (e) => {
    const field = e.target;
    if (!field.matches?.('input') || !isSize(field) || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
    const v = number(field);
    if (v === null || e.ctrlKey || e.metaKey) return;
    const angle = /angle|taper|turn/.test(field.name);
    const step = (inch() && !angle ? 1 / 16 : 1) * (e.shiftKey ? 10 : 1) * (e.altKey ? (inch() && !angle ? 1 / 4 : 0.1) : 1);
    field.value = tidy(v + (e.key === 'ArrowUp' ? step : -step));
    tell(field);
    clearTimeout(waiting);
    waiting = setTimeout(() => settle(field), 700);
    e.preventDefault();
  });
  // the slider of the value that had the focus last; an edit draws the log anew, the slider comes back where it was
  let slid = { id: '', range: null, focus: false };
  function slider(field) {
    document.querySelectorAll('.slide').forEach((s) => s.replaceChildren());
    slid = { id: field.id, range: null, focus: false };
    const v = number(field);
    const place = $('.slide', field.closest('li.step'));
    if (v === null || !place) return;
    const range = document.createElement('input');
    const label = field.getAttribute('aria-label');
    const most = Math.max(2 * Math.abs(v), /angle|taper|turn/.test(field.name) ? 90 : inch() ? 1 : 20);
    Object.assign(range, { type: 'range', min: v < 0 ? -most : 0, max: most, step: inch() ? 1 / 64 : most > 100 ? 1 : 0.5, value: v });
    range.setAttribute('aria-label', `${label}, by slider`);
    const text = document.createElement('span');
    text.className = 'small quiet';
    text.textContent = label;
    const now = () => document.getElementById(field.id);
    range.addEventListener('input', () => {
      const f = now();
      f.value = tidy(Number(range.value));
      tell(f);
    });
    // by pointer the value is settled when it is let go; by keys after a short while, so that several presses are one edit
    range.addEventListener('keydown', () => {
      slid.keys = true;
    });
    range.addEventListener('pointerdown', () => {
      slid.keys = false;
    });
    range.addEventListener('change', (e) => {
      e.stopPropagation();
      clearTimeout(waiting);
      waiting = setTimeout(() => settle(now()), slid.keys ? 700 : 0);
    });
    range.addEventListener('focus', () => {
      slid.focus = true;
    });
    place.append(text, range);
    slid.range = range;
  }
  document.addEventListener('focusin', (e) => {
    if (e.target.matches?.('input') && isSize(e.target) && (e.target.id !== slid.id || !slid.range?.isConnected)) slider(e.target);
    else if (e.target !== slid.range) slid.focus = false;
  });
  document.addEventListener('cubo:part', () => {
    const field = document.getElementById(slid.id);
    if (!field || slid.range?.isConnected) return;
    const { focus } = slid;
    slider(field);
    if (focus) slid.range?.focus();
  });
}

// back to a step, and through all of them again
function replay() {
  const bar = $('[data-replay]');
  if (!bar) return;
  const slide = $('[data-replay-at]', bar);
  const says = $('[data-replay-says]', bar);
  const play = $('[data-replay-play]', bar);
  const speed = $('[data-replay-speed]', bar);
  let at = null;
  let timer = null;
  const backwards = $('[data-replay-back]', bar);
  const stop = () => {
    clearTimeout(timer);
    timer = null;
    play.textContent = 'Play';
    backwards.textContent = 'Back';
  };

  function mark() {
    const all = steps();
    const i = at === null ? all.length : all.findIndex((s) => s.dataset.step === at);
    all.forEach((s, k) => {
      s.classList.toggle('ahead', at !== null && k > i);
      s.classList.toggle('now', at !== null && k === i);
    });
    document.querySelectorAll('input[name=after]').forEach((f) => {
      f.value = at ?? '';
    });
    slide.max = Math.max(1, all.length);
    slide.value = at === null ? all.length : i + 1;
    const name = at === null ? '' : ($('input.name', all[i])?.value ?? '');
    says.textContent = at === null ? `all ${all.length} steps` : `after step ${i + 1} of ${all.length}: ${name}. New steps come here.`;
  }
  function go(id, follow = true) {
    const all = steps();
    const li = all.find((s) => s.dataset.step === id);
    at = li && li !== all[all.length - 1] ? id : null;
    const h = host();
    if (at === null) {
      delete h.dataset.replaying;
      document.dispatchEvent(new CustomEvent('cubo:part'));
    } else {
      h.dataset.replaying = '1';
      stage()?.load(`${li.dataset.after}?version=${$('#state').dataset.version}`);
      if (follow) li.scrollIntoView({ block: 'nearest' });
    }
    mark();
    document.dispatchEvent(new CustomEvent('cubo:upto'));
  }
  function open() {
    bar.hidden = false;
    mark();
  }
  function close() {
    stop();
    bar.hidden = true;
    go(null);
  }
  function next() {
    const all = steps();
    const i = at === null ? all.length : all.findIndex((s) => s.dataset.step === at);
    if (i + 1 >= all.length) {
      go(null);
      stop();
      return;
    }
    go(all[i + 1].dataset.step);
    timer = setTimeout(next, Number(speed.value));
  }
  function previous() {
    const all = steps();
    const i = at === null ? all.length - 1 : all.findIndex((s) => s.dataset.step === at);
    if (i < 1) {
      stop();
      return;
    }
    go(all[i - 1].dataset.step);
    timer = setTimeout(previous, Number(speed.value));
  }
  backwards.addEventListener('click', () => {
    if (timer) {
      stop();
      return;
    }
    if (steps().length < 2) return;
    backwards.textContent = 'Stop';
    previous();
  });
  $('[data-replay-change]', bar).addEventListener('click', () => {
    stop();
    const all = steps();
    const li = all.find((s) => s.dataset.step === at) ?? all[all.length - 1];
    const field = li && ($('.say input.val, .say select.val', li) ?? $('input.name', li));
    field?.focus();
    field?.select?.();
    li?.scrollIntoView({ block: 'nearest' });
  });
  document.addEventListener('click', (e) => {
    const back = e.target.closest?.('[data-back]');
    if (back) {
      open();
      stop();
      go(back.closest('li.step').dataset.step);
    }
    if (e.target.closest?.('[data-replay-open]')) {
      if (bar.hidden) open();
      else close();
    }
  });
  slide.addEventListener('input', () => {
    stop();
    go(steps()[Number(slide.value) - 1]?.dataset.step ?? null);
  });
  play.addEventListener('click', () => {
    if (timer) {
      stop();
      return;
    }
    if (!steps().length) return;
    play.textContent = 'Stop';
    if (at === null) go(steps()[0].dataset.step);
    timer = setTimeout(next, Number(speed.value));
  });
  $('[data-replay-close]', bar).addEventListener('click', close);
  let seen = '';
  document.addEventListener('cubo:part', () => {
    if (at === null) {
      mark();
      return;
    }
    const { fresh, version } = $('#state').dataset;
    if (version === seen) return;
    seen = version;
    // a step that was put in here is the newest one to see
    go(fresh && document.getElementById(`step-${fresh}`) ? fresh : document.getElementById(`step-${at}`) ? at : null, false);
  });
}

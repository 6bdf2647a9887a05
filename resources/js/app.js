// Wires htmx and the pages together. Decides nothing about parts or checks: it sends what was typed and shows what comes.
import htmx from 'htmx.org';
import { mountEdits } from './bench/edits.js';
import { whenReleased } from './bench/pressed.js';
import { mountLog } from './bench/log.js';
import { mountSheet } from './bench/sheet.js';
import { mountUnseen } from './bench/unseen.js';

window.htmx = htmx;
const work = () => document.getElementById('work');
// what the server said last: version, address of the part, the step that was just added
const state = () => document.getElementById('state')?.dataset ?? {};

let shown = '';
document.addEventListener('cubo:shown', () => {
  const { fresh } = state();
  if (fresh && fresh !== shown) {
    shown = fresh;
    const step = document.getElementById(`step-${fresh}`);
    const first = step?.querySelector('input.val, select.val');
    first?.focus();
    first?.select?.();
    step?.scrollIntoView({ block: 'nearest' });
  }
  document.dispatchEvent(new CustomEvent('cubo:part'));
});

// what is asked beside the edits: a shelf of the library, a list, a part put away
document.addEventListener('htmx:error', () => say('The server could not be reached. Try again.'));
document.addEventListener('htmx:response:error', (e) => {
  const status = e.detail.ctx?.response?.status;
  if (status === 401 || status === 419)
    say('You were signed out meanwhile. Reload the page and sign in again; every step up to here is saved.');
  else if (status === 429) say('That was quicker than the server allows. Wait a moment and try again.');
  else if (status >= 500) say('The server did not manage this. Nothing is lost; try again.');
});
// an edit of the stage that was not taken, and of which nobody has told yet
document.addEventListener('cubo:refused', (e) => {
  if (!e.detail.told) say(e.detail.why || 'Nothing was moved; try again.');
});
document.addEventListener('htmx:before:swap', (e) => {
  const status = e.detail.ctx?.response?.status;
  if (status >= 400 && status !== 409) e.preventDefault();
});
function say(text) {
  const n = document.getElementById('notice');
  if (n) {
    n.textContent = text;
    n.hidden = false;
    n.className = 'notice';
  }
}

// the step that has the focus is the picked one; nothing moves between pressing and letting go
document.addEventListener('focusin', (e) => {
  const step = e.target.closest?.('.step');
  if (!step) return;
  whenReleased(() => {
    if (!step.isConnected || !step.contains(document.activeElement)) return;
    document.querySelectorAll('.step.picked').forEach((s) => s !== step && s.classList.remove('picked'));
    step.classList.add('picked');
  });
});

// a size lights up in the list, the drawing and on the part together
function pick(id) {
  document
    .querySelectorAll('[data-requirement]')
    .forEach((el) => el.classList.toggle('picked', el.dataset.requirement.split(' ').includes(id)));
  document.dispatchEvent(new CustomEvent('cubo:pick', { detail: id }));
}
document.addEventListener('pointerover', (e) => {
  const row = e.target.closest?.('[data-requirement]');
  if (row) pick(row.dataset.requirement.split(' ')[0]);
});

document.addEventListener('click', (e) => {
  const opener = e.target.closest?.('[data-opens]');
  if (opener) document.getElementById(opener.dataset.opens)?.showModal();
});

// before anything else hears of the click
document.addEventListener(
  'click',
  (e) => {
    const asks = e.target.closest?.('[data-asks]');
    if (asks && !asks.dataset.sure) {
      // asks once, in the button itself
      e.preventDefault();
      e.stopPropagation();
      asks.dataset.sure = '1';
      asks.dataset.was = asks.textContent;
      asks.textContent = asks.dataset.asks;
      setTimeout(() => {
        delete asks.dataset.sure;
        asks.textContent = asks.dataset.was;
      }, 5000);
    }
  },
  true,
);

const typing = (el) => el.closest?.('input, textarea, select, [contenteditable]');
document.addEventListener('keydown', (e) => {
  if (!work()) return;
  if (e.ctrlKey && e.key === 'Enter') {
    document.getElementById('check')?.click();
    e.preventDefault();
    return;
  }
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && !typing(e.target)) {
    document.getElementById(e.shiftKey ? 'redo' : 'undo')?.click();
    e.preventDefault();
    return;
  }
  if (e.key === 'Enter' && e.target.matches?.('input.val, input.name')) {
    e.target.blur();
    e.target.focus();
    e.preventDefault();
    return;
  }
  if (e.key === 'F6') {
    const areas = ['.sheet', '.stage', '.log', '.composer'].map((s) => document.querySelector(`.bench ${s}`)).filter(Boolean);
    const at = areas.findIndex((a) => a.contains(document.activeElement));
    const handle = (a) =>
      a.matches('[tabindex]')
        ? a
        : [...a.querySelectorAll('button:not([disabled]), input:not([type=hidden]), select, a[href], [tabindex]')].find((x) =>
            x.checkVisibility(),
          );
    // an area in which nothing can be operated yet is passed over
    for (let i = 1; i <= areas.length; i++) {
      const h = handle(areas[(at + (e.shiftKey ? -i : i) + 2 * areas.length) % areas.length]);
      if (h) {
        h.focus();
        break;
      }
    }
    e.preventDefault();
  }
});

if (document.getElementById('work')) {
  mountEdits();
  mountLog();
  mountSheet();
  mountUnseen();
}
if (document.querySelector('[data-stage]')) {
  import('./stage/stage.js').then(({ mountStage }) => document.querySelectorAll('[data-stage]').forEach(mountStage));
}
const pad = document.getElementById('pad');
if (pad) import('./pad/pad.js').then(({ mountPad }) => mountPad(pad));

// a page that waits for a result looks again by itself
if (document.querySelector('[data-looks-again]')) setTimeout(() => window.location.reload(), 1000);

document.addEventListener('click', (e) => {
  if (e.target.closest?.('[data-prints]')) window.print();
});

// rows under a heading that is opened by it
document.addEventListener('click', (e) => {
  const opens = e.target.closest?.('[data-unfolds]');
  if (!opens) return;
  const rows = document.getElementById(opens.getAttribute('aria-controls'));
  rows.hidden = !rows.hidden;
  opens.setAttribute('aria-expanded', String(!rows.hidden));
});

// a choice that shows something else at once
document.addEventListener('change', (e) => {
  if (e.target.matches('[data-submits]')) e.target.form.requestSubmit();
});

// layers of a print: the picture follows the slider; only the newest answer is shown
const at = document.querySelector('[data-layer-at]');
if (at) {
  let asked = 0;
  const show = async () => {
    asked += 1;
    const mine = asked;
    const printer = new URLSearchParams(window.location.search).get('printer');
    const answer = await fetch(`${at.dataset.from}/${at.value - 1}${printer ? `?printer=${encodeURIComponent(printer)}` : ''}`);
    if (mine === asked && answer.ok) document.getElementById('layer').innerHTML = await answer.text();
  };
  at.addEventListener('input', show);
  document.querySelectorAll('[data-layer-step]').forEach((b) =>
    b.addEventListener('click', () => {
      at.value = Number(at.value) + Number(b.dataset.layerStep);
      show();
    }),
  );
}

// a form that must not lose anything: its head tells whether all is saved, and leaving it with changes asks first
const keeps = document.querySelector('form[data-keeps]');
if (keeps) {
  let changed = keeps.hasAttribute('data-changed');
  const kept = document.getElementById('kept');
  const mark = (e) => {
    if (e.target.form !== keeps) return;
    changed = true;
    kept.textContent = 'not saved yet';
    kept.closest('[data-saved]').dataset.saved = 'waits';
  };
  document.addEventListener('input', mark);
  document.addEventListener('change', mark);
  keeps.addEventListener('submit', () => {
    changed = false;
  });
  addEventListener('beforeunload', (e) => {
    if (changed) e.preventDefault();
  });
}

// the clock of whoever sets a school up is most likely the school's
const zone = document.querySelector('select[data-own-zone]');
const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
if (zone && [...zone.options].some((o) => o.value === ownZone) && !document.querySelector('[aria-invalid]')) zone.value = ownZone;

// a single value of a table is sent when it is left
document.addEventListener('change', (e) => e.target.closest?.('[data-sends]')?.form?.requestSubmit());

// links that have a key of their own
document.addEventListener('keydown', (e) => {
  if (e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
  document.querySelector(`a[data-key="${CSS.escape(e.key.toLowerCase())}"]`)?.click();
});

// the table of a class at work is looked at again and again; nothing of it moves under a hand
document.addEventListener('htmx:before:request', (e) => {
  const board = e.target.closest?.('#board');
  if (board && (board.matches(':hover') || board.contains(document.activeElement))) e.preventDefault();
});

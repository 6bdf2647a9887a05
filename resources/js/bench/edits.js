// The bench's edits: which field changed, how it is sent, and how answers come into the page without touching newer text.
import { Ledger, leavesWhenSaved } from '../edits/ledger.js';
import { released } from './pressed.js';

const $ = (s, from = document) => from.querySelector(s);
const work = () => document.getElementById('work');
const state = () => document.getElementById('state')?.dataset ?? {};
const token = () => $('meta[name=csrf-token]')?.content ?? $('input[name=_token]')?.value;
const fields = () => [...(work()?.querySelectorAll('input[id]:not([type=hidden]), select[id], textarea[id]') ?? [])];

let ledger = null;
// texts that were acknowledged just now, and fields whose text was refused
const settled = new Map();
const refused = new Set();
const keptNow = new Map();

const theirs = (el) =>
  el.type === 'checkbox'
    ? el.defaultChecked
    : el.tagName === 'SELECT'
      ? ([...el.options].find((o) => o.defaultSelected) ?? el.options[0])?.value
      : el.defaultValue;
const mine = (el) => (el.type === 'checkbox' ? el.checked : el.value);
const put = (el, v) => {
  if (el.type === 'checkbox') {
    if (el.checked !== v) el.checked = v;
  } else if (el.value !== v) el.value = v;
};
// a field has newer text than the server when it is on its way, or typed and not sent, or was refused
const newer = (el) => ledger.pending(el.id) || (mine(el) !== theirs(el) && settled.get(el.id) !== mine(el));

/** Brings an answer into the page. */
export async function show(html) {
  await released();
  const version = Number(/id="state"[^>]*data-version="(\d+)"/.exec(html)?.[1] ?? 0);
  // what was asked for before a newer edit came in says what is not so any more
  if (!version || version < Number(state().version)) return version || null;
  const held = new Map(
    fields()
      .filter(newer)
      .map((el) => [el.id, [mine(el), el]]),
  );
  await window.htmx.swap({ text: html, target: '#work', swap: 'innerMorph', sourceElement: work() });
  for (const el of fields()) {
    const own = held.get(el.id);
    if (own && (el.type !== 'select-one' || [...el.options].some((o) => o.value === own[0]))) put(el, own[0]);
    else put(el, theirs(el));
  }
  settled.clear();
  paint();
  document.dispatchEvent(new CustomEvent('cubo:shown'));
  return version;
}

/** Marks each field that is asked, kept just now or refused. */
function paint() {
  for (const el of fields()) {
    const now = ledger.pending(el.id) ? 'asked' : refused.has(el.id) ? 'refused' : keptNow.has(el.id) ? 'kept' : '';
    if ((el.getAttribute('data-is') ?? '') === now) continue;
    if (now) el.setAttribute('data-is', now);
    else el.removeAttribute('data-is');
  }
}

function tell({ open, trouble, kept }) {
  const saved = document.getElementById('saved');
  const words = kept ? 'kept in this browser' : trouble ? `${open} not sent yet` : open > 0 ? 'saving …' : 'all';
  if (saved && saved.textContent !== words) {
    saved.textContent = words;
    saved.closest('[data-saved]')?.setAttribute('data-saved', trouble ? 'waits' : open ? 'asks' : 'all');
  }
  const line = document.getElementById('trouble');
  if (line) {
    line.textContent = trouble ?? '';
    line.hidden = !trouble;
  }
  paint();
}

const encode = (body) => {
  const out = new URLSearchParams();
  const add = (key, v) => {
    if (Array.isArray(v)) v.forEach((x, i) => add(`${key}[${i}]`, x));
    else if (v !== null && typeof v === 'object') for (const [k, x] of Object.entries(v)) add(key ? `${key}[${k}]` : k, x);
    else if (v !== undefined) out.append(key, v);
  };
  add('', body);
  return out;
};
const headers = () => ({ 'X-CSRF-TOKEN': token(), 'HX-Request': 'true', Accept: 'text/html, application/json' });

async function fresh() {
  const step = document.activeElement?.closest?.('li.step')?.dataset.step ?? '';
  const answer = await fetch(`${state().now}?step=${step}`, { credentials: 'same-origin', headers: headers() });
  return answer.ok ? show(await answer.text()) : null;
}

async function answered(answer, item, outcome) {
  const json = (answer.headers.get('Content-Type') ?? '').includes('json');
  const data = json ? await answer.json() : { html: await answer.text() };
  if (outcome === 'kept') clearNotice();
  if (item.field && (outcome === 'kept' || outcome === 'same')) {
    settled.set(item.field, item.text);
    refused.delete(item.field);
    keptFor(item.field);
  }
  if (json) {
    if (data.glb !== undefined) {
      const s = state();
      s.version = data.version;
      s.glb = data.glb;
    }
    return { version: outcome === 'kept' || outcome === 'same' ? data.version : null, data, shown: item.body.brief === 1 };
  }
  // the item is through before its answer is shown, so that its own text counts as the server's
  item.field = undefined;
  return { version: await show(data.html), data, shown: true };
}

// what was said of an edit that could not be done goes with the next one that could
function clearNotice() {
  const n = document.getElementById('notice');
  if (n && !n.hidden && n.dataset.why !== 'elsewhere' && n.dataset.why !== 'failed' && n.dataset.why !== 'typed') {
    n.replaceChildren();
    n.hidden = true;
  }
}

function keptFor(id) {
  clearTimeout(keptNow.get(id));
  keptNow.set(
    id,
    setTimeout(() => {
      keptNow.delete(id);
      paint();
    }, 1600),
  );
}

// what was not taken is told in words, with what was typed, and can be put in all the same
function held(items, why, words) {
  for (const i of items) if (i.field) refused.add(i.field);
  const n = document.getElementById('notice');
  if (!n || items.every((i) => i.body.do === 'leave')) return;
  const p = document.createElement('p');
  const b = document.createElement('b');
  b.textContent = { elsewhere: 'This part was changed in another window.', refused: '', failed: 'This was not kept.' }[why] ?? '';
  const typed = items.filter((i) => i.text !== undefined).map((i) => `${i.label ? `${i.label} ` : ''}“${i.text}”`);
  p.append(
    b,
    ` ${why === 'elsewhere' ? 'Nothing was overwritten here or there.' : words} ${typed.length && why !== 'refused' ? `What you typed: ${typed.join(', ')}. ` : ''}`,
  );
  const link = (text, act) => {
    const a = document.createElement('button');
    a.type = 'button';
    a.className = 'btn s';
    a.textContent = text;
    a.addEventListener('click', act);
    p.append(a, ' ');
    return a;
  };
  const close = () => {
    n.replaceChildren();
    n.hidden = true;
  };
  if (why === 'elsewhere')
    link('Show the newest state', async () => {
      for (const i of items)
        if (i.field) {
          const el = document.getElementById(i.field);
          if (el) settled.set(i.field, mine(el));
          refused.delete(i.field);
        }
      await ledger.look();
      close();
      if (typed.length) held(items, 'typed', '');
    });
  if (why === 'failed' || why === 'typed')
    link(why === 'typed' ? 'Put it in here' : 'Send it again', () => {
      close();
      for (const i of items) {
        if (i.field) refused.delete(i.field);
        ledger.push(i.body, { field: i.field, text: i.text, label: i.label });
      }
    });
  if (why !== 'elsewhere')
    link('Leave it', () => {
      for (const i of items)
        if (i.field) {
          refused.delete(i.field);
          const el = document.getElementById(i.field);
          if (el) put(el, theirs(el));
        }
      close();
      paint();
    });
  n.replaceChildren(p);
  n.dataset.why = why;
  n.hidden = false;
  n.className = 'notice';
  n.scrollIntoView({ block: 'nearest' });
  paint();
}

/** Whether the text of a field is on its way already, or kept. */
export const isSent = (el) => mine(el) === theirs(el) || (ledger?.items.some((i) => i.field === el.id && i.text === mine(el)) ?? false);

const labelOf = (el) => el.getAttribute('aria-label') ?? el.closest('label')?.textContent.trim() ?? '';

/** A name such as values[shapes][a][u] as nested values. */
function nested(name, value) {
  const keys = name.replace(/\]/g, '').split('[');
  return keys.reduceRight((v, k) => ({ [k]: v }), value);
}

const about = (el) => {
  const step = el.closest('li.step');
  return { ...(step ? { step: step.dataset.step } : {}), ...(step?.classList.contains('trial') ? { trial: 1 } : {}) };
};

/** One field that was changed: only what changed is sent. */
function changed(el) {
  const form = el.form;
  const text = mine(el);
  const told = { field: el.id, text, label: labelOf(el) };
  if (el.dataset.pick) {
    // a list of things: one of them more or less
    const name = el.type === 'checkbox' ? el.value : text;
    if (name === '') return;
    ledger.push(
      { do: 'pick', ...about(el), key: el.dataset.pick, face: name, on: el.type === 'checkbox' ? Number(el.checked) : 1 },
      el.type === 'checkbox' ? told : { ...told, text: '' },
    );
    return;
  }
  if (el.dataset.size !== undefined) {
    const row = el.closest('.size-row');
    const name = $('[data-part=name]', row).value;
    const value = $('[data-part=value]', row).value;
    if (name.trim() === '' && el.dataset.size === '') return;
    ledger.push(
      { do: 'size', of: el.dataset.size, name, ...(el.dataset.part === 'value' || el.dataset.size === '' ? { value } : {}) },
      told,
    );
    return;
  }
  if (el.dataset.lock) {
    ledger.push({ do: 'lock', group: form.elements.group.value, of: el.dataset.lock, on: Number(el.checked) }, told);
    return;
  }
  if (form.dataset.edits === 'each') ledger.push({ do: form.elements.do.value, ...about(el), ...nested(el.name, text) }, told);
  else ledger.push(Object.fromEntries([...new FormData(form)].filter(([k]) => k !== '_token' && k !== 'version')), told);
}

/** Puts an edit in line that a tool or a button makes. */
export const sendEdit = (body) => ledger.push(body);

/** The same, answered with the newer part alone, so that it is seen sooner: { glb }, or { why } in words. */
export async function sendBriefly(body) {
  const got = await ledger.push({ ...body, brief: 1 });
  return got.data?.glb !== undefined
    ? { glb: got.data.glb }
    : { why: got.words ?? '', told: got.outcome !== 'kept' && got.outcome !== 'same' };
}

/** The log as it is now. */
export const askNow = () => ledger.then(() => ledger.look());

export function mountEdits() {
  ledger = new Ledger({
    recipe: state().recipe,
    version: Number(state().version),
    send: (item, { version, own, more }, signal) =>
      fetch(state().door, {
        method: 'POST',
        credentials: 'same-origin',
        headers: headers(),
        signal,
        body: encode({
          ...item.body,
          line: item.line,
          number: item.number,
          version,
          own,
          ...(more && !item.body.brief ? { brief: 2 } : {}),
        }),
      }),
    arrived: (line) => fetch(`${state().arrived}?line=${line}`, { credentials: 'same-origin', cache: 'no-store', headers: headers() }),
    fresh,
    answered,
    tell,
    held,
  });
  if (ledger.found)
    tell({
      open: ledger.found,
      trouble: `${ledger.found} ${ledger.found === 1 ? 'change' : 'changes'} from before ${ledger.found === 1 ? 'was' : 'were'} not acknowledged; sent now.`,
    });
  document.addEventListener('change', (e) => {
    const form = e.target.form;
    if (!form?.matches?.('form[data-edits=each], form[data-edits=all]') || (!e.target.name && !e.target.dataset.pick)) return;
    changed(e.target);
  });
  document.addEventListener('submit', (e) => {
    const form = e.target.closest?.('form[data-edits]');
    if (!form) return;
    e.preventDefault();
    if (form.dataset.edits !== 'once') return;
    const body = Object.fromEntries([...new FormData(form)].filter(([k]) => !['_token', 'version', 'of[]'].includes(k)));
    const of = new FormData(form).getAll('of[]');
    if (form.dataset.to) act(form.dataset.to);
    else ledger.push(of.length ? { ...body, of } : body);
  });
  document.addEventListener('click', (e) => {
    const b = e.target.closest?.('[data-edit]');
    if (!b || b.disabled) return;
    ledger.push({ ...about(b), ...JSON.parse(b.dataset.edit) });
  });
  // handing in waits until all is acknowledged, and is then of the state that is shown
  document.addEventListener('submit', (e) => {
    const form = e.target.closest?.('form[data-when-saved]');
    if (!form || form.dataset.saved) return;
    e.preventDefault();
    ledger.then(() => {
      form.elements.version.value = ledger.version;
      form.dataset.saved = '1';
      form.submit();
    });
  });
  leavesWhenSaved(ledger);
  // a part that is still being worked out comes by itself
  const again = () => {
    if (state().unfinished === '1' && !document.hidden) setTimeout(() => state().unfinished === '1' && askNow(), 700);
  };
  document.addEventListener('cubo:shown', again);
  again();
  return ledger;
}

/** Something else that the bench asks the server to do, after all that was changed before; answered with the bench. */
async function act(url) {
  await ledger.then(async () => {
    try {
      const answer = await fetch(url, {
        method: 'POST',
        credentials: 'same-origin',
        headers: headers(),
        body: new URLSearchParams({ version: ledger.version }),
      });
      if (answer.ok) await show(await answer.text());
      else
        tell({
          open: 0,
          trouble:
            answer.status === 429
              ? 'That was quicker than the server allows. Wait a moment.'
              : answer.status === 401 || answer.status === 419
                ? 'You were signed out meanwhile. Sign in again; all is saved.'
                : 'The server did not manage this. Nothing is lost; try again.',
        });
    } catch {
      tell({ open: 0, trouble: 'The server could not be reached. Nothing is lost; try again.' });
    }
  });
}

import { inLine } from '../bench/line.js';

/** Sends an edit of the recipe the way the forms of the bench do. */
export function sendEdit(values) {
  const state = document.getElementById('state')?.dataset;
  const token = document.querySelector('input[name=_token]')?.value;
  if (!state?.edit) return;
  window.htmx.ajax('POST', state.edit, { target: '#work', swap: 'innerMorph', values: { _token: token, version: state.version, ...values } });
}

/** The same, answered with the newer part alone, so that it is seen sooner: { glb }, or { why } in words. */
export function sendBriefly(values) {
  return inLine(async () => {
    const state = document.getElementById('state').dataset;
    const token = document.querySelector('input[name=_token]')?.value;
    const body = new URLSearchParams({ _token: token, version: state.version, brief: 1, ...values });
    try {
      const answer = await fetch(state.edit, { method: 'POST', body, credentials: 'same-origin', headers: { Accept: 'application/json, text/html' } });
      if (!answer.ok) return { why: answer.status === 409 ? await answer.text() : '', status: answer.status };
      const { version, glb } = await answer.json();
      const now = document.getElementById('state').dataset;
      now.version = version;
      now.glb = glb;
      return { glb };
    } catch {
      return { why: '', status: 0 };
    }
  });
}

/** The log as it is now, with a step at hand. */
export function askNow(step) {
  return window.htmx.ajax('GET', `${document.getElementById('state').dataset.now}?step=${step}`, { target: '#work', swap: 'innerMorph' });
}

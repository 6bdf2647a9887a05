import { whenReleased } from './pressed.js';

// Shapes of which nothing is seen, asked for when the part has rested for a moment, and told at their steps.
export function mountUnseen() {
  let last = { key: '', words: {} };
  let timer = null;
  const show = () => whenReleased(tell);
  function tell() {
    const names = [];
    for (const li of document.querySelectorAll('li.step')) {
      const text = last.words[li.dataset.step] ?? '';
      const place = li.querySelector('[data-unseen]');
      // the step at hand reads it out already
      if (place) place.textContent = text && !li.querySelector('[data-lies]')?.textContent ? `It ${text}.` : '';
      if (text) names.push(`${li.querySelector('input.name')?.value ?? li.dataset.step} ${text}`);
    }
    const list = document.querySelector('[data-unseen-list]');
    if (list) {
      list.hidden = !names.length;
      list.textContent = names.length ? `Nothing is seen of some shapes: ${names.join('; ')}.` : '';
    }
  }
  async function ask() {
    const state = document.getElementById('state')?.dataset;
    if (!state?.unseen || !state.glb) return;
    const key = `${state.recipe} ${state.version}`;
    if (key !== last.key) {
      try {
        const answer = await fetch(`${state.unseen}?version=${state.version}`, {
          credentials: 'same-origin',
          headers: { Accept: 'application/json' },
        });
        if (!answer.ok || document.getElementById('state')?.dataset.version !== state.version) return;
        last = { key, words: await answer.json() };
      } catch {
        return;
      }
    }
    show();
  }
  document.addEventListener('cubo:part', () => {
    show();
    clearTimeout(timer);
    timer = setTimeout(ask, 600);
  });
  timer = setTimeout(ask, 600);
}

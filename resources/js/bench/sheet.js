// The drawing of a part that is being built comes after the part itself; until then the one before stays.
export function mountSheet() {
  let shown = { from: '', svg: '' };
  let waiting = null;
  const look = () => {
    const paper = document.querySelector('.paper[data-sheet]');
    const from = paper?.dataset.sheet;
    if (!from) return;
    if (!paper.firstElementChild && shown.svg) paper.innerHTML = shown.svg;
    if (from === shown.from) return;
    clearTimeout(waiting);
    waiting = setTimeout(
      async () => {
        try {
          const answer = await fetch(from, { credentials: 'same-origin' });
          if (answer.status === 503) {
            setTimeout(look, 1500);
            return;
          }
          if (!answer.ok && answer.status !== 422) return;
          const svg = answer.ok ? await answer.text() : '<p class="small quiet">This part has more edges than a drawing can show.</p>';
          const now = document.querySelector('.paper[data-sheet]');
          if (now?.dataset.sheet !== from) return;
          shown = { from, svg };
          now.innerHTML = svg;
        } catch {
          /* the next edit asks again */
        }
      },
      shown.svg ? 500 : 0,
    );
  };
  document.addEventListener('cubo:part', look);
  look();
}

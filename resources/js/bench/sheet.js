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
    waiting = setTimeout(async () => {
      try {
        const answer = await fetch(from, { credentials: 'same-origin' });
        if (!answer.ok) return;
        const svg = await answer.text();
        const now = document.querySelector('.paper[data-sheet]');
        if (now?.dataset.sheet !== from) return;
        shown = { from, svg };
        now.innerHTML = svg;
      } catch { /* the next edit asks again */ }
    }, shown.svg ? 500 : 0);
  };
  document.addEventListener('cubo:part', look);
  look();
}

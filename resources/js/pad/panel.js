// The panel below the list: how far the sketch is settled, what can still move, what of its outlines is not right.
const $ = (id) => document.getElementById(id);

export function panel(state) {
  const { freedom, drawing } = state;
  $('pad-free').replaceChildren();
  const n = Math.max(1, Math.min(40, freedom.total));
  const done = Math.round(n * (1 - freedom.free / Math.max(1, freedom.total)));
  const w = 288 / n;
  let d = '';
  for (let i = 0; i <= n; i++) d += `M${4 + i * w - 3} 14L${4 + i * w + 3} 4`;
  $('pad-chain').innerHTML =
    freedom.total === 0
      ? ''
      : `<path d="M4 9H${4 + done * w}" stroke="var(--color-violet)" stroke-width="5"/><path d="M${4 + done * w} 9H${4 + n * w}" stroke="var(--color-graphite)" stroke-width="1.4" stroke-dasharray="4 3"/><path d="${d}" stroke="var(--color-ink)" stroke-width="1.6"/>`;
  const p = (text, ...more) => {
    const e = document.createElement('p');
    e.append(text, ...more);
    $('pad-free').append(e);
  };
  const button = (text, data) => {
    const b = document.createElement('button');
    Object.assign(b, { type: 'button', className: 'link', textContent: text });
    Object.assign(b.dataset, data);
    return b;
  };
  p(freedom.words);
  freedom.ways.slice(0, 4).forEach((words, i) => {
    const b = button(words, { way: i });
    b.className = 'way';
    $('pad-free').append(b);
  });
  if (freedom.free > 4) p(`and ${freedom.free - 4} more.`);
  for (const g of drawing.gaps.filter((x) => x.a && x.b))
    p(`An outline is open by ${g.size} between ${g.a} and ${g.b}. `, button('Close it', { close: `${g.a} ${g.b}` }));
  for (const [a, b] of drawing.doubled) p(`${b} lies on ${a} and bounds nothing more.`);
  const ends = drawing.looseEnds.length;
  if (ends) p(ends === 1 ? '1 loose end.' : `${ends} loose ends.`);
}

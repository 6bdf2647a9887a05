// Elements and colours of the pad's paper.
const NS = 'http://www.w3.org/2000/svg';
export const el = (name, attrs = {}, text) => {
  const e = document.createElementNS(NS, name);
  for (const [k, v] of Object.entries(attrs)) e.setAttribute(k, v);
  if (text !== undefined) e.textContent = text;
  return e;
};
export const c = (name) => `var(--color-${name})`;

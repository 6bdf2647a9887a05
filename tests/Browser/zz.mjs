// throwaway: random acts over the pages of checks
import { openBrowser, openWindow, signInTeacher, signInStudent, BASE } from './support.mjs';
const seed = Number(process.env.SEED ?? 1); const acts = Number(process.env.ACTS ?? 60);
let s = seed; const rnd = (n) => { s = (s * 1103515245 + 12345) % 2147483648; return Math.floor((s / 2147483648) * n); };
const words = ['0', '-1', '1/0', '25.4', 'm', 'H7', '+0.1 -0.3', '', '   ', '💥', '<b>x</b>', '1e99', 'a'.repeat(200), "'; drop", '49.8 to 50.2', '5 mm', '½'];
const b = await openBrowser();
const p = await openWindow(b);
const bad = [];
p.on('response', (r) => { if (r.status() >= 500 || (r.status() === 404 && r.url().startsWith(BASE))) bad.push(`${r.status()} ${r.request().method()} ${r.url()}`); });
const who = process.env.WHO ?? 'teacher';
if (who === 'teacher') await signInTeacher(p); else await signInStudent(p, 'WREN8', process.env.NAME ?? 'Noor');
const starts = (process.env.STARTS ?? '/exercises/4,/exercises/1,/hand-ins/33,/hand-ins/33/layers,/exercises/4/marked,/assignments/4').split(',');
for (let i = 0; i < acts; i++) {
  if (i % 8 === 0) await p.goto(BASE + starts[rnd(starts.length)]).catch((e) => bad.push(`goto ${e.message.slice(0, 80)}`));
  if (!p.url().startsWith(BASE)) await p.goto(BASE + starts[0]);
  const els = await p.locator('button:visible:not([disabled]), a:visible, input:visible, select:visible, textarea:visible, summary:visible').elementHandles();
  if (!els.length) { await p.goto(BASE + starts[0]); continue; }
  const e = els[rnd(els.length)];
  const d = await e.evaluate((x) => `${x.tagName} ${x.type ?? ''} ${(x.textContent || x.name || '').trim().slice(0, 40)}`).catch(() => '');
  if (/Sign out|PDF|STL|3MF|Recipe/.test(d)) continue;
  try {
    if (/^SELECT/.test(d)) { const n = await e.evaluate((x) => x.options.length); if (n) await e.selectOption({ index: rnd(n) }, { timeout: 1500 }); }
    else if (/^(TEXTAREA|INPUT (text|search|date|number|))/.test(d) && !/^INPUT (checkbox|radio|range|file|submit)/.test(d)) { await e.fill(words[rnd(words.length)], { timeout: 1500 }).catch(() => {}); if (rnd(3) === 0) await e.press('Enter', { timeout: 1500 }); }
    else await e.click({ timeout: 1500 });
  } catch (x) { /* covered or gone */ }
  await p.waitForTimeout(80);
  const body = await p.locator('body').innerText().catch(() => '');
  if (/Server Error|Something went wrong|ErrorException|SQLSTATE/.test(body)) bad.push(`page: ${p.url()} after ${d}: ${body.slice(0, 100)}`);
}
console.log(`seed ${seed} ${who}: ${acts} acts, faults ${JSON.stringify(p.faults)}, bad ${JSON.stringify(bad)}`);
await b.close();

import { openBrowser, openWindow, signInTeacher, BASE } from './support.mjs';
const b = await openBrowser();
const p = await openWindow(b, { scale: 1 });
await signInTeacher(p);
await p.goto(`${BASE}/exercises/4`); await p.waitForTimeout(1000);
await p.getByRole('button', { name: /^Mark .* again$/ }).click();
await p.waitForTimeout(14000);
let n = 0;
for (const h of [35, 41, 36]) { await p.goto(`${BASE}/hand-ins/${h}`); await p.waitForTimeout(2500); await p.screenshot({ path: `/tmp/rep${n++}.png` }); }
await b.close();

// Building from ready solids: each stands on the one below, is lined up and read out; without the pointer and with it.
import assert from 'node:assert/strict';
import { after, before, beforeEach, test } from 'node:test';
import { add, arrow, edit, openBrowser, openEmptyBench, openWindow, pick, readout, shown, sound, type } from './support.mjs';

let browser;
let page;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());
beforeEach(async () => {
  await page?.context().close();
  page = await openWindow(browser, { width: 1100, height: 700 });
  await openEmptyBench(page);
});
const volume = async () => Number((await readout(page, 'Volume')).replace(/[^\d.]/g, '').replace(/3$/, ''));
const until = (f, arg) => page.waitForFunction(f, arg);

test('a weather vane stand of seven shapes, from fields and lists without the pointer', async () => {
  const press = async (...keys) => {
    for (const k of keys) await page.keyboard.press(k);
  };
  // a verb by its button, a value by typing and Tab
  const verb = (kind) =>
    edit(page, async () => {
      await page.locator(`#verb-${kind}`).focus();
      await press('Enter');
    });
  const value = async (id, text) => {
    await page.locator(`#${id}`).focus();
    await edit(page, async () => {
      await press('Control+a');
      await page.keyboard.type(text);
      await press('Tab');
    });
  };
  await verb('prism');
  for (const [k, v] of [
    ['round', '60'],
    ['height', '8'],
  ])
    await value(`s1-${k}`, v);
  await verb('tube');
  await value('s2-length', '50');
  await pick(page, 's2-stand', 'face');
  await pick(page, 's2-on', 's1:top');
  await pick(page, 's2-alignx', 'middle');
  await pick(page, 's2-aligny', 'middle');
  await until(() => /flush on Prism/.test(document.querySelector('#step-s2 [data-lies]').textContent));
  await value('s2-sink', '3');
  await until(() => /sunk 3 mm into Prism/.test(document.querySelector('#step-s2 [data-lies]').textContent));
  await verb('ball');
  await pick(page, 's3-stand', 'face');
  await pick(page, 's3-on', 's2:top');
  await pick(page, 's3-alignx', 'middle');
  await pick(page, 's3-aligny', 'middle');
  await value('s3-sink', '4');
  assert.equal(await readout(page, 'Pieces'), '1');
  // six holes around the foot: one cylinder that takes away, repeated round the upright axis
  await verb('cylinder');
  await value('s4-round', '4');
  await value('s4-x', '22');
  await pick(page, 's4-effect', 'cut');
  await verb('repeat');
  await pick(page, 's5-of', 'step');
  assert.equal(await page.locator('#s5-source').inputValue(), 's4');
  await pick(page, 's5-way', 'around');
  await value('s5-count', '6');
  await verb('wedge');
  for (const [k, v] of [
    ['width', '4'],
    ['depth', '10'],
    ['height', '10'],
    ['y', '-15'],
    ['z', '8'],
  ])
    await value(`s6-${k}`, v);
  await verb('ring');
  for (const [k, v] of [
    ['round', '26'],
    ['thick', '4'],
    ['z', '20'],
  ])
    await value(`s7-${k}`, v);
  assert.deepEqual(await page.locator('.log .why b').allTextContents(), []);
  const before = await volume();
  const high = (await page.locator('.readouts dd').first().innerText()).split('×')[2];
  assert.match(high, /71\.00 mm/);
  // a taller foot carries the post and the ball
  await value('s1-height', '12');
  assert.match((await page.locator('.readouts dd').first().innerText()).split('×')[2], /75\.00 mm/);
  assert.ok((await volume()) > before);
  // lined up by keys
  await page.locator('main.stage').focus();
  await press('a');
  const panel = page.getByRole('region', { name: 'Line up' });
  await panel.waitFor();
  while (await panel.locator('[data-list] input:checked').count()) {
    await panel.locator('[data-list] input:checked').first().focus();
    await press('Space');
  }
  await panel.getByLabel('Wedge').focus();
  await press('Space');
  await panel.getByLabel('shape they are lined up with').selectOption({ label: 'Prism' });
  await edit(page, async () => {
    await panel.getByRole('button', { name: 'line up back' }).focus();
    await press('Enter');
  });
  assert.notEqual(await page.locator('#s6-y').inputValue(), '-15');
  sound(page);
});

test('blocks placed and drawn about with the pointer', async () => {
  await add(page, 'block');
  await type(page, 's1-width', '60');
  await add(page, 'block');
  await pick(page, 's2-stand', 'face');
  await shown(page);
  // the face it stands on is picked on the part
  await page.locator('#s2-on').focus();
  const at = (p) =>
    page.evaluate((q) => {
      const s = document.querySelector('main.stage');
      const r = s.getBoundingClientRect();
      const [x, y] = s.stage.flat()(q);
      return [r.left + x, r.top + y];
    }, p);
  const [x, y] = await at([25, 5, 10]);
  await page.mouse.move(x, y);
  await until(() => /Pick: top of Block/.test(document.querySelector('[data-pickhint]').textContent));
  await edit(page, () => page.mouse.click(x, y));
  assert.equal(await page.locator('#s2-on').inputValue(), 's1:top');
  await type(page, 's2-width', '10');
  await until(() => document.querySelector('main.stage')?.dataset.shows === 's2' && document.querySelector('.handle[data-handle=x]'));
  // moved along by its arrow, on a grid
  const [hx, hy] = await arrow(page, 'x');
  await page.mouse.move(hx, hy);
  await page.mouse.down();
  for (let i = 1; i <= 6; i++) await page.mouse.move(hx + 10 * i, hy + 6 * i);
  await edit(page, () => page.mouse.up());
  const moved = Number(await page.locator('#s2-x').inputValue());
  assert.ok(moved > 3 && Number.isInteger(moved * 10), `${moved}`);
  await until(() => /flush on Block/.test(document.querySelector('#step-s2 [data-lies]').textContent));
  sound(page);
});

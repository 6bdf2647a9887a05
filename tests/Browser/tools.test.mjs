// What the bench shows before a step is kept, and the tools of the stage: by pointer and by keyboard.
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
  page = await openWindow(browser);
  await openEmptyBench(page);
});

const stage = () => page.locator('main.stage');
const key = async (k) => {
  await stage().focus();
  await page.keyboard.press(k);
};
const until = (f, arg) => page.waitForFunction(f, arg);
const shows = (id) => until((s) => document.querySelector('main.stage')?.dataset.shows === s, id);
const projected = (p) =>
  page.evaluate((q) => {
    const s = document.querySelector('main.stage');
    const r = s.getBoundingClientRect();
    const [x, y] = s.stage.flat()(q);
    return [r.left + x, r.top + y];
  }, p);
const click = async (p, options = {}) => {
  const [x, y] = await projected(p);
  await page.mouse.move(x, y);
  await page.waitForTimeout(60);
  await page.mouse.click(x, y, options);
};

test('a step is tried out, shown, and kept or dropped by keys', async () => {
  await add(page, 'block');
  await shows('s1');
  await page.locator('[data-legend] [data-added]').waitFor({ state: 'visible' });
  assert.ok(await page.locator('[data-legend] [data-removed]').isHidden());
  await page.locator('#s1-width').focus();
  await page.keyboard.press('Enter');
  await page.locator('.trialbar').waitFor({ state: 'detached' });
  await page.locator('[data-legend]').waitFor({ state: 'hidden' });
  await add(page, 'cylinder');
  await pick(page, 's2-effect', 'cut');
  await until(() => !document.querySelector('[data-legend] [data-removed]').hidden);
  assert.ok(await page.locator('.trialbar').isVisible(), 'a value that changes does not settle the step');
  await page.locator('#s2-round').focus();
  await edit(page, () => page.keyboard.press('Escape'));
  assert.equal(await page.locator('li.step').count(), 1);
  sound(page);
});

test('sizes change by an arrow on the part, by keys and on a slider, and the part follows meanwhile', async () => {
  await add(page, 'block');
  await shows('s1');
  const [hx, hy] = await arrow(page, 'height');
  await page.mouse.move(hx, hy);
  await page.mouse.down();
  const scale = await page.evaluate(() => document.querySelector('main.stage').stage.scale());
  for (let k = 1; k <= 8; k++) await page.mouse.move(hx, hy - k * 8, { steps: 2 });
  await until(() => Number(document.querySelector('main.stage')?.dataset.tried ?? 0) > 0);
  const typed = Number(await page.locator('#s1-height').inputValue());
  // drawn along the upright axis as it is seen: cos 35.26 degrees of it
  assert.ok(Math.abs(typed - (10 + 64 / scale / Math.cos((35.2644 * Math.PI) / 180))) < 1.01, `${typed}`);
  await edit(page, () => page.mouse.up());
  assert.match(await page.locator('.readouts').innerText(), new RegExp(`× ${typed.toFixed(2)} mm`));
  // keys: one at a time, ten with Shift
  await page.locator('#s1-width').focus();
  await edit(page, async () => {
    for (const k of ['ArrowUp', 'ArrowUp', 'Shift+ArrowDown']) await page.keyboard.press(k);
  });
  assert.equal(await page.locator('#s1-width').inputValue(), '32');
  await shown(page);
  await page.locator('#s1-depth').focus();
  const slider = page.getByRole('slider', { name: 'depth, by slider' });
  await edit(page, async () => {
    await slider.focus();
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  });
  assert.equal(await page.locator('#s1-depth').inputValue(), '22');
  // what is worked out is not overwritten by a drag
  await type(page, 's1-height', '5*4');
  await shows('s1');
  await until(() => document.querySelector('.handle[data-handle=height]:not(.fixed)'));
  await edit(page, async () => {
    await page.locator('#sizes').evaluate((d) => {
      d.open = true;
    });
    await page.locator('#size-0-name').fill('tall');
    await page.keyboard.press('Tab');
  });
  await edit(page, async () => {
    await page.locator('#size-0-value').fill('20');
    await page.keyboard.press('Tab');
  });
  await type(page, 's1-height', 'tall');
  await shows('s1');
  await page.locator('#s1-height').focus();
  await until(() => document.querySelector('.handle.fixed[data-handle=height]'));
  sound(page);
});

test('measuring by pointer and from the list, kept in view while the part changes', async () => {
  await add(page, 'block');
  await shown(page);
  await key('m');
  await page.getByRole('region', { name: 'Measure' }).waitFor();
  await page.locator('[data-panel=measure] select').selectOption({ label: 'left of Block' });
  await page.locator('[data-panel=measure] select').selectOption({ label: 'right of Block' });
  await until(() => /distance\s*40\.00 mm/.test(document.querySelector('[data-read]').innerText));
  assert.ok((await page.locator('.measured').count()) > 0);
  await edit(page, () => page.locator('[data-pin]').click());
  assert.match(await page.locator('.pins').innerText(), /left of Block and right of Block[\s\S]*distance 40\.00 mm/);
  await page.locator('[data-clear]').click();
  // a corner on the stage is named before the click
  const [x, y] = await projected([20, -10, 10]);
  await page.mouse.move(x, y);
  await until(() => /Pick: corner of front, right and top of Block/.test(document.querySelector('[data-pickhint]').textContent));
  await page.mouse.click(x, y);
  await until(() => /above the ground\s*10\.00 mm/.test(document.querySelector('[data-read]').innerText));
  await key('Escape');
  await type(page, 's1-width', '50');
  assert.match(await page.locator('.pins').innerText(), /distance 50\.00 mm/);
  await edit(page, () => page.getByRole('button', { name: /Do not keep left of Block/ }).click());
  assert.equal(await page.locator('.pins').count(), 0);
  sound(page);
});

test('cutting open, painting, looking straight at a face, hiding a body, and what lies behind', async () => {
  await add(page, 'block');
  await add(page, 'block');
  await type(page, 's2-x', '60');
  await shown(page);
  await key('c');
  await page.locator('.cut-face').waitFor({ state: 'attached' });
  const half = await page.locator('.cut-face').getAttribute('d');
  await page.locator('[data-cut=value]').fill('4');
  await page.locator('[data-cut=value]').press('Tab');
  await until((d) => document.querySelector('.cut-face')?.getAttribute('d') !== d, half);
  await page.getByRole('button', { name: 'Other half' }).click();
  // seen from behind there is no cut face
  await page.locator('.cut-face').waitFor({ state: 'detached' });
  await page.getByRole('button', { name: 'Whole again' }).click();
  await key('p');
  await page.getByLabel('blue').check();
  await edit(page, () => click([0, 0, 10]));
  assert.equal(await page.evaluate(() => JSON.parse(document.getElementById('paint').textContent)['s1:top']), 'blue');
  await page.getByLabel('what is painted').selectOption('body');
  await edit(page, () => page.getByLabel('face to paint').selectOption({ label: 'top of Block 2' }));
  assert.equal(await page.evaluate(() => Object.values(JSON.parse(document.getElementById('paint').textContent)).length), 7);
  await key('p');
  await key('b');
  const triangles = () => page.evaluate(() => document.querySelector('main.stage').stage.state.part.triangles.face.length / 3);
  const all = await triangles();
  for (const what of ['s2', 'step s1']) {
    const box = page.locator(`[data-list] input[value="${what}"]`);
    await box.uncheck();
    await until((n) => document.querySelector('main.stage').stage.state.part.triangles.face.length / 3 < n, all);
    await box.check();
    await until((n) => document.querySelector('main.stage').stage.state.part.triangles.face.length / 3 === n, all);
  }
  await key('b');
  await key('l');
  await page.locator('[data-panel=straight] select').selectOption({ label: 'left of Block' });
  const { turn, tilt } = await page.evaluate(() => document.querySelector('main.stage').stage.state);
  assert.ok(Math.abs(Math.abs(turn) - 180) < 1e-6 && Math.abs(tilt) < 1e-6, `${turn} ${tilt}`);
  await key('Escape');
  // a list of what lies behind, by right click and keys
  await key('0');
  await key('m');
  await click([0, 0, 10], { button: 'right' });
  const menu = page.getByRole('menu');
  await menu.waitFor();
  const items = await menu.getByRole('menuitem').allInnerTexts();
  assert.equal(items[0], 'top of Block');
  assert.ok(items.length > 1 && items.some((t) => t.startsWith('back')), items.join());
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await until((t) => document.querySelector('[data-read] .of')?.textContent === t, items[1]);
  sound(page);
});

test('going back to a step, building from there, and seeing all of it step by step', async () => {
  await add(page, 'block');
  await add(page, 'cylinder');
  await add(page, 'ball');
  await page.locator('#s1-name').focus();
  await page.locator('#step-s1').getByRole('button', { name: 'Go back to here' }).click();
  await until(() => document.querySelectorAll('li.step.ahead').length === 2);
  assert.match(await page.locator('[data-replay-says]').innerText(), /after step 1 of 3: Block/);
  await add(page, 'cone');
  assert.deepEqual(await page.locator('li.step').evaluateAll((l) => l.map((s) => s.dataset.step)), ['s1', 's4', 's2', 's3']);
  await until(
    () =>
      document.querySelectorAll('li.step.ahead').length === 2 &&
      /after step 2 of 4: Cone/.test(document.querySelector('[data-replay-says]').textContent),
  );
  await page.getByLabel('pace').selectOption('quick');
  await page.getByRole('button', { name: 'Show all' }).click();
  assert.equal(await page.locator('li.step.ahead').count(), 0);
  await page.getByRole('button', { name: 'Step by step' }).click();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await until(() => document.querySelector('li.step.now')?.dataset.step === 's4');
  await until(() => /all 4 steps/.test(document.querySelector('[data-replay-says]').textContent));
  await until(() => document.querySelector('main.stage')?.dataset.part === document.getElementById('state').dataset.glb);
  sound(page);
});

test('remarks, headings that fold, and an order that keeps what rests on what', async () => {
  await add(page, 'block');
  await add(page, 'hole');
  await pick(page, 's2-where', 'face');
  await pick(page, 's2-face', 's1:top');
  await page.locator('#s2-name').focus();
  await edit(page, async () => {
    await page.locator('#s2-note').fill('for the mast');
    await page.keyboard.press('Tab');
  });
  await page.locator('#s2-name').focus();
  await edit(page, async () => {
    await page.locator('#s2-heading').fill('Holes');
    await page.keyboard.press('Tab');
  });
  assert.equal(await page.locator('#s2-note').inputValue(), 'for the mast');
  await page.getByRole('button', { name: 'Fold Holes' }).click();
  assert.ok(await page.locator('#step-s2').isHidden());
  await type(page, 's1-height', '12');
  assert.ok(await page.locator('#step-s2').isHidden(), 'it stays folded after an edit');
  await page.getByRole('button', { name: 'Fold Holes' }).click();
  await page.locator('#s2-name').focus();
  assert.ok(await page.locator('#step-s2').getByRole('button', { name: 'Earlier' }).isDisabled());
  assert.match(await page.locator('#step-s2 .rests').innerText(), /cannot go earlier: Block, right before it, carries it/);
  assert.ok(await page.locator('#step-s1').evaluate((s) => s.classList.contains('carrier')));
  // what a message offers is one press away
  await pick(page, 's2-extent', 'depth');
  await type(page, 's2-depth', '11.8');
  await pick(page, 's2-bottom', 'flat');
  assert.match(await page.locator('#s2-why').innerText(), /0\.2 mm is left/);
  await edit(page, () => page.getByRole('button', { name: 'Make it go through' }).click());
  assert.equal(await page.locator('#s2-extent').inputValue(), 'through');
  assert.equal(await page.locator('#step-s2 .why').count(), 0);
  assert.ok(
    Math.abs(Number((await readout(page, 'Volume')).replace(/[^\d.]/g, '').replace(/3$/, '')) - (40 * 20 * 12 - 6.25 * Math.PI * 12)) < 1,
  );
  sound(page);
});

test('a pointer at rest is told what it would pick, however late the words and the picture come', async () => {
  await add(page, 'block');
  await shown(page);
  const hint = page.getByText('Pick: top of Block');
  // the words of the part are on a slow line: the hand is there before the tool is ready
  await page.route('**/stage/words*', async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue().catch(() => {});
  });
  await type(page, 's1-height', '12');
  await shown(page);
  await page.locator('button[data-tool=ground]').click();
  await page.getByRole('region', { name: 'Ground', exact: true }).waitFor();
  await page.mouse.move(...(await projected([3, 3, 12])));
  await hint.waitFor({ timeout: 20000 });
  // a view that changes under the hand offers what lies there then: from below, the underside
  await page.keyboard.press('6');
  await page.getByText('Pick: bottom of Block').waitFor({ timeout: 20000 });
  await page.keyboard.press('0');
  await hint.waitFor({ timeout: 20000 });
  await edit(page, () => page.mouse.down().then(() => page.mouse.up()));
  await page.getByText('New shapes stand on top of Block.').waitFor();
  sound(page);
});

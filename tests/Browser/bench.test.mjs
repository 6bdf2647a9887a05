// The bench: edits, undo, two windows, views, the keyboard.
import assert from 'node:assert/strict';
import { after, before, beforeEach, test } from 'node:test';
import {
  BASE,
  CLASS,
  add,
  edit,
  openBrowser,
  openEmptyBench,
  openWindow,
  pick,
  readout,
  shown,
  signInStudent,
  sound,
  type,
  version,
  watch,
} from './support.mjs';

let browser;
let page;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());
let who;
let at;
beforeEach(async () => {
  await page?.context().close();
  page = await openWindow(browser);
  who = await openEmptyBench(page);
  at = page.url();
});

test('a part from a sketch: areas, extrusion up and down, cut, keep', async () => {
  await add(page, 'sketch');
  await edit(page, () => page.getByRole('button', { name: 'Add a rectangle' }).click());
  await type(page, 's1-shapes-a-width', '40');
  await type(page, 's1-shapes-a-height', '20');
  await edit(page, () => page.getByRole('button', { name: 'Add a circle' }).click());
  await pick(page, 's1-shapes-b-by', 'radius');
  await type(page, 's1-shapes-b-round', '5');
  await page.getByText('2 regions').waitFor();
  await add(page, 'extrude');
  await type(page, 's2-distance', '10');
  assert.match(await readout(page, 'Volume'), /8\s?000 mm³/);
  await type(page, 's2-regions', '1');
  assert.match(await readout(page, 'Volume'), /7\s?215 mm³/);
  await pick(page, 's2-direction', 'down');
  await pick(page, 's1-plane', 'front');
  assert.equal(await readout(page, 'Overall'), '40.00 × 10.00 × 20.00 mm');
  await type(page, 's2-regions', '7');
  await page.getByText('There is no region 7.').waitFor();
  await type(page, 's2-regions', 'all');
  await page.getByText('There is no region 7.').waitFor({ state: 'detached' });
  sound(page);
});

test('a step that does not work says so, keeps what was typed and shows the last good part', async () => {
  await add(page, 'block');
  await add(page, 'ball');
  await shown(page);
  await type(page, 's2-round', '12..5');
  await page.getByText('more than one decimal point').waitFor();
  assert.equal(await page.locator('#s2-round').inputValue(), '12..5');
  assert.equal(await page.locator('#s2-round').getAttribute('aria-invalid'), 'true');
  assert.equal(await readout(page, 'Overall'), '40.00 × 20.00 × 10.00 mm');
  await pick(page, 's2-effect', 'cut');
  await type(page, 's2-round', '10');
  await type(page, 's2-x', '200');
  await page.getByText('This cut touches nothing.').waitFor();
  sound(page);
});

test('undo and redo by keyboard, across a new sign-in', async () => {
  await add(page, 'block');
  await type(page, 's1-width', '55');
  await page.locator('.stage').focus();
  await edit(page, () => page.keyboard.press('Control+z'));
  assert.equal(await page.locator('#s1-width').inputValue(), '40');
  await page.goto(`${BASE}/`);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await signInStudent(page, CLASS, who);
  await page.goto(at);
  await page.locator('.stage').focus();
  await edit(page, () => page.keyboard.press('Control+Shift+z'));
  assert.equal(await page.locator('#s1-width').inputValue(), '55');
  sound(page);
});

test('quick edits one after the other all arrive', async () => {
  await add(page, 'block');
  const v = await version(page);
  // without waiting for the answers
  await page.locator('#s1-width').fill('61');
  await page.locator('#s1-depth').fill('31');
  await page.locator('#s1-height').fill('11');
  await page.locator('#s1-x').fill('5');
  await page.locator('#s1-x').press('Tab');
  await page.waitForFunction((n) => Number(document.getElementById('state').dataset.version) >= n + 4, v);
  assert.equal(await readout(page, 'Overall'), '61.00 × 31.00 × 11.00 mm');
  assert.equal(await page.locator('#s1-x').inputValue(), '5');
  sound(page);
});

test('the focus stays where the hand is', async () => {
  await add(page, 'block');
  assert.equal(await page.evaluate(() => document.activeElement.id), 's1-width', 'a new step is ready to be typed into');
  await edit(page, async () => {
    await page.keyboard.type('44');
    await page.keyboard.press('Tab');
  });
  assert.equal(await page.evaluate(() => document.activeElement.id), 's1-depth');
  await edit(page, async () => {
    await page.keyboard.type('33');
    await page.keyboard.press('Enter');
  });
  assert.equal(await page.evaluate(() => document.activeElement.id), 's1-depth');
  sound(page);
});

test('what is being typed survives the answer to the edit before it', async () => {
  await add(page, 'block');
  await page.locator('#s1-width').fill('48');
  await page.locator('#s1-width').press('Tab');
  await page.keyboard.type('2', { delay: 5 });
  await page.keyboard.type('7.5', { delay: 60 });
  await page.keyboard.press('Tab');
  // two answers come, and either may be slow
  await page.locator('.readouts').getByText('48.00 × 27.50 × 10.00 mm').waitFor();
  assert.equal(await page.locator('#s1-depth').inputValue(), '27.5');
  sound(page);
});

test('two windows: the later one is told, nothing is overwritten', async () => {
  await add(page, 'block');
  const second = await page.context().newPage();
  watch(second);
  await second.goto(at);
  await type(page, 's1-width', '50');
  await second.locator('#s1-width').fill('77');
  await second.locator('#s1-width').press('Tab');
  await second.getByText('changed in another window').waitFor();
  await second.getByText('77').first().waitFor();
  await second.getByRole('button', { name: 'Show the newest state' }).click();
  await second.waitForFunction(() => document.querySelector('#s1-width')?.value === '50');
  // what was typed here can be put in all the same
  await edit(second, () => second.getByRole('button', { name: 'Put it in here' }).click());
  assert.equal(await second.locator('#s1-width').inputValue(), '77');
  sound(page);
  sound(second);
});

test('a part by keyboard alone: from the area of verbs to the check and the hand-in', async () => {
  const key = page.keyboard;
  const focused = () =>
    page.evaluate(() => (document.activeElement.getAttribute('aria-label') || document.activeElement.innerText || '').trim());
  const walk = async (press, wanted) => {
    for (let i = 0; i < 60 && !(await focused()).startsWith(wanted); i++) await key.press(press);
    assert.ok((await focused()).startsWith(wanted), `${wanted} is reached by ${press}`);
  };
  await page.locator('.stage').focus();
  await key.press('F6');
  assert.equal(await focused(), 'block', 'an empty log is passed over');
  await edit(page, () => key.press('Enter'));
  await page.waitForFunction(() => document.activeElement.id === 's1-width' || document.activeElement.id.endsWith('-width'));
  await edit(page, async () => {
    await key.type('60');
    await key.press('Tab');
  });
  await edit(page, async () => {
    await key.type('40');
    await key.press('Tab');
  });
  await edit(page, async () => {
    await key.type('24');
    await key.press('Tab');
  });
  assert.equal(await readout(page, 'Overall'), '60.00 × 40.00 × 24.00 mm');
  await key.press('Control+Enter');
  await page.locator('#req-size-x').getByText('Met', { exact: true }).waitFor();
  await key.press('F6');
  await key.press('F6');
  assert.match(await focused(), /Show it large/);
  await walk('Shift+Tab', 'Hand in');
  await key.press('Enter');
  assert.match(await focused(), /Hand it in now/);
  await key.press('Enter');
  await page.getByText('Waiting for a word').waitFor();
  sound(page);
});

test('views by pointer and by keyboard', async () => {
  await add(page, 'block');
  await shown(page);
  const pressed = () => page.locator('.look [aria-pressed=true]').innerText();
  await page.locator('.stage').focus();
  for (const [key, name] of [
    ['1', 'front'],
    ['2', 'top'],
    ['3', 'right'],
    ['0', 'isometric'],
  ]) {
    await page.keyboard.press(key);
    assert.match(await pressed(), new RegExp(name));
  }
  await page.getByRole('button', { name: /^top/ }).click();
  assert.match(await pressed(), /top/);
  const drawn = () => page.locator('.stage').getAttribute('data-drawn').then(Number);
  const before = await drawn();
  const box = await page.locator('.stage').boundingBox();
  await page.mouse.move(box.x + 300, box.y + 300);
  await page.mouse.down();
  await page.mouse.move(box.x + 360, box.y + 340, { steps: 5 });
  await page.mouse.up();
  await page.mouse.wheel(0, -200);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('f');
  await page.waitForFunction((n) => Number(document.querySelector('.stage')?.dataset.drawn) > n, before);
  assert.equal(await page.locator('.look [aria-pressed=true]').count(), 0, 'turned freely, no view is the chosen one');
  sound(page);
});

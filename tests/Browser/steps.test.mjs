// Every kind of step on the bench: by pointer, and from lists with the keyboard alone.
import assert from 'node:assert/strict';
import { after, before, beforeEach, test } from 'node:test';
import { add, edit, openBrowser, openEmptyBench, openWindow, pick, readout, shown, sound, type } from './support.mjs';

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
const near = async (v, within = 1) => assert.ok(Math.abs((await volume()) - v) <= within, `${await volume()} is not ${v}`);
const why = () => page.locator('.log .why').allTextContents();

/** Moves over the stage until what is offered there fits, and clicks. */
async function pickOnStage(words) {
  await shown(page);
  const c = await page.locator('.stage canvas').boundingBox();
  for (let y = c.y + 120; y < c.y + c.height - 50; y += 6) {
    for (let x = c.x + 100; x < c.x + c.width - 100; x += 22) {
      await page.mouse.move(x, y);
      if (words.test(await page.locator('[data-pickhint]').evaluate((e) => (e.hidden ? '' : e.textContent))))
        return edit(page, () => page.mouse.click(x, y));
    }
  }
  throw new Error(`nothing on the stage is ${words}`);
}

test('a drilled plate: holes, a repeat, rounds and chamfers picked on the stage', async () => {
  await add(page, 'block');
  await type(page, 's1-width', '60');
  await type(page, 's1-depth', '40');
  await add(page, 'hole');
  await pick(page, 's2-where', 'face');
  await pickOnStage(/Pick: top of Block/);
  await type(page, 's2-u', '15');
  await type(page, 's2-round', '6');
  await near(24000 - 90 * Math.PI);
  await pick(page, 's2-by', 'screw');
  await pick(page, 's2-screw', 'M5');
  await pick(page, 's2-head', 'bore');
  await type(page, 's2-wide', '10');
  await type(page, 's2-deep', '5.5');
  const hole = Math.PI * (2.75 ** 2 * 4.5 + 25 * 5.5);
  await near(24000 - hole);
  await add(page, 'repeat');
  await pick(page, 's3-of', 'step');
  await type(page, 's3-count', '2');
  await type(page, 's3-x', '-30');
  await near(24000 - 2 * hole);
  await add(page, 'round');
  assert.match((await why()).join(), /No edge is picked/);
  await pickOnStage(/front and top of Block|top and front of Block/);
  await type(page, 's4-radius', '3');
  await near(24000 - 2 * hole - (9 - 2.25 * Math.PI) * 60);
  // a second click takes it out again; by the list with the keyboard it comes back
  const box = page.locator('input[data-pick=edges]').first();
  await edit(page, async () => {
    await box.focus();
    await page.keyboard.press('Space');
  });
  await near(24000 - 2 * hole);
  await pick(page, 's4-edges', 's1:front / s1:top');
  await near(24000 - 2 * hole - (9 - 2.25 * Math.PI) * 60);
  // intent: the plate gets thicker, the holes still go through
  await type(page, 's1-height', '14');
  await near(33600 - 2 * (hole + Math.PI * 2.75 ** 2 * 4) - (9 - 2.25 * Math.PI) * 60);
  assert.deepEqual(await why(), []);
  sound(page);
});

test('a turned cup: revolved, hollowed, mirrored, scaled; what cannot be is said at its place', async () => {
  await add(page, 'sketch');
  await pick(page, 's1-plane', 'front');
  await page.getByRole('link', { name: 'Open it on the pad' }).click();
  await page.locator('#pad svg [transform]').first().waitFor({ state: 'attached' });
  for (const line of ['rectangle 15 by 30 corner at 0, 0']) {
    await page.locator('#pad-text').fill(line);
    const [r] = await Promise.all([
      page.waitForResponse((x) => x.url().includes('/pad/') && x.request().method() === 'POST'),
      page.locator('#pad-text').press('Enter'),
    ]);
    assert.equal(r.status(), 200);
  }
  await page.locator('#finish').click();
  await page.locator('#state').waitFor({ state: 'attached' });
  await add(page, 'revolve');
  await near(Math.PI * 225 * 30);
  await type(page, 's2-axis', 'l9');
  assert.match((await why()).join(), /no straight line called “l9”/);
  await type(page, 's2-axis', 'v-axis');
  await add(page, 'hollow');
  await pick(
    page,
    's3-faces',
    await page.locator('#s3-faces option').evaluateAll((l) => l.find((o) => /^side l3 of/.test(o.textContent))?.value),
  );
  await near(Math.PI * (225 * 30 - 169 * 28));
  await type(page, 's3-wall', '20');
  assert.match((await why()).join(), /Up to [\d.]+ mm works/);
  await type(page, 's3-wall', '2');
  await add(page, 'mirror');
  await pick(page, 's4-plane', 'side');
  await type(page, 's4-offset', '40');
  await near(2 * Math.PI * (225 * 30 - 169 * 28));
  assert.equal(await readout(page, 'Pieces'), '2');
  await add(page, 'scale');
  await type(page, 's5-factor', '1/2');
  await near((Math.PI / 4) * (225 * 30 - 169 * 28));
  sound(page);
});

test('named sizes feed values, follow a rename, and say what cannot be read', async () => {
  await page.locator('#sizes summary').click();
  const put = (id, text) =>
    edit(page, async () => {
      await page.locator(`#${id}`).fill(text);
      await page.keyboard.press('Tab');
    });
  await put('size-0-name', 'wall');
  assert.match((await why()).join() + (await page.locator('#sizes .why').allTextContents()).join(), /Nothing is typed here yet/);
  await put('size-0-value', '5/2');
  await put('size-1-name', 'width');
  await put('size-1-value', '20*wall');
  await add(page, 'block');
  await type(page, 's1-width', 'width');
  await type(page, 's1-height', 'width - 10*wall');
  await near(50 * 20 * 25);
  await put('size-0-value', '2');
  await near(40 * 20 * 20);
  await put('size-0-name', 'thick');
  assert.equal(await page.locator('#s1-height').inputValue(), 'width - 10*thick');
  assert.equal(await page.locator('#size-1-value').inputValue(), '20*thick');
  await near(40 * 20 * 20);
  await put('size-1-value', 'thick * height');
  assert.match((await page.locator('#sizes .why').allTextContents()).join(), /nothing here has that name/);
  sound(page);
});

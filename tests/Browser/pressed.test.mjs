// What is pressed is pressed: nothing moves under the pointer, Enter keeps, sentences stand ready, frames stay.
import assert from 'node:assert/strict';
import { after, afterEach, before, beforeEach, test } from 'node:test';
import { BASE, add, edit, openBrowser, openEmptyBench, openWindow, pick, sound, signInTeacher, version } from './support.mjs';

let browser;
let page;
before(async () => {
  browser = await openBrowser();
});
after(async () => {
  await browser.close();
});
beforeEach(async () => {
  page = await openWindow(browser);
});
afterEach(async () => {
  await page.context().close();
});

const DOOR = '**/recipes/*/edit';

/** Presses the middle of something as a hand does: down, a little later up, wherever that is by then. */
async function press(target) {
  await target.scrollIntoViewIfNeeded();
  const box = await target.boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.waitForTimeout(180);
  await page.mouse.up();
}

test('the tools of a step are pressed at once while another one is open, also when an answer comes in between', async () => {
  await openEmptyBench(page);
  await add(page, 'block');
  await add(page, 'cylinder');
  await page.locator('[data-keep]').click();
  for (const slow of [0, 90]) {
    await page.unroute(DOOR);
    await page.route(DOOR, async (route) => {
      await new Promise((r) => {
        setTimeout(r, slow);
      });
      await route.continue();
    });
    for (let i = 0; i < 4; i++) {
      // a value of the first step is typed and not left yet
      await page.locator('#s1-width').fill(String(30 + i + slow));
      const before = await page.locator('#step-s2').getAttribute('class');
      await page.locator('#step-s2').hover();
      await press(page.locator('#step-s2').getByRole('button', { name: /Switch (off|on)/ }));
      await page.waitForFunction(
        (was) => document.getElementById('step-s2').classList.contains('is-off') !== was,
        before.includes('is-off'),
      );
      await page.waitForFunction(() => document.getElementById('saved').textContent === 'all');
      assert.equal(await page.locator('#s1-width').inputValue(), String(30 + i + slow));
    }
  }
  sound(page);
});

test('Enter keeps a step that is tried out, also on a choice', async () => {
  await openEmptyBench(page);
  await add(page, 'cylinder');
  await page.locator('#step-s1.trial').waitFor();
  await page.locator('#s1-by').focus();
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => !document.querySelector('#step-s1.trial'));
  await add(page, 'block');
  await page.locator('#step-s2.trial').waitFor();
  await page.locator('#s2-note').focus();
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => !document.querySelector('#step-s2.trial'));
  sound(page);
});

test('a circle touching two lines stands ready as a sentence with its number picked; undo stays in the sketch', async () => {
  await openEmptyBench(page);
  await add(page, 'block');
  await add(page, 'sketch');
  await page.getByRole('link', { name: 'Open it on the pad' }).click();
  const type = async (text) => {
    const before = await page.evaluate(() => document.querySelectorAll('#pad-list li').length);
    await page.locator('#pad-text').fill(text);
    await page.keyboard.press('Enter');
    await page.waitForFunction((n) => document.querySelectorAll('#pad-list li').length > n, before);
  };
  // the bench has a button of that name too: the pad must be there first
  await page.locator('#pad-text').waitFor();
  await page.waitForFunction(() => document.getElementById('undo').disabled, null, { timeout: 10000 });
  await type('line from origin to 40, 0');
  await type('line from origin to 0, 40');
  await page.locator('[data-tool=circle]').click();
  await page.getByRole('button', { name: 'touching two things' }).click();
  for (const [id, share] of [
    ['l1', 0.7],
    ['l2', 0.3],
  ]) {
    // on the line, away from its ends and from its size
    const at = await page.evaluate(
      ([line, at]) => {
        const p = document.querySelector(`svg.paper [data-line="${line}"]`);
        const m = p.getScreenCTM();
        const q = p.getPointAtLength(p.getTotalLength() * at).matrixTransform(m);
        return [q.x, q.y];
      },
      [id, share],
    );
    await page.mouse.click(...at);
  }
  await page.waitForFunction(() => document.activeElement.id === 'pad-text');
  const [value, from, to] = await page.locator('#pad-text').evaluate((i) => [i.value, i.selectionStart, i.selectionEnd]);
  assert.match(value, /^circle radius 5 touching l[12] l[12]$/);
  assert.equal(value.slice(from, to), '5');
  // undo goes back to the empty sketch and no further
  await page.locator('main.stage').focus();
  for (let i = 0; i < 6 && (await page.locator('#undo').isEnabled()); i++) {
    const answered = page.waitForResponse((r) => (r.request().postData() ?? '').includes('"undo"'));
    await page.locator('#undo').click();
    await (await answered).finished();
    // only then the page knows whether there is more to take back
    await page.waitForFunction(() => document.querySelector('[data-saved]')?.dataset.saved === 'all');
  }
  assert.equal(await page.locator('#pad-list li').count(), 0);
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await page.locator('#step-s1').waitFor();
  await page.locator('#step-s2').waitFor();
  sound(page);
});

test('“Overrule” scrolls the rows, not the frame', async () => {
  const low = await openWindow(browser, { height: 560 });
  await signInTeacher(low);
  await low.locator('a[href*="/assignments/"]').first().click();
  await low.locator('a[href*="/hand-ins/"], a[href*="/works/"]').first().click();
  await low.locator('a[href*="overrule="]').last().click();
  await low.locator('input[name=reason]').waitFor();
  assert.deepEqual(
    await low.evaluate(() => [document.scrollingElement.scrollTop, document.querySelector('.strip').getBoundingClientRect().top]),
    [0, 0],
  );
  sound(low);
  await low.context().close();
});

test('a form that was changed asks before it is left, and gives nothing away unsaved', async () => {
  await signInTeacher(page);
  await page.locator('.tbl a[href*="/exercises/"]').first().click();
  await page.locator('form[data-keeps]').waitFor({ state: 'attached' });
  const brief = page.getByLabel('Brief');
  await brief.fill('For the herb bed, in larch.');
  assert.match(await page.locator('#kept').innerText(), /not saved/);
  let asked = '';
  page.once('dialog', (d) => {
    asked = d.type();
    d.dismiss();
  });
  await page.evaluate(() => {
    location.href = '/';
  });
  await page.waitForTimeout(400);
  assert.equal(asked, 'beforeunload');
  assert.equal(await brief.inputValue(), 'For the herb bed, in larch.');
  sound(page);
});

// What is typed stays typed: with slow answers, lost ones and answers that come twice, over a reload, in lists.
import assert from 'node:assert/strict';
import { after, afterEach, before, beforeEach, test } from 'node:test';
import { BASE, add, edit, openBrowser, openEmptyBench, openWindow, pick, sound, type, version } from './support.mjs';

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
  await openEmptyBench(page);
});
afterEach(async () => {
  await page.context().close();
});

const DOOR = '**/recipes/*/edit';
const acknowledged = () => page.waitForFunction(() => document.getElementById('saved').textContent === 'all', null);
const value = (id) => page.locator(`#${id}`).inputValue();
const put = async (id, text) => {
  await page.locator(`#${id}`).fill(text);
  await page.keyboard.press('Tab');
};
/** What the server has, seen by another page of the same person. */
const stored = async (...ids) => {
  const other = await page.context().newPage();
  await other.goto(page.url());
  await other.locator('#s1-width').waitFor();
  const out = [];
  for (const id of ids) out.push(await other.locator(`#${id}`).inputValue());
  await other.close();
  return out;
};
// what the browser itself says of a request that was cut off is no fault of the page
const quiet = () => {
  page.faults = page.faults.filter((f) => !/Failed to load resource|net::ERR/.test(f));
  sound(page);
};

test('answers that take 2.5 seconds turn nothing back, and show what is asked and what is kept', async () => {
  await add(page, 'block');
  await page.route(DOOR, async (route) => {
    await new Promise((r) => {
      setTimeout(r, 2500);
    });
    await route.continue();
  });
  for (const z of ['21', '22', '23']) await put('s1-z', z);
  assert.equal(await page.locator('#s1-z').getAttribute('data-is'), 'asked');
  assert.match(await page.locator('#saved').innerText(), /saving/);
  await put('s1-x', '1');
  await acknowledged();
  assert.deepEqual([await value('s1-z'), await value('s1-x')], ['23', '1']);
  assert.deepEqual(await stored('s1-z', 's1-x'), ['23', '1']);
  sound(page);
});

test('after a 504 the page asks what arrived, and speaks of no other window', async () => {
  await add(page, 'block');
  let cut = 2;
  await page.route(DOOR, async (route) => {
    // the server has done it, but its answer is lost on the way
    const response = await route.fetch();
    if (cut-- > 0) await route.fulfill({ status: 504, body: 'no answer in time' });
    else await route.fulfill({ response });
  });
  await put('s1-width', '51');
  await page.locator('#trouble').filter({ hasText: 'Cubo asks what arrived' }).waitFor();
  await put('s1-depth', '52');
  await put('s1-height', '53');
  await acknowledged();
  assert.equal(await page.getByText('changed in another window').count(), 0);
  assert.deepEqual(await stored('s1-width', 's1-depth', 's1-height'), ['51', '52', '53']);
  quiet();
});

test('a lost connection is waited for, and the rest is sent by itself', async () => {
  await add(page, 'block');
  await page.context().setOffline(true);
  // the browser's network hears of it by a way of its own; on a busy machine a request may still slip through before
  await page.waitForFunction(
    () =>
      fetch('/up', { cache: 'no-store' }).then(
        () => false,
        () => true,
      ),
    null,
    { polling: 50 },
  );
  await put('s1-width', '61');
  await put('s1-height', '63');
  await page.locator('#trouble').filter({ hasText: 'No answer from the server' }).waitFor();
  await page.locator('#saved').filter({ hasText: '2 not sent yet' }).waitFor();
  await page.context().setOffline(false);
  await acknowledged();
  assert.equal(await page.locator('#trouble').isVisible(), false);
  assert.deepEqual(await stored('s1-width', 's1-height'), ['61', '63']);
  quiet();
});

test('what was not acknowledged survives a reload', async () => {
  await add(page, 'block');
  await page.route(DOOR, (route) => route.abort());
  await put('s1-width', '71');
  await put('s1-depth', '72');
  await page.reload();
  await page.unroute(DOOR);
  await acknowledged();
  await page.waitForFunction(() => document.querySelector('#s1-depth')?.value === '72');
  assert.deepEqual(await stored('s1-width', 's1-depth'), ['71', '72']);
  quiet();
});

test('one of three edges is taken out, and the others stay, however slow the answers', async () => {
  await add(page, 'block');
  await add(page, 'round');
  await page.locator('[data-keep]').click();
  for (const edge of ['s1:front / s1:top', 's1:back / s1:top', 's1:left / s1:top']) await pick(page, 's2-edges', edge);
  await page.route(DOOR, async (route) => {
    await new Promise((r) => {
      setTimeout(r, 700);
    });
    await route.continue();
  });
  const boxes = page.locator('#step-s2 input[data-pick=edges]:checked');
  const names = await boxes.evaluateAll((all) => all.map((b) => b.value));
  assert.equal(names.length, 3);
  await boxes.first().uncheck();
  await put('s2-radius', '3');
  await acknowledged();
  assert.deepEqual(await boxes.evaluateAll((all) => all.map((b) => b.value)), names.slice(1));
  sound(page);
});

test('what cannot be done is told, what was typed stays, and undo says what it took back', async () => {
  await add(page, 'block');
  await put('s1-width', 'no size at all');
  await page.locator('#step-s1 .why').first().waitFor();
  assert.equal(await value('s1-width'), 'no size at all');
  await edit(page, () => page.locator('#undo').click());
  await page.getByText('Taken back. The width of Block is “40” again, not “no size at all”.').waitFor();
  assert.equal(await value('s1-width'), '40');
  sound(page);
});

for (const seed of [3, 7]) {
  test(`a storm of edits while answers are held back, dropped and sent twice, seed ${seed}`, async () => {
    let s = seed;
    const random = () => {
      s = (s * 1103515245 + 12345) % 2147483648;
      return s / 2147483648;
    };
    await add(page, 'block');
    await page.route(DOOR, async (route) => {
      const r = random();
      try {
        if (r < 0.15) {
          await route.abort();
          return;
        }
        if (r < 0.3) {
          await route.fetch();
          await route.abort();
          return;
        }
        if (r < 0.4) {
          await route.fetch();
          await route.fulfill({ status: 502, body: '' });
          return;
        }
        if (r < 0.55) {
          await route.fetch();
          await route.fulfill({ response: await route.fetch() });
          return;
        }
        await new Promise((done) => {
          setTimeout(done, 400 * random());
        });
        await route.continue();
      } catch {
        /* the page has given this one up */
      }
    });
    const last = {};
    for (let k = 0; k < 20; k++) {
      const id = ['s1-width', 's1-depth', 's1-height', 's1-x', 's1-y'][Math.floor(5 * random())];
      last[id] = String(10 + k);
      await put(id, last[id]);
    }
    await acknowledged();
    await page.unroute(DOOR);
    for (const [id, text] of Object.entries(last)) assert.equal(await value(id), text, id);
    assert.deepEqual(await stored(...Object.keys(last)), Object.values(last));
    assert.equal(await page.getByText('changed in another window').count(), 0);
    quiet();
  });
}

// The pad: drawing with the pointer and by keyboard, settling, sizing, areas.
import assert from 'node:assert/strict';
import { after, before, beforeEach, test } from 'node:test';
import { add, emptyBench, openBrowser, openEmptyBench, openWindow, pick as choose, sound, type as typeValue } from './support.mjs';

let browser;
let page;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

// Every test begins with an empty sketch.
beforeEach(async () => {
  await page?.context().close();
  page = await openWindow(browser);
  await openEmptyBench(page);
  await add(page, 'sketch');
  await page.getByRole('link', { name: 'Open it on the pad' }).click();
  await page.locator('#pad svg [transform]').first().waitFor({ state: 'attached' });
});

/** Does something and waits for the server's answer. */
async function answered(act) {
  const [r] = await Promise.all([
    page.waitForResponse(
      (x) => x.url().includes('/pad/') && x.request().method() === 'POST' && !(x.request().postData() ?? '').includes('"keep":false'),
    ),
    act(),
  ]);
  await r.finished();
  await page.waitForTimeout(60);
  return r.status();
}
const place = async (u, v) => {
  const m = (await page.locator('#pad svg g[transform^=matrix]').first().getAttribute('transform')).match(/-?[\d.e]+/g).map(Number);
  const box = await page.locator('#pad svg').boundingBox();
  return [box.x + m[4] + m[0] * u, box.y + m[5] + m[3] * v];
};
const tool = (name) => page.locator(`[data-tool="${name}"]`).click();
const click = async (u, v, options) => {
  const [x, y] = await place(u, v);
  await page.mouse.move(x - 3, y - 2);
  await page.mouse.move(x, y);
  await page.mouse.click(x, y, options);
};
const relate = (name) => answered(() => page.locator(`[data-relate="${name}"]`).click());
const pick = async (...ids) => {
  for (const id of ids) await page.locator(`[data-pick="${id}"]`).first().click();
};
const type = async (text) => {
  await page.locator('#pad-text').fill(text);
  return answered(() => page.locator('#pad-text').press('Enter'));
};
const free = () => page.locator('#pad-free').evaluate((e) => [...e.children].map((x) => x.textContent).join(' '));
const said = () => page.locator('#pad-said').textContent();
const unpick = async () => {
  await page.locator('#pad').focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
};
const areas = () => page.evaluate(() => [...document.querySelectorAll('#pad [data-region]')].length);
async function area(u, v) {
  const [x, y] = await place(u, v);
  await page.mouse.move(x - 5, y - 5);
  await page.mouse.move(x, y);
  return (await page.locator('#pad-slip').textContent()).replace(/^Region \d+ under the pointer, /, '');
}
/** Sizes what is picked. */
async function size(value, ...ids) {
  await unpick();
  await pick(...ids);
  await answered(() => page.locator('button[data-size]').click());
  await page.locator('#pad-value input').fill(value);
  return answered(() => page.locator('#pad-value input').press('Enter'));
}

test('an L outline is drawn, settled and sized', async () => {
  await tool('line');
  for (const [i, [u, v]] of [
    [0, 0],
    [10, 0.1],
    [9.9, 3],
    [3, 3.1],
    [3, 8],
    [0, 8],
  ].entries()) {
    if (i < 2) {
      await (i === 0 ? click(u, v) : answered(() => click(u, v)));
    } else await answered(() => click(u, v));
  }
  await answered(() => click(0, 0));
  assert.equal(await areas(), 1);
  await unpick();
  assert.match(await page.locator('#pad-list').textContent(), /Line l6 from p5 to origin/);
  assert.equal(await size('40', 'l1'), 200);
  await size('12', 'l2');
  await size('30', 'l6');
  await size('10', 'l5');
  assert.equal(await free(), 'Nothing is loose.');
  await page.locator('#pad').press('f');
  assert.equal(await area(5, 5), '660.0 mm²');
  sound(page);
});

test('a slot is made in three ways with the same area', async () => {
  await tool('slot');
  await click(-5, 0);
  await click(5, 0);
  await answered(() => click(0, 2));
  await unpick();
  await size('20', 'p1', 'p2');
  await size('6', 'a1');
  await page.locator('#pad').press('f');
  const first = await area(0, 1);
  await answered(() => page.locator('#undo').click());
  for (let i = 0; i < 12 && (await areas()) > 0; i++) await answered(() => page.locator('#undo').click());
  // two circles and the lines that touch both
  await type('circle radius 6 at -10, 0');
  await type('circle radius 6 at 10, 0');
  await type('line from -10, 6 to 10, 6');
  await type('line from -10, -6 to 10, -6');
  await page.locator('#pad').focus();
  await page.keyboard.press('f');
  const sum = async () => page.evaluate(() => [...document.querySelectorAll('#pad [data-region]')].length);
  assert.equal(await sum(), 3);
  const middle = parseFloat(await area(0, 0));
  const left = parseFloat(await area(-11, 0));
  assert.equal(first, '353.1 mm²');
  assert.ok(Math.abs(middle + 2 * left - 353.097) < 0.2, `${middle} ${left}`);
  // a rectangle and the rounds at its ends
  await type('remove l1 l2');
  await type('rectangle 20 by 12');
  assert.equal(await sum(), 5);
  const core = parseFloat(await area(0, 0));
  const half = parseFloat(await area(-13, 0));
  assert.ok(Math.abs(core + 4 * half - 353.097) < 0.4, `${core} ${half}`);
  sound(page);
});

test('four holes are made of one by mirroring', async () => {
  await type('rectangle 80 by 48');
  await type('circle diameter 4.2 at 32, 16');
  await page.locator('#pad').focus();
  await page.keyboard.press('f');
  await tool('circle');
  for (const [u, v] of [
    [-30, 14],
    [-31, -15],
    [29, -15],
  ]) {
    await click(u, v, {});
    await answered(() => click(u + 3, v + 1));
  }
  await unpick();
  for (const [a, b, axis] of [
    ['c1', 'c2', 'v-axis'],
    ['c1', 'c4', 'u-axis'],
    ['c2', 'c3', 'u-axis'],
  ]) {
    assert.equal(await type(`symmetric ${a} ${b} ${axis}`), 200);
  }
  assert.equal(await free(), 'Nothing is loose.');
  assert.equal(await areas(), 5);
  await page.locator('#pad').focus();
  await page.keyboard.press('f');
  assert.equal(await area(-31.2, -16.6), '13.9 mm²');
  sound(page);
});

test('a rough quadrilateral is made exact until nothing is loose', async () => {
  await tool('line');
  const corners = [
    [-6, -4],
    [7, -5],
    [6, 5],
    [-5, 4],
  ];
  await click(...corners[0], {});
  for (const c of corners.slice(1)) await answered(() => click(...c));
  await answered(() => click(...corners[0]));
  await unpick();
  assert.match(await free(), /ways left to move/);
  await pick('l1', 'l3');
  await relate('horizontal');
  await unpick();
  await pick('l2', 'l4');
  await relate('vertical');
  await unpick();
  await size('50', 'l1');
  await size('20', 'l2');
  await unpick();
  await pick('p1', 'origin');
  await relate('coincident');
  assert.equal(await free(), 'Nothing is loose.');
  await page.locator('#pad').focus();
  await page.keyboard.press('f');
  assert.equal(await area(10, 5), '1000.0 mm²');
  sound(page);
});

test('a contradiction is refused and named, and nothing is lost', async () => {
  await type('rectangle 60 by 40');
  await unpick();
  await pick('l1', 'l3');
  await answered(() => page.locator('button[data-size]').click());
  // the distance adds nothing as long as it says what is so
  assert.match(await page.locator('#pad-list').textContent(), /adds nothing/);
  await page.locator('#pad-value input').fill('45');
  assert.equal(await answered(() => page.locator('#pad-value input').press('Enter')), 422);
  assert.match(await said(), /These contradict each other: .*d3.*Nothing was changed/s);
  assert.ok((await page.locator('.rel.clash').count()) >= 2);
  assert.equal(await free(), 'Nothing is loose.');
  sound(page);
});

test('an open outline is found and closed', async () => {
  await tool('line');
  await click(-6, -4);
  for (const c of [
    [6, -4],
    [6, 5],
  ])
    await answered(() => click(...c));
  // Alt lets the end lie beside what it would catch
  const [x, y] = await place(-5.6, -3.7);
  await page.keyboard.down('Alt');
  await page.mouse.move(x, y);
  await answered(() => page.mouse.click(x, y));
  await page.keyboard.up('Alt');
  await unpick();
  assert.equal(await areas(), 0);
  await page.locator('#pad .gap').waitFor();
  assert.match(await page.locator('#pad .gap').textContent(), /open by 0\.[45]\d/);
  await answered(() => page.locator('[data-close]').first().click());
  assert.equal(await areas(), 1);
  sound(page);
});

test('drawn in one go, trimmed where it is crossed, rounded in the line', async () => {
  await tool('rectangle');
  const [ax, ay] = await place(-8, -5);
  const [bx, by] = await place(7, 5);
  await page.mouse.move(ax, ay);
  await page.mouse.down();
  await page.mouse.move((ax + bx) / 2, (ay + by) / 2, { steps: 4 });
  await page.mouse.move(bx, by, { steps: 4 });
  await answered(() => page.mouse.up());
  assert.equal(await areas(), 1);
  await tool('circle');
  await click(-0.4, 5.1, {});
  await answered(() => click(2.1, 6.3));
  assert.equal(await areas(), 3);
  await page.locator('[data-tool=trim]').click();
  await answered(() => click(-0.4, 5));
  assert.equal(await areas(), 2);
  await unpick();
  await pick('l1', 'l2');
  await page.locator('[data-change=round]').click();
  await page.keyboard.type('1.5');
  await answered(() => page.keyboard.press('Enter'));
  assert.equal(await page.locator('#pad-said').isVisible(), false);
  assert.match(await page.locator('#pad-list').textContent(), /radius\s*.*remove/s);
  sound(page);
});

test('a value is typed while a line is drawn', async () => {
  await tool('line');
  await click(0, 0);
  const [x, y] = await place(5, 0.1);
  await page.mouse.move(x, y);
  await page.keyboard.press('2');
  await page.keyboard.type('5');
  assert.equal(await page.locator('#pad-text').inputValue(), 'line from origin long 25 at 0 deg');
  await answered(() => page.keyboard.press('Enter'));
  assert.match(await free(), /^Nothing is loose\./);
  assert.match(await page.locator('#pad-list').textContent(), /horizontal/);
  sound(page);
});

test('what is loose is dragged, what is settled stays', async () => {
  await type('rectangle 60 by 40');
  await type('point 10, 5');
  await type('circle radius 4 at p5');
  await type('remove d3');
  await page.locator('#pad').focus();
  await page.keyboard.press('f');
  assert.match(await free(), /^1 way left to move. .*can slide left and right/);
  const from = await place(10, 5);
  const to = await place(-15, 18);
  await page.mouse.move(...from);
  await page.mouse.down();
  // how many answers come while it moves, and how long one of them takes on this machine, busy as it is
  let shown = 0;
  let took = 0;
  const asked = new Map();
  const ofDrag = (r) => (r.postData() ?? '').includes('"keep":false');
  page.on('request', (r) => {
    if (ofDrag(r)) asked.set(r, Date.now());
  });
  page.on('response', (r) => {
    if (asked.has(r.request())) {
      shown++;
      took += Date.now() - asked.get(r.request());
    }
  });
  const began = Date.now();
  for (let i = 1; i <= 60; i++) {
    await page.mouse.move(from[0] + ((to[0] - from[0]) * i) / 60, from[1] + ((to[1] - from[1]) * i) / 60);
    await page.waitForTimeout(16);
  }
  const spent = Date.now() - began;
  console.log(`a drag follows ${((1000 * shown) / spent).toFixed(1)} times a second, an answer takes ${(took / shown).toFixed(0)} ms`);
  // the next place is asked for as soon as an answer is there: hardly a moment without a question under way
  assert.ok(shown >= 2 && took > 0.7 * spent, `${shown} answers, asking ${took} of ${spent} ms`);
  await answered(() => page.mouse.up());
  const [x, y] = await page.evaluate(() => {
    const d = document.querySelector('#pad circle[fill="var(--color-sheet)"]').getBoundingClientRect();
    return [d.x + d.width / 2, d.y + d.height / 2];
  });
  assert.ok(Math.abs(x - to[0]) < 8 && Math.abs(y - from[1]) < 4, `${x} ${y} ${to} ${from}`);
  sound(page);
});

test('everything by keyboard: typed lines, the list, a part from the sketch', async () => {
  await page.locator('#pad').focus();
  await page.keyboard.press('/');
  await page.keyboard.type('rectangle 30 by 20 corner at 0, 0');
  await answered(() => page.keyboard.press('Enter'));
  await page.keyboard.type('circle diameter 8 at 15, 10');
  await answered(() => page.keyboard.press('Enter'));
  await page.keyboard.type('sircle 4');
  assert.equal(await answered(() => page.keyboard.press('Enter')), 422);
  assert.match(await said(), /does not know “sircle”/);
  assert.equal(await page.locator('#pad-text').inputValue(), 'sircle 4');
  await page.locator('#v-d1').focus();
  await page.locator('#v-d1').fill('d2 * 2');
  await answered(() => page.keyboard.press('Tab'));
  assert.equal(await areas(), 2);
  await page.locator('#finish').focus();
  await page.keyboard.press('Enter');
  await page.locator('#state').waitFor({ state: 'attached' });
  await add(page, 'extrude');
  await page.getByText('2 regions').waitFor();
  assert.match(await page.locator('.readouts').textContent(), /40.00 × 20.00 × 10.00/);
  sound(page);
});

test('circles, arcs and slots in their other ways, by pointer', async () => {
  const way = (name) => page.locator(`[data-form="${name}"]`).click();
  await tool('circle');
  await way('circle over');
  await click(-10, 0);
  await answered(() => click(-4, 0));
  await way('circle through three');
  await click(4, 1);
  await click(6, 3);
  await answered(() => click(8, 1));
  assert.equal(await areas(), 2);
  await tool('line');
  await click(-10, -8);
  await answered(() => click(8, -8));
  await unpick();
  await tool('arc');
  await way('arc on');
  await click(8, -8);
  await answered(() => click(8, -5));
  assert.match(await page.locator('#pad-list').textContent(), /tangent to l2|tangent to a1/);
  await way('arc around');
  await click(-8, 6);
  await click(-6, 6);
  await answered(() => click(-8, 8.2));
  await tool('slot');
  await way('slot over all');
  await click(0, 5);
  await click(9, 5);
  await answered(() => click(4, 7));
  assert.equal(await areas(), 3);
  // two lines picked, the radius typed
  await tool('circle');
  await way('circle touching');
  await click(-2, -8);
  await click(8.75, -5.7);
  assert.match(await page.locator('#pad-text').inputValue(), /^circle radius 5 touching l2 a1$/);
  await page.locator('#pad-text').fill('circle radius 0.5 touching l2 a1');
  await answered(() => page.locator('#pad-text').press('Enter'));
  assert.match(await page.locator('#pad-list').textContent(), /radius/);
  sound(page);
});

test('crossings, quadrants and touchings are caught and kept', async () => {
  await type('circle radius 6 at 0, 0');
  await type('line from -9, 3 to 9, 3');
  await page.locator('#pad').press('f');
  const caught = async (u, v) => {
    const [x, y] = await place(u, v);
    await page.mouse.move(x - 3, y - 2);
    await page.mouse.move(x + 1, y + 1);
    return page.locator('#pad .rubber text').textContent();
  };
  await tool('line');
  assert.match(await caught(Math.sqrt(27), 3), /crossing of c1 and l1/);
  assert.match(await caught(0, -6), /quadrant of c1/);
  await answered(() => click(0, -6).then(() => click(-11, -8)));
  await unpick();
  await tool('line');
  await click(15, 0);
  // the tangent from 15, 0 to a circle of 6: cos = 6 / 15
  assert.match(await caught(6 * 0.4, -6 * Math.sqrt(1 - 0.16)), /touches c1/);
  await answered(() => page.mouse.down().then(() => page.mouse.up()));
  assert.match(await page.locator('#pad-list').textContent(), /tangent to c1/);
  assert.match(await page.locator('#pad-list').textContent(), /coincident with p6/);
  sound(page);
});

test('each way to move is shown, and what hangs together is lit', async () => {
  await type('rectangle 60 by 40');
  await type('remove d1');
  await page.locator('#pad').press('f');
  await page.locator('.way').first().hover();
  await page.locator('#pad .ghost path').first().waitFor({ state: 'attached' });
  assert.equal(await page.locator('#pad .ghost path').count(), 2);
  const [x, y] = await place(-20, 20);
  await page.mouse.move(x, y);
  assert.equal(await page.locator('#pad .ghost').count(), 0);
  assert.ok((await page.locator('#pad .light path').count()) > 0);
  assert.ok((await page.locator('#pad-list .lit').count()) > 0);
  // by keyboard too
  await page.locator('.way').first().focus();
  await page.locator('#pad .ghost path').first().waitFor({ state: 'attached' });
  await page.locator('#pad-squares').fill('2.5');
  await answered(() => page.locator('#pad-squares').press('Enter'));
  await page.reload();
  assert.equal(await page.locator('#pad-squares').inputValue(), '2.5');
  await page.locator('#pad-squares').fill('nought');
  assert.equal(await answered(() => page.locator('#pad-squares').press('Enter')), 422);
  assert.notEqual(await said(), '');
  sound(page);
});

test('edges of the part are taken over and follow it', async () => {
  await emptyBench(page);
  await add(page, 'block');
  await typeValue(page, 's1-width', '60');
  await typeValue(page, 's1-depth', '40');
  await add(page, 'sketch');
  await choose(page, 's2-plane', 'face');
  await choose(page, 's2-face', 's1:top');
  await page.getByRole('link', { name: 'Open it on the pad' }).click();
  await page.locator('#pad svg [transform]').first().waitFor({ state: 'attached' });
  await tool('take');
  const [x, y] = await place(-10, 20);
  await page.mouse.move(x - 2, y);
  await page.mouse.move(x, y);
  assert.match(await page.locator('#pad-slip').textContent(), /top of Block/);
  await answered(() => page.mouse.click(x, y));
  assert.match(await page.locator('#pad-list').textContent(), /follows the part/);
  // the others by keyboard
  await page.locator('.part-edges summary').focus();
  await page.keyboard.press('Enter');
  await page.locator('[data-takes="top of Block"]').focus();
  await answered(() => page.keyboard.press('Enter'));
  assert.equal(await areas(), 1);
  assert.match(await free(), /^Nothing is loose/);
  await page.locator('#finish').click();
  await page.locator('#state').waitFor({ state: 'attached' });
  await add(page, 'extrude');
  await typeValue(page, 's3-distance', '5');
  assert.match(await page.locator('.readouts').textContent(), /60.00 × 40.00 × 15.00/);
  await typeValue(page, 's1-width', '90');
  assert.match(await page.locator('.readouts').textContent(), /90.00 × 40.00 × 15.00/);
  sound(page);
});

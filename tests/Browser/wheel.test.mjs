// A jointed part of seven shapes: placed, aligned, sunk, grouped, six of it round a hub, cut and coloured until every size of
// the sheet is met; once by keys alone and once by pointer alone.
import assert from 'node:assert/strict';
import { after, before, beforeEach, test } from 'node:test';
import { add, edit, finished, openBrowser, openEmptyBench, openWindow, pick, readout, shown, sound } from './support.mjs';

let browser;
let page;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());
beforeEach(async () => {
  await page?.context().close();
  page = await openWindow(browser, { width: 1280, height: 800 });
  await openEmptyBench(page, 'Wind wheel');
});
const value = (field) => page.locator(`#${field}`).inputValue();
const settled = () => shown(page);

async function met() {
  await finished(page);
  assert.deepEqual(await page.locator('.log .why b').allTextContents(), []);
  assert.equal((await page.locator('.readouts dd').first().innerText()).trim(), '72.00 × 63.96 × 48.00 mm');
  assert.equal(await readout(page, 'Pieces'), '1');
  await page.getByText('9 of 9 met', { exact: true }).waitFor();
  sound(page);
}

test('a wind wheel by keyboard alone', async () => {
  const press = async (...keys) => {
    for (const k of keys) await page.keyboard.press(k);
  };
  // a button by its focus and Enter, a value by typing, a choice from a list by its first letters
  const button = async (locator) => {
    await locator.focus();
    await press('Enter');
  };
  const verb = (kind) => edit(page, () => button(page.locator(`#verb-${kind}`)));
  const type = async (field, text) => {
    if ((await value(field)) === text) return;
    await page.locator(`#${field}`).focus();
    await edit(page, async () => {
      await press('Control+a');
      await page.keyboard.type(text);
      await press('Tab');
    });
  };
  const choose = async (field, steps) => {
    await page.locator(`#${field}`).focus();
    for (let i = 0; i < Math.abs(steps); i++) await edit(page, () => press(steps > 0 ? 'ArrowDown' : 'ArrowUp'));
  };
  const tool = async (key, name) => {
    await page.locator('main.stage').focus();
    await press(key);
    const panel = page.getByRole('region', { name, exact: true });
    await panel.waitFor();
    return panel;
  };
  const closed = async (key) => {
    await page.locator('main.stage').focus();
    await press(key);
  };
  // the ground is put on a face: what comes next stands there, in the middle
  const ground = async (words) => {
    const panel = await tool('u', 'Ground');
    const list = panel.getByLabel('face that is the ground');
    await page.waitForFunction((w) => [...document.querySelectorAll('[data-panel=ground] option')].some((o) => o.textContent === w), words);
    await list.focus();
    await edit(page, () => list.selectOption({ label: words }));
    await panel.getByText(`New shapes stand on ${words}.`).waitFor();
    await closed('u');
  };

  await verb('prism');
  await choose('s1-across', 1);
  await type('s1-round', '40');
  await type('s1-height', '6');
  await ground('top of Prism');
  await verb('cylinder');
  await type('s2-round', '10');
  await type('s2-length', '30');
  // sunk by one step of the grid
  await tool('v', 'Move');
  await edit(page, () => press('PageDown'));
  await page.waitForFunction(() => document.querySelector('#s2-sink').value === '1');
  await closed('v');
  await ground('top of Cylinder');
  await verb('cylinder');
  await type('s3-round', '20');
  await type('s3-length', '10');
  await type('s3-sink', '2');
  await page.waitForFunction(() => /sunk 2 mm into Cylinder/.test(document.querySelector('#step-s3 [data-lies]').textContent));

  // one arm of two shapes
  await ground('top of Cylinder 2');
  await verb('block');
  for (const [k, v] of [
    ['width', '24'],
    ['depth', '4'],
    ['height', '4'],
  ])
    await type(`s4-${k}`, v);
  await tool('v', 'Move');
  await edit(page, () => press('Shift+ArrowRight'));
  await page.waitForFunction(() => document.querySelector('#s4-x').value === '10');
  for (let i = 0; i < 8; i++) await press('ArrowRight');
  await page.waitForFunction(() => document.querySelector('#s4-x').value === '18');
  await closed('v');
  await ground('top of Block');
  await verb('cone');
  for (const [k, v] of [
    ['round', '8'],
    ['tip', '12'],
    ['length', '6'],
    ['sink', '1'],
  ])
    await type(`s5-${k}`, v);
  await choose('s5-alignx', 2);
  assert.equal(await value('s5-alignx'), 'high');
  await type('s5-x', '6');

  // made one group, six round the middle of the hub
  const group = await tool('g', 'Group');
  await group.getByLabel('Block').focus();
  await press('Space');
  await group.getByLabel('Cone').focus();
  await press('Space');
  await group.getByLabel('called').focus();
  await page.keyboard.type('Arm');
  await edit(page, () => press('Enter'));
  await closed('g');
  assert.equal(await page.locator('#step-s6 .say').getByText('one of the group').count(), 1);
  // sunk flush into the hub as one
  await type('s6-sink', '4');
  await edit(page, () => button(page.locator('#step-s6').getByRole('button', { name: '6 round the centre' })));
  assert.equal(await value('s7-count'), '6');

  await ground('top of Cylinder 2');
  await verb('cone');
  for (const [k, v] of [
    ['round', '12'],
    ['tip', '8'],
    ['length', '5'],
  ])
    await type(`s8-${k}`, v);
  const back = await tool('u', 'Ground');
  await edit(page, () => button(back.getByRole('button', { name: 'Put the ground back' })));
  await closed('u');
  await verb('cylinder');
  for (const [k, v] of [
    ['round', '4'],
    ['length', '60'],
    ['z', '-5'],
  ])
    await type(`s9-${k}`, v);
  await choose('s9-effect', 1);
  assert.equal(await value('s9-effect'), 'cut');

  // the cup is red in all six arms, because it is red in the group
  await edit(page, () => button(page.getByRole('button', { name: 'Open Arm' })));
  const paint = await tool('p', 'Paint');
  await paint.getByLabel('red').focus();
  await press('Space');
  await paint.getByLabel('what is painted').focus();
  await press('ArrowDown');
  const faces = paint.locator('select').last();
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[data-panel=paint] option')].some((o) => o.textContent === 'side of Cone'),
  );
  await faces.focus();
  await edit(page, () => faces.selectOption({ label: 'side of Cone' }));
  await closed('p');
  await edit(page, () => button(page.locator('#close-group')));
  await settled();
  const painted = await page.evaluate(() =>
    Object.entries(JSON.parse(document.getElementById('paint').textContent)).filter(([f]) => f.endsWith('s5:side')),
  );
  assert.equal(painted.length, 6);
  assert.ok(painted.every(([, c]) => c === 'red'));

  await press('Control+Enter');
  await met();
});

test('a wind wheel by pointer alone', async () => {
  const stage = page.locator('main.stage');
  const tool = async (name, label) => {
    await page.locator(`button[data-tool=${name}]`).click();
    const panel = page.getByRole('region', { name: label, exact: true });
    await panel.waitFor();
    await page.waitForTimeout(120);
    return panel;
  };
  const close = (name) => page.locator(`button[data-tool=${name}]`).click();
  // where a point of the part is on the screen
  const at = async (p) => {
    await settled();
    return page.evaluate((q) => {
      const s = document.querySelector('main.stage');
      const [x, y] = s.stage.project(q);
      const r = s.getBoundingClientRect();
      return [r.x + x, r.y + y];
    }, p);
  };
  const view = async (name) => page.locator(`[data-view=${name}]`).click();
  // a size by its arrow: drawn until the value stands there
  async function draw(field, to) {
    await settled();
    const key = field.split('-')[1];
    for (let tries = 0; tries < 7 && (await value(field)) !== to; tries++) {
      await page.locator(`#${field}`).click();
      await page.waitForFunction(
        ([k, s]) =>
          document
            .querySelector('main.stage')
            .stage.arrows(s)
            .some((h) => h.key === k),
        [key, field.split('-')[0]],
      );
      await page.waitForTimeout(250);
      const way = await page.evaluate(
        ([k, s]) => {
          const { stage } = document.querySelector('main.stage');
          const h = stage.arrows(s).find((x) => x.key === k);
          const d = stage.dir(h.way).map((v) => v * stage.scale() * h.per);
          const b = document.querySelector(`.handle[data-handle="${k}"] .head`)?.getBoundingClientRect();
          return b ? { x: b.x + b.width / 2, y: b.y + b.height / 2, d, scale: stage.scale() } : null;
        },
        [key, field.split('-')[0]],
      );
      assert.ok(way, `an arrow for ${field}`);
      // nearer, until a millimetre can be told from the next
      if (way.scale < 5) {
        await page.mouse.move(way.x, way.y);
        await page.mouse.wheel(0, -250);
        continue;
      }
      const by = Number(to) - Number(await value(field));
      await page.mouse.move(way.x, way.y);
      await page.mouse.down();
      await page.mouse.move(way.x + way.d[0] * by * 0.6, way.y + way.d[1] * by * 0.6, { steps: 4 });
      await page.mouse.move(way.x + way.d[0] * by, way.y + way.d[1] * by, { steps: 6 });
      await page.waitForTimeout(80);
      await edit(page, () => page.mouse.up());
      await settled();
    }
    assert.equal(await value(field), to, field);
  }
  async function ground(words, p) {
    const panel = await tool('ground', 'Ground');
    await page.waitForTimeout(250);
    await edit(page, async () => {
      await page.mouse.move(...(await at(p)));
      await page.getByText(`Pick: ${words}`).waitFor();
      await page.mouse.click(...(await at(p)));
    });
    await panel.getByText(`New shapes stand on ${words}.`).waitFor();
    await close('ground');
  }
  async function steps(field, word, n, to) {
    const panel = await tool('move', 'Move');
    for (let i = 0; i < n; i++) await panel.getByRole('button', { name: new RegExp(`^${word} `) }).click();
    await page.waitForFunction(([f, v]) => document.getElementById(f).value === v, [field, to]);
    await close('move');
  }
  const keep = async (id) => {
    // a press beside an arrow opens what was met there; the trial waits where it was
    if (!(await page.locator(`#step-${id} [data-keep]`).count())) await page.locator(`#step-${id} .n`).click();
    await page.locator(`#step-${id} [data-keep]`).click();
  };

  await add(page, 'prism');
  await pick(page, 's1-across', 'flats');
  await draw('s1-round', '40');
  await draw('s1-height', '6');
  await keep('s1');
  await ground('top of Prism', [0, 0, 6]);
  await add(page, 'cylinder');
  await draw('s2-length', '30');
  assert.equal(await value('s2-round'), '10');
  await steps('s2-sink', 'down', 1, '1');
  await ground('top of Cylinder', [0, 0, 35]);
  await add(page, 'cylinder');
  await draw('s3-round', '20');
  await draw('s3-length', '10');
  await steps('s3-sink', 'down', 2, '2');

  await ground('top of Cylinder 2', [0, -5, 43]);
  await add(page, 'block');
  await view('top');
  await draw('s4-depth', '4');
  await draw('s4-width', '24');
  await view('front');
  await draw('s4-height', '4');
  await view('isometric');
  // drawn over the grid to its place
  await view('top');
  const move = await tool('move', 'Move');
  await move.locator('[data-shape]').selectOption({ label: 'Block' });
  await page.waitForTimeout(300);
  const [from, to] = [await at([10, 0, 47]), await at([28, 0, 47])];
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move((from[0] + to[0]) / 2, from[1], { steps: 5 });
  await page.mouse.move(...to, { steps: 5 });
  await page.waitForTimeout(150);
  assert.match((await stage.getAttribute('data-ghost')) ?? '', /^18\.000 -?0\.000 0\.000$/);
  await edit(page, () => page.mouse.up());
  await page.waitForFunction(() => document.querySelector('#s4-x').value === '18');
  await close('move');
  await view('isometric');
  await ground('top of Block', [20, 0, 47]);
  await add(page, 'cone');
  await view('front');
  await draw('s5-length', '6');
  await view('top');
  await draw('s5-round', '8');
  // the far end has no arrow: its slider is drawn
  await page.locator('#s5-tip').click();
  await page.locator('#step-s5 [data-slide] input').waitFor();
  for (let i = 0; i < 3 && (await value('s5-tip')) !== '12'; i++) {
    await page.locator('#s5-tip').click();
    const slider = page.locator('#step-s5 [data-slide] input');
    const [box, most] = [await slider.boundingBox(), Number(await slider.getAttribute('max'))];
    await edit(page, () => page.mouse.click(box.x + 8 + ((box.width - 16) * 12) / most, box.y + box.height / 2));
  }
  assert.equal(await value('s5-tip'), '12');
  await view('isometric');
  await steps('s5-sink', 'down', 1, '1');
  await steps('s5-x', 'right', 12, '12');

  const group = await tool('group', 'Group');
  await group.getByLabel('Block').check();
  // the other one on the part itself
  await page.mouse.click(...(await at([30, 0, 52])));
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[data-panel=group] label')].some((l) => /Cone/.test(l.textContent) && l.querySelector('input').checked),
  );
  await edit(page, () => group.getByRole('button', { name: 'Make one group' }).click());
  await close('group');
  await page.locator('#step-s6 .n').click();
  await page.locator('#s6-name').click();
  await steps('s6-sink', 'down', 4, '4');
  await page.locator('#s6-name').click();
  await edit(page, () => page.locator('#step-s6').getByRole('button', { name: '6 round the centre' }).click());

  await view('top');
  await ground('top of Cylinder 2', [-4, 8, 43]);
  await add(page, 'cone');
  await draw('s8-round', '12');
  await page.locator('#s8-tip').click();
  for (let i = 0; i < 3 && (await value('s8-tip')) !== '8'; i++) {
    await page.locator('#s8-tip').click();
    const slider = page.locator('#step-s8 [data-slide] input');
    const [box, most] = [await slider.boundingBox(), Number(await slider.getAttribute('max'))];
    await edit(page, () => page.mouse.click(box.x + 8 + ((box.width - 16) * 8) / most, box.y + box.height / 2));
  }
  await view('front');
  await draw('s8-length', '5');
  await keep('s8');
  const back = await tool('ground', 'Ground');
  await edit(page, () => back.getByRole('button', { name: 'Put the ground back' }).click());
  await close('ground');
  await add(page, 'cylinder');
  await draw('s9-length', '60');
  await view('top');
  await draw('s9-round', '4');
  await view('isometric');
  await steps('s9-z', 'down', 5, '-5');
  await pick(page, 's9-effect', 'cut');

  await edit(page, () => page.getByRole('button', { name: 'Open Group 1' }).click());
  const paint = await tool('paint', 'Paint');
  await paint.getByText('red', { exact: true }).click();
  await paint.getByLabel('what is painted').selectOption('shape');
  await edit(page, async () => page.mouse.click(...(await at([30, 0, 9]))));
  await close('paint');
  await edit(page, () => page.locator('#close-group').click());
  await settled();
  assert.equal(
    await page.evaluate(
      () =>
        Object.entries(JSON.parse(document.getElementById('paint').textContent)).filter(([f, c]) => f.endsWith('s5:side') && c === 'red')
          .length,
    ),
    6,
  );

  await page.locator('#check').click();
  await met();
});

// Own parts: a group frozen in the library, found again, placed with another size, renewed; a shape put at a corner; and the
// log gone through backwards until one step is changed.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import {
  BASE,
  add,
  edit,
  openBrowser,
  openEmptyBench,
  openWindow,
  readout,
  shown,
  signInStudent,
  signInTeacher,
  sound,
  type,
  version,
} from './support.mjs';

let browser;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

test('a group put into the library, found, placed with another size and renewed', async () => {
  const page = await openWindow(browser);
  const me = await openEmptyBench(page);
  await add(page, 'cylinder');
  await page.locator('#step-s1 [data-keep]').click();
  await page.locator('main.stage').focus();
  await page.keyboard.press('g');
  const group = page.getByRole('region', { name: 'Group', exact: true });
  await group.getByLabel('Cylinder').check();
  await group.getByLabel('called').fill('Fence post');
  await edit(page, () => group.getByRole('button', { name: 'Make one group' }).click());
  // a size of its own, which each place can set
  await edit(page, () => page.getByRole('button', { name: 'Open Fence post' }).click());
  if (!(await page.locator('#size-0-name').isVisible())) await page.getByText('Named sizes', { exact: true }).click();
  await page.locator('#size-0-name').fill('tall');
  await page.locator('#size-0-value').fill('20');
  await edit(page, () => page.locator('#size-0-value').press('Tab'));
  await type(page, 's1-length', 'tall');
  await edit(page, () => page.locator('#close-group').click());
  await shown(page);

  await page.getByRole('button', { name: 'Put Fence post into the library' }).click();
  const put = page.getByRole('region', { name: 'Into the library' });
  await put.getByLabel('tags').fill('Fence, round');
  await put.getByRole('button', { name: 'Put it in' }).click();
  await put.getByText('is in the library, version 1').waitFor();

  await page.locator('#verb-library').click();
  const shelf = page.getByRole('region', { name: 'Library', exact: true });
  await shelf.getByRole('button', { name: `Place Fence post by ${me}` }).waitFor();
  await shelf.getByRole('searchbox').fill(`fence ${me}`);
  await edit(page, () => shelf.getByRole('button', { name: `Place Fence post by ${me}` }).click());
  const taken = await page.locator('li.step').last().getAttribute('data-step');
  assert.match(await page.locator(`#step-${taken}`).innerText(), new RegExp(`by ${me}, version 1`));
  await type(page, `${taken}-x`, '30');
  await type(page, `${taken}-set-tall`, '45');
  assert.match(await page.locator('.readouts dd').first().innerText(), /× 45\.00 mm/);

  // the first one becomes thicker and is put in again; the taken one is told and follows when it is asked to
  await edit(page, () => page.getByRole('button', { name: 'Open Fence post', exact: true }).click());
  await type(page, 's1-round', '14');
  await edit(page, () => page.locator('#close-group').click());
  await page.getByRole('button', { name: 'Put Fence post into the library' }).click();
  await put.getByRole('button', { name: 'Put it in' }).click();
  await put.getByText('version 2').waitFor();
  await page.reload();
  await shown(page);
  const volume = async () => Number((await readout(page, 'Volume')).replace(/[^\d.]/g, '').replace(/3$/, ''));
  const before = await volume();
  await edit(page, () => page.getByRole('button', { name: /^Take over version 2/ }).click());
  assert.ok((await volume()) > before + 1000);

  // the page of the library finds by tag and keeps another name
  await page.goto(`${BASE}/library`);
  // the list is put in anew once; a card is opened after that
  await Promise.all([page.waitForResponse((r) => r.url().includes('/library?q=fence')), page.locator('#library-q').fill('fence')]);
  const card = page.locator('.card', { hasText: 'Fence post' });
  await card.getByText('Change it').click();
  await card.getByLabel('Name').fill('Peg post');
  await card.getByRole('button', { name: 'Keep it so' }).click();
  await page.getByText('Peg post is saved.').waitFor();
  sound(page);

  // it is nobody else's; the teacher's own parts are the class's
  const other = await openWindow(browser);
  await signInStudent(other, 'LARK7', 'Greta');
  await other.goto(`${BASE}/library`);
  await other.locator('.card', { hasText: 'Flower pot' }).waitFor();
  assert.equal(await other.locator('.card', { hasText: 'Peg post' }).count(), 0);
  const teacher = await openWindow(browser);
  await signInTeacher(teacher);
  await teacher.getByRole('link', { name: 'Library' }).click();
  const own = teacher.locator('.card', { hasText: 'Wind cup' });
  await own.getByText('Change it').click();
  await own.getByLabel('Seen by').selectOption({ label: 'only you' });
  await own.getByRole('button', { name: 'Keep it so' }).click();
  await teacher.getByText('Wind cup is saved.').waitFor();
  await other.reload();
  assert.equal(await other.locator('.card', { hasText: 'Wind cup' }).count(), 0);
  sound(other);
  sound(teacher);
  for (const p of [page, other, teacher]) await p.context().close();
});

test('a shape put at a corner, one more of it, and the log gone through backwards', async () => {
  const page = await openWindow(browser);
  await openEmptyBench(page);
  await add(page, 'block');
  await page.locator('#step-s1 [data-keep]').click();
  await add(page, 'ball');
  await type(page, 's2-round', '8');
  await page.locator('#step-s2 [data-keep]').click();
  await page.locator('button[data-tool=move]').click();
  const move = page.getByRole('region', { name: 'Move', exact: true });
  assert.equal(await move.locator('[data-shape]').inputValue(), 's2');
  // it lies hidden at first, and that is told
  await page.getByText('Nothing is seen of some shapes: Ball lies hidden inside Block.').waitFor();
  await move.getByRole('button', { name: 'Put it at ...' }).click();
  await shown(page);
  await page.waitForTimeout(300);
  const corner = await page.evaluate(() => {
    const s = document.querySelector('main.stage');
    const [x, y] = s.stage.project([20, -10, 10]);
    const r = s.getBoundingClientRect();
    return [r.x + x, r.y + y];
  });
  await page.mouse.move(corner[0] + 1, corner[1]);
  await page.getByText(/^Pick: corner of front, right and top of Block/).waitFor();
  await edit(page, () => page.mouse.click(corner[0] + 1, corner[1]));
  assert.equal(await page.locator('#s2-at').inputValue(), 's1:front / s1:right / s1:top');
  // carried by the block
  await type(page, 's1-height', '25');
  assert.match(await page.locator('.readouts dd').first().innerText(), /× 33\.00 mm/);
  // moved by keys and edited in the log at once: one waits for the other
  await page.locator('main.stage').focus();
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('PageUp');
    await page.locator('#s1-note').evaluate((f, n) => {
      f.value = `remark ${n}`;
      f.dispatchEvent(new Event('change', { bubbles: true }));
    }, i);
  }
  await page.waitForFunction(() => document.getElementById('s2-z')?.value === '4');
  // a page that was idle once counts as idle: the last answer is waited for by the state that no longer changes
  for (let last = -1; last !== (await version(page)); await page.waitForTimeout(1500)) last = await version(page);
  assert.equal(await page.locator('#notice').isVisible(), false);
  await page.reload();
  assert.deepEqual([await page.locator('#s2-z').inputValue(), await page.locator('#s1-note').inputValue()], ['4', 'remark 3']);
  await shown(page);
  await page.locator('#step-s2 .say').click();
  await page.locator('#s2-name').focus();
  await edit(page, () => page.locator('#step-s2').getByRole('button', { name: 'One more' }).click());
  await edit(page, () => page.locator('#step-s2').getByRole('button', { name: 'One more' }).click());
  const row = await page.locator('li.step').last().getAttribute('data-step');
  assert.equal(await page.locator(`#${row}-count`).inputValue(), '3');

  await page.getByRole('button', { name: 'Step by step' }).click();
  const bar = page.getByRole('region', { name: 'Step by step' });
  await bar.getByLabel('pace').selectOption({ label: 'quick' });
  await bar.getByRole('button', { name: 'Back' }).click();
  await bar.getByText('after step 1 of 3: Block').waitFor();
  await bar.getByRole('button', { name: 'Back' }).waitFor();
  await bar.getByRole('button', { name: 'Change this step' }).click();
  assert.equal(await page.evaluate(() => document.activeElement.id), 's1-width');
  await edit(page, async () => {
    await page.keyboard.type('50');
    await page.keyboard.press('Tab');
  });
  await bar.getByText('after step 1 of 3: Block').waitFor();
  await bar.getByRole('button', { name: 'Play' }).click();
  await bar.getByText('all 3 steps').waitFor();
  sound(page);
  await page.context().close();
});

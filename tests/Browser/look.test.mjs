// Every screen: no serious finding of axe-core, no sideways scrolling, a visible focus, nothing smaller than 12 px.
import AxePkg from '@axe-core/playwright';
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import {
  add,
  BASE,
  edit,
  openBrowser,
  openEmptyBench,
  openWindow,
  rested,
  shown,
  signInStudent,
  signInTeacher,
  sound,
} from './support.mjs';

const AxeBuilder = AxePkg.default ?? AxePkg.AxeBuilder ?? AxePkg;
let browser;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

async function inspect(page, name) {
  await rested(page);
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze();
  assert.deepEqual(
    violations
      .filter((v) => ['serious', 'critical'].includes(v.impact))
      .map(
        (v) =>
          `${v.id}: ${v.nodes
            .slice(0, 3)
            .map((n) => n.html.slice(0, 120))
            .join(' | ')}`,
      ),
    [],
    name,
  );
  for (const [width, height] of [
    [1280, 800],
    [1920, 1080],
  ]) {
    await page.setViewportSize({ width, height });
    const wide = await page.evaluate(() => {
      const over = [...document.querySelectorAll('body *')].filter(
        // the book of a whole year is wider than any page; its names stay in view
        (e) => e.scrollWidth > e.clientWidth + 1 && ['auto', 'scroll'].includes(getComputedStyle(e).overflowX) && !('wide' in e.dataset),
      );
      return { page: document.documentElement.scrollWidth - window.innerWidth, inside: over.map((e) => e.className) };
    });
    assert.ok(wide.page <= 0, `${name} scrolls sideways by ${wide.page} px at ${width}`);
    assert.deepEqual(wide.inside, [], `${name}: an area scrolls sideways at ${width}`);
  }
  const tiny = await page.evaluate(() =>
    [...document.querySelectorAll('body *')]
      .filter(
        (e) =>
          [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim()) &&
          !e.closest('svg, script, style, .vh') &&
          parseFloat(getComputedStyle(e).fontSize) < 11.9,
      )
      .map((e) => `${e.tagName} ${e.textContent.trim().slice(0, 30)}`),
  );
  assert.deepEqual(tiny, [], name);
  // the focus can be seen on whatever has it
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  const ring = await page.evaluate(() => {
    const s = getComputedStyle(document.activeElement);
    return s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) >= 2;
  });
  assert.ok(ring, `${name}: no visible focus`);
  sound(page);
}

test('sign-in', async () => {
  const page = await openWindow(browser);
  await page.goto(`${BASE}/sign-in`);
  await inspect(page, 'sign-in');
  await page.getByLabel('Class code').fill('LARK7');
  await page.getByLabel('Your own code').fill('ADA22');
  await page.getByLabel('PIN').fill('0000');
  await page.locator('section[aria-labelledby=students]').getByRole('button', { name: 'Sign in' }).click();
  await page.getByText('do not belong together').waitFor();
  await inspect(page, 'sign-in, mistyped');
});

test('student’s screens', async () => {
  const page = await openWindow(browser);
  await signInStudent(page, 'WREN8', 'Mira');
  await inspect(page, 'student’s list');
  await page.getByRole('link', { name: 'Open Mast clamp' }).click();
  await inspect(page, 'bench');
  await page.getByRole('button', { name: 'Show it large' }).click();
  await inspect(page, 'bench with the drawing large');
  await page.goto(`${BASE}/`);
  await page.getByRole('link', { name: 'Report on Mast clamp' }).click();
  await inspect(page, 'report');
});

test('teacher’s screens', async () => {
  const page = await openWindow(browser);
  await signInTeacher(page);
  await inspect(page, 'teacher’s list');
  await page.getByRole('link', { name: 'Mast clamp' }).last().click();
  await inspect(page, 'exercise editor');
  await page.getByRole('link', { name: 'Open its build log' }).click();
  await inspect(page, 'reference bench');
  await page.goto(`${BASE}/exercises/new`);
  await inspect(page, 'new exercise');
  await page.goto(`${BASE}/guide`);
  await inspect(page, 'guide');
  await page.goto(`${BASE}/classes`);
  await page.getByRole('navigation').getByRole('link', { name: /^8b/ }).click();
  await inspect(page, 'a class');
  await page.getByLabel('Names').fill('Alba Thorne\nMira\n;\nAlba Thorne');
  await page.getByRole('button', { name: 'Read it' }).click();
  await inspect(page, 'a list that was read');
  await page.getByRole('link', { name: 'Drop the list' }).click();
  await page.getByRole('link', { name: 'Quentin', exact: true }).click();
  await inspect(page, 'a pupil of a class');
  await page.getByRole('link', { name: 'Marks book' }).click();
  await page.getByRole('link', { name: 'Quentin', exact: true }).click();
  await inspect(page, 'marks book');
  await page.goto(`${BASE}/people`);
  await inspect(page, 'people');
  await page.goto(`${BASE}/account`);
  await inspect(page, 'account');
  await page.goto(`${BASE}/`);
  await page.getByRole('link', { name: 'Mast clamp' }).first().click();
  await inspect(page, 'class table');
  await page.getByRole('link', { name: 'Mira' }).click();
  await inspect(page, 'report');
  await page
    .locator('#row-hole-1-diameter')
    .getByRole('link', { name: /Overrule/ })
    .click();
  await inspect(page, 'report with a row to overrule');
});

test('the bench with a step tried out, with each tool open, gone back in the log', async () => {
  const page = await openWindow(browser);
  await openEmptyBench(page);
  await add(page, 'block');
  await shown(page);
  await page.locator('.handle').first().waitFor();
  await inspect(page, 'a step tried out');
  for (const key of ['m', 'p', 'b', 'v', 'g', 'o']) {
    await page.locator('main.stage').focus();
    await page.keyboard.press(key);
    await page.locator('.panel:not([hidden])').waitFor();
    await inspect(page, `the tool of ${key}`);
  }
  await page.locator('main.stage').focus();
  await page.keyboard.press('Escape');
  await add(page, 'ball');
  await page.locator('#s1-name').focus();
  await edit(page, async () => {
    await page.locator('#s1-heading').fill('The base');
    await page.keyboard.press('Tab');
  });
  await page.locator('#s1-name').focus();
  await page.locator('#step-s1').getByRole('button', { name: 'Go back to here' }).click();
  await page.locator('li.step.ahead').waitFor();
  await inspect(page, 'gone back in the log');
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.locator('main.stage').focus();
  await page.keyboard.press('g');
  await page.getByRole('region', { name: 'Group', exact: true }).getByLabel('Ball').check();
  await edit(page, () => page.getByRole('button', { name: 'Make one group' }).click());
  await inspect(page, 'a group in the log');
  await edit(page, () => page.getByRole('button', { name: 'Open Group 1' }).click());
  await page.locator('.panel:not([hidden]) [data-close]').click();
  await page.locator('#close-group').focus();
  await inspect(page, 'a group that is open');
  await edit(page, () => page.locator('#close-group').click());
  await page.goto(`${BASE}/library`);
  await inspect(page, 'library');
});

test('a closed door says so in the house’s own words', async () => {
  const page = await openWindow(browser);
  await signInStudent(page, 'WREN8', 'Noor');
  for (const [path, words] of [
    ['/assignments/1', 'This is not yours to see'],
    ['/nowhere', 'There is nothing here'],
  ]) {
    await page.goto(BASE + path);
    await page.getByText(words).waitFor();
    await page
      .getByRole('link', { name: /start page/i })
      .first()
      .waitFor();
  }
  sound(page);
});

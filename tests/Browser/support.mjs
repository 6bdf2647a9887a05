// Shared by the browser tests: a Chromium, people who sign in, and what every page must keep.
import assert from 'node:assert/strict';
import { existsSync } from 'node:fs';
import { basename } from 'node:path';
import { chromium } from 'playwright-core';

export const BASE = process.env.BASE ?? 'http://127.0.0.1:8085';
const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);

export async function openBrowser() {
  return chromium.launch({
    executablePath: CHROMIUM,
    args: [
      '--no-sandbox',
      '--enable-unsafe-swiftshader',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--no-first-run',
    ],
  });
}

// A window of one person. Faults of scripts and requests to other hosts are collected and looked at in `sound`.
// Pictures are drawn by software here: at half the fineness nothing that is looked at changes, and every edit is faster.
export async function openWindow(browser, { width = 1280, height = 800, scale = 0.5 } = {}) {
  const context = await browser.newContext({ viewport: { width, height }, deviceScaleFactor: scale, acceptDownloads: true });
  // patience only: what waits is drawn and worked out on machines that are at times five times slower
  context.setDefaultTimeout(120000);
  const page = await context.newPage();
  // looked at twenty times a second, not with every frame: frames are drawn by software here
  const wait = page.waitForFunction.bind(page);
  page.waitForFunction = (f, arg, options) => wait(f, arg, { polling: 50, ...options });
  page.faults = [];
  watch(page);
  return page;
}

export function watch(page) {
  page.faults ??= [];
  page.on('pageerror', (e) => page.faults.push(`script: ${e.message}`));
  page.on(
    'console',
    (m) => m.type() === 'error' && !/status of (409|422|429|403|404)/.test(m.text()) && page.faults.push(`console: ${m.text()}`),
  );
  page.on('request', (r) => !r.url().startsWith(BASE) && !/^(data|blob):/.test(r.url()) && page.faults.push(`request to ${r.url()}`));
}

export const sound = (page) => assert.deepEqual(page.faults, []);

export async function signInTeacher(page, email = 'ines.halloran@hillside.example') {
  await page.goto(`${BASE}/sign-in`);
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password').fill('garden-gate');
  await page.locator('section[aria-labelledby=teachers]').getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Classes and exercises' }).waitFor();
}

/** Own codes of the demo school and of the classes for tests are told by the name. */
export const ownCode = (name) =>
  /^Pupil \d+$/.test(name) ? `PUP${name.slice(6).padStart(2, '0')}` : `${name.slice(0, 3).toUpperCase()}22`;

export async function signInStudent(page, code, name) {
  await page.goto(`${BASE}/sign-in`);
  await page.getByLabel('Class code').fill(code);
  await page.getByLabel('Your own code').fill(ownCode(name));
  await page.getByLabel('PIN').fill('4711');
  await page.locator('section[aria-labelledby=students]').getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'My work' }).waitFor();
}

// The bench

export const version = (page) => page.locator('#state').getAttribute('data-version').then(Number);

/** Does something and waits until the server has answered with a newer state, and the part of it is worked out: on a slow machine that may come later. */
export async function edit(page, act) {
  const before = await version(page);
  await act();
  // the version comes with the answer, the fields just after it
  await page.waitForFunction(
    (v) =>
      Number(document.getElementById('state')?.dataset.version) > v && document.querySelector('[data-saved]')?.dataset.saved !== 'asks',
    before,
  );
  await finished(page);
}

export const add = (page, kind) => edit(page, () => page.locator(`#verb-${kind}`).click());

/** Types into a value of a step and leaves it, as a person does. */
export async function type(page, field, text) {
  const input = page.locator(`#${field}`);
  if ((await input.inputValue()) === text) return;
  await edit(page, async () => {
    await input.fill(text);
    await input.press('Tab');
  });
}

export async function pick(page, field, value) {
  const select = page.locator(`#${field}`);
  if ((await select.inputValue()) === value) return;
  await edit(page, () => select.selectOption(value));
}

/** Waits until a part that takes longer than an answer is worked out and measured. */
export const finished = (page) => page.waitForFunction(() => document.getElementById('state')?.dataset.unfinished === '0', null);

export const readout = async (page, name) => {
  await finished(page);
  return page.locator('.readouts').getByText(name, { exact: true }).locator('xpath=following-sibling::dd[1]').innerText();
};

/** Waits until the stage shows the part that the page names. */
export const shown = (page) =>
  page.waitForFunction(
    () =>
      document.getElementById('state').dataset.unfinished === '0' &&
      document.querySelector('[data-stage]')?.dataset.part === document.getElementById('state').dataset.glb,
  );

// Every file has a class of its own with pupils nobody else uses (tests/BrowserClasses.php), so that files run side by side.
export const CLASS = `${basename(process.argv[1] ?? '', '.test.mjs').toUpperCase()}9`;
let pupils = 0;
export const pupil = () => `Pupil ${(pupils += 1)}`;

/** Opens an exercise of whoever is signed in and takes everything back. */
export async function emptyBench(page, exercise = 'Corner block') {
  await page.goto(`${BASE}/`);
  await page.getByRole('link', { name: new RegExp(`^(Begin|Open|Mend it) ${exercise}`) }).click();
  await page.locator('#state').waitFor({ state: 'attached' });
  while (await page.locator('#undo').isEnabled()) await edit(page, () => page.locator('#undo').click());
}

/** A pupil nobody has been yet, at an empty bench. */
export async function openEmptyBench(page, exercise) {
  const name = pupil();
  await signInStudent(page, CLASS, name);
  await emptyBench(page, exercise);
  return name;
}

/** Where the tip of an arrow on the part is, once the picture has come to rest; it is drawn anew with every picture. */
export async function arrow(page, key) {
  await shown(page);
  for (let i = 0; i < 50; i++) {
    const box = await page.evaluate((k) => {
      const head = document.querySelector(`.handle[data-handle="${k}"] .head`)?.getBoundingClientRect();
      return head ? [head.x + head.width / 2, head.y + head.height / 2, document.querySelector('main.stage')?.dataset.drawn] : null;
    }, key);
    await page.waitForTimeout(150);
    if (box && (await page.locator('main.stage').getAttribute('data-drawn')) === box[2]) return box;
  }
  throw new Error(`no arrow for ${key}`);
}

/**
 * Waits until the page has come to rest: loaded, its fonts there, nothing on its way and nothing new for half a second.
 * Asked of the page itself; what the browser's driver calls idle is at times never told on a busy machine.
 */
export const rested = (page) =>
  page.waitForFunction(() => {
    const got = performance.getEntriesByType('resource').length;
    const last = (window.lastGot ??= { got: -1, since: 0 });
    if (last.got !== got) Object.assign(last, { got, since: performance.now() });
    return (
      document.readyState === 'complete' &&
      document.fonts.status === 'loaded' &&
      !document.querySelector('.htmx-request') &&
      performance.now() - last.since > 500
    );
  });

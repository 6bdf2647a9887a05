// From an empty start to a marked exercise, by a teacher who follows only the screen, timed and counted; then two teachers
// on one class, and a pupil who is given a new PIN, moved, handed out and removed. On a Cubo of its own, without any demo.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { add, edit, openBrowser, openWindow, shown, sound, type } from './support.mjs';

const EMPTY = process.env.EMPTY;
const KEY = process.env.SETUP_KEY;
let browser;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

const shared = {};

async function windowOf() {
  const page = await openWindow(browser);
  // requests go to the Cubo that was empty
  page.removeAllListeners('request');
  return page;
}

async function pupil(code, own, pin) {
  const page = await windowOf();
  await page.goto(`${EMPTY}/sign-in`);
  await page.getByLabel('Class code').fill(code);
  await page.getByLabel('Your own code').fill(own);
  await page.getByLabel('PIN').fill(pin);
  await page.locator('section[aria-labelledby=students]').getByRole('button', { name: 'Sign in' }).click();
  return page;
}

/** The card of a pupil as it stands in the opened row. */
async function card(teacher, name) {
  await teacher.getByRole('link', { name, exact: true }).click();
  const row = teacher.locator('tr.open');
  await row.waitFor();
  const pin = /\d{4}/.exec(await teacher.locator('[data-first-pin]').innerText())[0];
  const own = (await row.locator('td.num').nth(1).innerText()).trim();
  return { own, pin };
}

test('a school begins, and has an exercise marked, within 60 actions of its teacher', { timeout: 900000 }, async (t) => {
  assert.ok(EMPTY && KEY, 'bin/test starts a Cubo without demo for this file');
  const teacher = await windowOf();
  let actions = 0;
  const began = Date.now();
  // what a teacher does: something is typed, chosen or pressed
  const press = (locator) => ((actions += 1), locator.click());
  const fill = (locator, text) => ((actions += 1), locator.fill(text));
  const button = (name) => teacher.getByRole('button', { name });
  const link = (name) => teacher.getByRole('link', { name });

  await t.test('the school, a class from a file, cards', async () => {
    await teacher.goto(`${EMPTY}/setup?key=${KEY}`);
    await fill(teacher.getByLabel('Name of the school'), 'Garden Weather School');
    await fill(teacher.getByLabel('Your name'), 'Ruth Ackerman');
    await fill(teacher.getByLabel('Your e-mail address'), 'ruth@garden.example');
    await fill(teacher.getByLabel('A password'), 'rain gauge mast');
    await press(button('Begin'));
    await fill(teacher.getByLabel('New class'), '7a');
    await press(button('Make the class'));
    actions += 1;
    await teacher.getByLabel('or a file').setInputFiles({
      name: '7a.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'sourcedId,givenName,familyName,identifier,role\nu1,Alba,Thorne,1041,student\nu2,Bo,Lindqvist,1042,student\nu3,Bo,Lindqvist,1042,student\nu4,,,1044,student\nu5,Ines,Halloran,T1,teacher\n',
      ),
    });
    await press(button('Read it'));
    await teacher.getByText('Read: 4 lines').waitFor();
    await teacher.getByText('same as 3').waitFor();
    await press(button('Add 2 pupils'));
    await teacher.getByText('2 pupils were added').waitFor();
    const cards = await teacher.request.get(await link('Print 2 cards').getAttribute('href'));
    assert.equal((await cards.body()).subarray(0, 4).toString(), '%PDF');
    shared.alba = await card(teacher, 'Alba Thorne');
    shared.code = (await teacher.locator('.sc-head .num').innerText()).trim();
  });

  await t.test('an exercise with its reference part, set for the class', async () => {
    await press(link('Exercises').first());
    await press(link('New exercise'));
    await fill(teacher.getByLabel('Title'), 'Foot of the rain gauge');
    await press(button('Build the reference part'));
    await teacher.getByRole('heading', { name: 'Build log' }).waitFor();
    actions += 1;
    await add(teacher, 'block');
    for (const [field, value] of [
      ['s1-width', '50'],
      ['s1-height', '12'],
    ]) {
      actions += 1;
      await type(teacher, field, value);
    }
    await shown(teacher);
    await press(link('Choose what is asked'));
    await teacher.getByRole('img', { name: /Drawing of Foot/ }).waitFor();
    await press(button('Save what is asked'));
    await teacher.locator('#kept', { hasText: 'just now' }).waitFor();
    await fill(teacher.getByLabel('due date'), '2031-03-14');
    await press(button('Set it'));
    await teacher.getByText('Not begun').first().waitFor();
  });

  await t.test('a pupil builds it and hands it in', async () => {
    const alba = await pupil(shared.code, shared.alba.own, shared.alba.pin);
    await alba.getByRole('link', { name: 'Begin Foot of the rain gauge' }).click();
    await alba.getByText('No step yet.').waitFor();
    await add(alba, 'block');
    await type(alba, 's1-width', '50');
    await type(alba, 's1-height', '12');
    await shown(alba);
    await alba.getByRole('button', { name: 'Hand in', exact: true }).click();
    await alba.getByRole('button', { name: 'Hand it in now?' }).click();
    await alba.getByText('Waiting for a word').waitFor();
    sound(alba);
    await alba.context().close();
  });

  await t.test('the teacher accepts it and has it in the marks book', async () => {
    // the table has followed by itself: the page was opened before anybody began
    await press(link('Alba Thorne'));
    await press(button('Accept'));
    await press(teacher.locator('.mark'));
    await press(link('Classes and people'));
    await press(link('Marks book'));
    await teacher.locator('.mk-mark.met').waitFor();
    assert.equal((await teacher.locator('.mk-mark.met').innerText()).trim(), '1');
    const sheet = await teacher.request.get(await link('XLSX').getAttribute('href'));
    assert.equal((await sheet.body()).subarray(0, 2).toString(), 'PK');
    sound(teacher);
  });

  const minutes = (Date.now() - began) / 60000;
  t.diagnostic(`${actions} actions, ${minutes.toFixed(1)} minutes of the machine`);
  assert.ok(actions <= 60, `${actions} actions`);
  shared.teacher = teacher;
});

test('two teachers have one class', { timeout: 600000 }, async () => {
  const { teacher } = shared;
  await teacher.goto(`${EMPTY}/people`);
  await teacher.locator('#invite-name').fill('Joris Amstel');
  await teacher.locator('#invite-email').fill('joris@garden.example');
  await teacher.getByLabel('7a').check();
  await teacher.getByRole('button', { name: 'Make the link' }).click();
  const link = (await teacher.locator('.shown-once b').innerText()).trim();
  const joris = await windowOf();
  await joris.goto(link);
  await joris.getByLabel('A password').fill('a lark in the garden');
  await joris.getByRole('button', { name: 'Come in' }).click();
  await joris.getByRole('link', { name: 'Foot of the rain gauge' }).first().click();
  await joris.getByRole('link', { name: 'Alba Thorne' }).waitFor();
  await joris.goto(`${EMPTY}/classes`);
  await joris.getByText('Joris Amstel').first().waitFor();
  await joris.getByRole('button', { name: 'Read it' }).waitFor();
  // the link is used up
  const other = await windowOf();
  await other.goto(link);
  await other.getByText('no longer holds').waitFor();
  sound(joris);
  await joris.context().close();
  await other.context().close();
});

test('a pupil is given a new PIN, moved, handed out and removed', { timeout: 600000 }, async () => {
  const { teacher } = shared;
  await teacher.goto(`${EMPTY}/classes`);
  await teacher.getByLabel('New class').fill('7b');
  await teacher.getByRole('button', { name: 'Make the class' }).click();
  await teacher.getByRole('heading', { name: '7b', exact: true }).waitFor();
  await teacher.getByRole('navigation').getByRole('link', { name: /^7a/ }).click();
  await teacher.getByRole('link', { name: 'Alba Thorne', exact: true }).click();
  await teacher.getByRole('button', { name: 'New PIN', exact: true }).click();
  await teacher.getByText('Alba Thorne has a new PIN').waitFor();
  const pin = /\d{4}/.exec(await teacher.locator('[data-first-pin]').innerText())[0];
  const old = await pupil(shared.code, shared.alba.own, shared.alba.pin);
  if (pin !== shared.alba.pin) await old.getByText('do not belong together').waitFor();
  await old.context().close();
  await teacher.getByLabel('Move to').selectOption({ label: '7b' });
  await teacher.getByRole('button', { name: 'Move', exact: true }).click();
  await teacher.getByText('Alba Thorne is in 7b now').waitFor();
  await teacher.getByRole('navigation').getByRole('link', { name: /^7b/ }).click();
  const code = (await teacher.locator('.sc-head .num').innerText()).trim();
  const alba = await pupil(code, shared.alba.own, pin);
  await alba.getByText('From another class').waitFor();
  await alba.getByRole('link', { name: 'Foot of the rain gauge' }).click();
  await alba.getByText('Accepted').first().waitFor();
  await alba.goto(`${EMPTY}/account`);
  await alba.getByLabel('The one you have').fill(pin);
  await alba.getByLabel('The new one').fill('1234');
  await alba.getByRole('button', { name: 'Change it' }).click();
  await alba.getByText('Everybody tries this one first').waitFor();
  await alba.getByLabel('The one you have').fill(pin);
  await alba.getByLabel('The new one').fill('70915');
  await alba.getByRole('button', { name: 'Change it' }).click();
  await alba.getByText('Your PIN is changed').waitFor();
  await teacher.reload();
  await teacher.getByRole('link', { name: 'Alba Thorne', exact: true }).click();
  const zip = await teacher.request.get(await teacher.getByRole('link', { name: 'All that is kept (ZIP)' }).getAttribute('href'));
  assert.equal((await zip.body()).subarray(0, 2).toString(), 'PK');
  await teacher.getByText('Remove Alba Thorne for good?').click();
  await teacher.getByText('1 works, 1 hand-ins, 0 files').waitFor();
  await teacher.getByRole('button', { name: 'Remove Alba Thorne for good' }).click();
  await teacher.getByText('Alba Thorne is removed').waitFor();
  // whoever was signed in is out at the next step
  await alba.goto(`${EMPTY}/`);
  await alba.getByLabel('Class code').waitFor();
  sound(teacher);
});

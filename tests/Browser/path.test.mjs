// The whole path as two people: a teacher sets a part, a student builds it with a slip, checks, mends, hands in, the
// teacher comments, the student sees it.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { add, edit, openBrowser, openWindow, pick, readout, shown, signInStudent, signInTeacher, sound, type } from './support.mjs';

let browser;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

test('a teacher sets a part, a student builds it, Cubo checks it', async (t) => {
  const teacher = await openWindow(browser);
  const student = await openWindow(browser);
  const title = 'Spacer of the thermometer';

  await t.test('the teacher makes an exercise with a reference part', async () => {
    await signInTeacher(teacher);
    await teacher.getByRole('link', { name: 'New exercise' }).click();
    await teacher.getByRole('button', { name: 'Build the reference part' }).click();
    await teacher.getByText('Give the exercise a title.').waitFor();
    await teacher.getByLabel('Title').fill(title);
    await teacher.getByLabel('Brief').fill('It keeps the thermometer off the wall.\n\nMind the hole.');
    await teacher.getByRole('button', { name: 'Build the reference part' }).click();
    await teacher.getByRole('heading', { name: 'Build log' }).waitFor();
    await add(teacher, 'block');
    await type(teacher, 's1-width', '50');
    await type(teacher, 's1-depth', '30');
    await type(teacher, 's1-height', '25/2');
    await add(teacher, 'cylinder');
    await type(teacher, 's2-round', '10');
    await type(teacher, 's2-length', '40');
    await type(teacher, 's2-z', '-10');
    await pick(teacher, 's2-effect', 'cut');
    assert.equal(await readout(teacher, 'Overall'), '50.00 × 30.00 × 12.50 mm');
    await shown(teacher);
  });

  await t.test('chooses what is asked and gives it to a class', async () => {
    await teacher.getByRole('link', { name: 'Choose what is asked' }).click();
    await teacher.getByRole('img', { name: /Drawing of Spacer/ }).waitFor();
    assert.equal(await teacher.locator('.drawing [data-requirement="size-x"]').count(), 1);
    await teacher.getByLabel('tolerance of Width').fill('0.5');
    await teacher.getByLabel('points for Hole, diameter').fill('4');
    await teacher.getByRole('button', { name: /^The whole part/ }).click();
    await teacher.getByLabel('ask for Volume').check();
    await teacher.getByLabel('tolerance of Height').fill('much');
    await teacher.getByRole('button', { name: 'Save what is asked' }).click();
    await teacher.getByText('is not a unit Cubo knows').waitFor();
    assert.equal(await teacher.getByLabel('tolerance of Width').inputValue(), '0.5', 'what was typed is kept');
    await teacher.getByLabel('tolerance of Height').fill('0.2');
    await teacher.getByRole('button', { name: 'Save what is asked' }).click();
    await teacher.locator('#kept', { hasText: 'just now' }).waitFor();
    await teacher.locator('select[name=class_id]').selectOption({ label: '8b' });
    await teacher.getByLabel('due date').fill('2031-03-14');
    await teacher.getByRole('button', { name: 'Set it' }).click();
    await teacher.getByText('Not begun').first().waitFor();
    sound(teacher);
  });

  await t.test('the student builds it with a slip and checks', async () => {
    await signInStudent(student, 'wren8', 'Vera');
    await student.getByRole('link', { name: `Begin ${title}` }).click();
    await student.getByText('No step yet.').waitFor();
    await student.getByText('It keeps the thermometer off the wall.').waitFor();
    await add(student, 'block');
    await type(student, 's1-width', '100/2');
    await type(student, 's1-depth', '30 mm');
    await type(student, 's1-height', '12,5');
    await add(student, 'cylinder');
    // the slip: radius for diameter
    await type(student, 's2-round', '10/2');
    await type(student, 's2-length', '40');
    await type(student, 's2-z', '-10');
    await pick(student, 's2-effect', 'cut');
    await shown(student);
    await student.locator('#check').click();
    await student.locator('#req-hole-0-diameter').getByText('5.00 too small').waitFor();
    await student.getByText('Did you type the radius as the diameter?').waitFor();
    assert.equal(await student.locator('#req-size-x').getByText('Met', { exact: true }).count(), 1);
    assert.match(await student.locator('.strip').innerText(), /of 10 met|of 9 met|of 11 met/);
    // the place is marked on the part
    await student.waitForFunction(() =>
      document.querySelector('.stage svg + canvas + svg, .stage canvas + svg')?.textContent.includes('5.00'),
    );
  });

  await t.test('mends it, checks again and hands in', async () => {
    await type(student, 's2-round', '10');
    await student.getByText('Changed since').first().waitFor();
    await student.keyboard.press('Control+Enter');
    await student.locator('#req-hole-0-diameter').getByText('Met', { exact: true }).waitFor();
    const button = student.getByRole('button', { name: 'Hand in', exact: true });
    await button.click();
    await student.getByRole('button', { name: 'Hand it in now?' }).click();
    await student.getByText('Waiting for a word').waitFor();
    sound(student);
  });

  await t.test('the teacher sees the class, opens the hand-in, overrules, comments and sends it back', async () => {
    await teacher.reload();
    const line = teacher.getByRole('row').filter({ hasText: 'Vera' });
    await line.getByText('Handed in', { exact: true }).waitFor();
    await line.getByRole('link', { name: 'Vera' }).click();
    await teacher.locator('.stage[data-part]').waitFor();
    await teacher
      .locator('#row-size-x')
      .getByRole('link', { name: /Overrule/ })
      .click();
    await teacher.getByLabel('reason').fill('The print is too wide.');
    await teacher.getByRole('button', { name: 'Overrule' }).click();
    await teacher.getByText('Overruled:').waitFor();
    await teacher.getByLabel('Comment to Vera').fill('Very good. Name your steps, please.');
    await teacher.getByRole('button', { name: 'Send back' }).click();
    await teacher.getByRole('row').filter({ hasText: 'Vera' }).getByText('Sent back').waitFor();
    sound(teacher);
  });

  await t.test('the student sees the comment and hands in again', async () => {
    await student.goto(new URL('/', student.url()).href);
    await student.getByRole('heading', { name: 'Came back' }).waitFor();
    await student.getByText('Very good. Name your steps, please.').waitFor();
    await student.getByRole('link', { name: `Report on ${title}` }).click();
    await student.getByText('The print is too wide.').waitFor();
    await student.getByRole('link', { name: 'Back to the bench' }).click();
    await edit(student, async () => {
      await student.locator('#s1-name').fill('Plate');
      await student.locator('#s1-name').press('Enter');
    });
    await student.getByRole('button', { name: 'Hand in again' }).click();
    await student.getByRole('button', { name: 'Hand it in now?' }).click();
    await student.getByText(/try 2/).waitFor();
    const download = student.waitForEvent('download');
    await student.getByRole('link', { name: 'STL', exact: true }).click();
    assert.equal((await download).suggestedFilename(), 'spacer-of-the-thermometer-vera.stl');
    sound(student);
  });

  await t.test('the teacher accepts', async () => {
    await teacher.reload();
    await teacher.getByRole('row').filter({ hasText: 'Vera' }).getByText('try 2').waitFor();
    await teacher.getByRole('link', { name: 'Vera' }).click();
    await teacher.getByRole('button', { name: 'Accept' }).click();
    await teacher.getByRole('row').filter({ hasText: 'Vera' }).getByText('Accepted').waitFor();
    sound(teacher);
  });
});

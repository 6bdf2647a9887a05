// Checks a teacher signs: a file in the wrong unit and the hint it gets; a tolerance corrected and everybody marked again;
// the layers of a print, and the report on paper.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { CLASS, add, edit, emptyBench, openBrowser, openWindow, pupil, signInStudent, signInTeacher, sound, type } from './support.mjs';

let browser;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

// a block of 60 x 40 x 24 whose numbers are inches, as a text file
function inches() {
  const [x, y, z] = [60 / 25.4, 40 / 25.4, 24 / 25.4];
  const p = [
    [0, 0, 0],
    [x, 0, 0],
    [x, y, 0],
    [0, y, 0],
    [0, 0, z],
    [x, 0, z],
    [x, y, z],
    [0, y, z],
  ];
  const faces = [
    [0, 3, 2, 1],
    [4, 5, 6, 7],
    [0, 1, 5, 4],
    [1, 2, 6, 5],
    [2, 3, 7, 6],
    [3, 0, 4, 7],
  ];
  const triangles = faces.flatMap(([a, b, c, d]) => [
    [a, b, c],
    [a, c, d],
  ]);
  return `solid block\n${triangles.map((t) => `facet normal 0 0 0\nouter loop\n${t.map((v) => `vertex ${p[v].join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid block\n`;
}

const report = (page) => page.getByRole('heading', { name: 'What probably happened' }).waitFor();

test('a file in the wrong unit: looked at, taken, handed in, and told what happened', async () => {
  const page = await openWindow(browser);
  await signInStudent(page, CLASS, pupil());
  await page.getByRole('link', { name: 'Hand in a file for Corner block of the raised bed' }).click();
  await page.getByRole('button', { name: 'Look at it' }).click();
  // nothing chosen yet: the browser keeps the page; a file that is none is refused in words
  await page.locator('#part').setInputFiles({ name: 'notes.stl', mimeType: 'model/stl', buffer: Buffer.from('these are no triangles') });
  await page.getByRole('button', { name: 'Look at it' }).click();
  await page.getByRole('alert').getByText('This seems to be a text, not a part.').waitFor();
  await page.getByRole('link', { name: 'Bring another file' }).click();
  await page.locator('#part').setInputFiles({ name: 'corner.stl', mimeType: 'model/stl', buffer: Buffer.from(inches()) });
  await page.getByRole('button', { name: 'Look at it' }).click();
  await page.getByText('The surface is closed and sound.').waitFor();
  // inches are proposed, since then it is as large as the drawing; it is taken in millimetres all the same
  assert.equal(await page.getByRole('radio', { name: /inches/ }).isChecked(), true);
  await page.getByRole('radio', { name: /millimetres/ }).check();
  await page.getByRole('button', { name: 'Take it so' }).click();
  await page.waitForFunction(() => document.querySelector('[data-stage]')?.dataset.part);
  await page.getByRole('button', { name: 'Hand in this part' }).click();
  await report(page);
  const likely = page.getByRole('region', { name: 'What probably happened' });
  await likely.getByText('Millimetres and inches mixed up').waitFor();
  assert.match(await likely.innerText(), /25\.4 times too small/);
  sound(page);

  // the layers of the print follow the slider by keys
  await page.getByRole('link', { name: 'Layers' }).click();
  await page.locator('#layer').getByText('Layer 1 of').waitFor();
  await page.locator('#at').focus();
  await page.keyboard.press('ArrowRight');
  await page.locator('#layer').getByText('Layer 2 of').waitFor();
  sound(page);
  await page.context().close();
});

test('a teacher corrects a tolerance and marks everybody again', async () => {
  const student = await openWindow(browser);
  const name = pupil();
  await signInStudent(student, CLASS, name);
  await emptyBench(student, 'Corner block');
  await add(student, 'block');
  await student.locator('#step-s1 [data-keep]').click();
  await type(student, 's1-width', '60.3');
  await type(student, 's1-depth', '40');
  await type(student, 's1-height', '24');
  await student.getByRole('button', { name: 'Hand in', exact: true }).click();
  await student.getByRole('button', { name: 'Hand it in now?' }).click();
  await report(student);
  assert.match(await student.locator('#row-size-x').innerText(), /60\.30/);

  const teacher = await openWindow(browser);
  await signInTeacher(teacher, 'tests@hillside.example');
  // its own copy of the exercise: the one that is set for this class
  await teacher
    .locator('h3', { hasText: 'test checks' })
    .locator('xpath=../following-sibling::table[1]')
    .getByRole('link', { name: /Corner block/ })
    .click();
  await teacher.getByRole('link', { name: 'Exercise', exact: true }).click();
  await teacher.getByLabel('tolerance of Width').fill('0.5');
  await teacher.getByRole('button', { name: 'Save what is asked' }).click();
  await teacher.locator('#kept', { hasText: 'just now' }).waitFor();
  await teacher.getByRole('button', { name: /^Mark .* again$/ }).click();
  const row = teacher.locator('tr', { hasText: name });
  await row.getByText('0.30 too large').waitFor();
  assert.match(await row.innerText(), /Met/);
  sound(teacher);

  await student.reload();
  assert.match(await student.locator('#row-size-x').innerText(), /Met/);
  // the report on paper
  const [download] = await Promise.all([student.waitForEvent('download'), student.getByRole('link', { name: 'PDF' }).click()]);
  assert.match(download.suggestedFilename(), /^corner-block.*\.pdf$/);
  sound(student);
  for (const p of [student, teacher]) await p.context().close();
});

test('a teacher names a distance of their own; a pupil makes the part in two ways', async () => {
  const teacher = await openWindow(browser);
  await signInTeacher(teacher, 'tests@hillside.example');
  await teacher
    .locator('h3', { hasText: 'test checks' })
    .locator('xpath=../following-sibling::table[1]')
    .getByRole('link', { name: /Corner block/ })
    .click();
  await teacher.getByRole('link', { name: 'Exercise', exact: true }).click();
  const choose = async (label, words) => {
    const list = teacher.getByLabel(label);
    await list.selectOption(await list.locator('option', { hasText: words }).first().getAttribute('value'));
  };
  // an upright face and a level one have no distance: said in place, and what was chosen stays
  await choose('first face, axis or corner', /^right face, 40/);
  await choose('second face, axis or corner', /^upper face, 24/);
  await teacher.getByRole('button', { name: 'Add it' }).click();
  await teacher.getByRole('alert').getByText('not parallel').waitFor();
  assert.match(await teacher.getByLabel('first face, axis or corner').locator('option:checked').innerText(), /right face, 40/);
  await choose('second face, axis or corner', /^hole/);
  await teacher.getByRole('button', { name: 'Add it' }).click();
  await teacher.getByLabel('name of Right face to hole ⌀ 8').waitFor();
  await teacher.getByRole('button', { name: /How it is made/ }).click();
  await teacher.getByLabel('ask for Made in two ways').check();
  await teacher.getByRole('button', { name: 'Save what is asked' }).click();
  await teacher.locator('#kept', { hasText: 'just now' }).waitFor();
  sound(teacher);
  await teacher.context().close();

  const page = await openWindow(browser);
  await signInStudent(page, CLASS, pupil());
  await emptyBench(page, 'Corner block');
  const block = async () => {
    await add(page, 'block');
    await page.locator('#step-s1 [data-keep]').click();
    await type(page, 's1-width', '60');
    await type(page, 's1-depth', '40');
    await type(page, 's1-height', '24');
  };
  const handIn = async (button) => {
    await page.getByRole('button', { name: button, exact: true }).click();
    await page.getByRole('button', { name: 'Hand it in now?' }).click();
    await page.locator('#row-two-ways').waitFor();
  };
  await block();
  await handIn('Hand in');
  assert.match(await page.locator('#row-two-ways').innerText(), /One way so far/);
  // there is no hole, so nothing is measured from one
  assert.match(await page.locator('tr', { hasText: 'Right face to hole' }).first().innerText(), /Not found/);
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await edit(page, async () => {
    await page.getByRole('button', { name: 'Begin another way' }).click();
    await page.getByRole('button', { name: 'Put the steps aside and begin on an empty paper?' }).click();
  });
  await page.getByText('No step yet.').waitFor();
  // half of it, and a mirror: most still comes from a block
  await add(page, 'block');
  await page.locator('#step-s2 [data-keep], #step-s1 [data-keep]').first().click();
  await edit(page, () => page.locator('#undo').click());
  await edit(page, () => page.locator('#undo').click());
  assert.equal(await page.locator('li.step').count(), 1, 'undo brings the first way back');
  sound(page);
  await page.context().close();
});

#!/usr/bin/env node
// Makes the pictures in docs/screenshots anew from a running Cubo with fresh demo data (./cubo start --fresh).
// BASE is its address, http://127.0.0.1:8085 without it.
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { BASE, openBrowser, openWindow, rested, signInStudent, signInTeacher } from '../tests/Browser/support.mjs';

const folder = join(dirname(fileURLToPath(import.meta.url)), '../docs/screenshots');
mkdirSync(folder, { recursive: true });
const browser = await openBrowser();
const settled = async (page, at = [640, 795]) => {
  await rested(page);
  await page.mouse.move(...at);
  await page.waitForTimeout(700);
};
const take = async (page, name, at) => {
  await settled(page, at);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(name);
};

const guest = await openWindow(browser, { scale: 1 });
await guest.goto(`${BASE}/sign-in`);
await take(guest, 'sign-in');

const pia = await openWindow(browser, { scale: 1 });
await signInStudent(pia, 'WREN8', 'Oskar');
await take(pia, 'student-list');

const student = await openWindow(browser, { scale: 1 });
await signInStudent(student, 'WREN8', 'Pia');
await student.getByRole('link', { name: /^(Open|Mend it|Begin) Mast clamp/ }).click();
await take(student, 'bench');
await student.getByRole('button', { name: 'Show it large' }).click();
await take(student, 'drawing');

const sketcher = await openWindow(browser, { scale: 1 });
await signInStudent(sketcher, 'WREN8', 'Quentin');
await sketcher.getByRole('link', { name: /^Open Bracket/ }).click();
await take(sketcher, 'bench-sketch');
await sketcher.getByRole('link', { name: 'Open it on the pad' }).first().click();
for (const line of ['slot 1 by 3/16 at 0, -3/8', 'remove d7']) {
  await sketcher.locator('#pad-text').fill(line);
  await sketcher.locator('#pad-text').press('Enter');
  await sketcher.waitForTimeout(600);
}
await sketcher.locator('#pad').focus();
await sketcher.keyboard.press('f');
await take(sketcher, 'pad');
// both lines taken back, so that the demo part stays as it was
for (let i = 0; i < 2; i++) {
  await sketcher.locator('#undo').click();
  await sketcher.waitForTimeout(700);
}
await sketcher.goto(`${BASE}/`);
await sketcher.getByRole('link', { name: 'Report on Mast clamp' }).click();
await take(sketcher, 'report');

const maker = await openWindow(browser, { scale: 1 });
await signInTeacher(maker, 'tom.verbeek@hillside.example');
await maker.goto(
  BASE +
    (await maker.getByRole('link', { name: /Bearing of the wind vane/ }).getAttribute('href')).replace(/^https?:\/\/[^/]+/, '') +
    '/bench',
);
await maker.locator('#step-s5 select[data-picks=edge]').focus();
const stage = await maker.locator('.stage canvas').boundingBox();
await take(maker, 'bench-picking', [stage.x + stage.width / 2 + 45, stage.y + stage.height / 2 + 95]);

await maker.locator('#verb-extrude').click();
await maker.locator('li.step.trial').waitFor();
await maker.locator('li.step.trial input[name="values[distance]"]').fill('14');
await maker.keyboard.press('Tab');
await maker.waitForTimeout(900);
await maker.locator('li.step.trial select[name="values[direction]"]').selectOption('down');
await maker.waitForTimeout(900);
await maker.locator('li.step.trial input[name="values[distance]"]').focus();
await take(maker, 'bench-trying');
await maker.locator('li.step.trial [data-drop]').click();
await maker.waitForTimeout(900);
const first = await openWindow(browser, { scale: 1 });
await signInStudent(first, 'LARK7', 'Dario');
await first.getByRole('link', { name: /^(Open|Mend it|Begin) Wind wheel/ }).click();
await first.locator('main.stage').focus();
await first.keyboard.press('v');
await first.locator('[data-shape]').selectOption({ label: 'Arm' });
await take(first, 'bench-shapes');
await first.goto(`${BASE}/library`);
await take(first, 'library');
await maker.goto(`${BASE}/guide`);
await take(maker, 'guide');

const teacher = await openWindow(browser, { scale: 1 });
await signInTeacher(teacher);
await take(teacher, 'teacher-list');
await teacher.goto(`${BASE}/classes`);
await teacher.getByRole('navigation').getByRole('link', { name: /^8b/ }).click();
await teacher.getByLabel('Names').fill('Mira\nAlba Thorne\nBo Lindqvist\nAlba Thorne\n;9d\nCleo Marsh');
await teacher.getByRole('button', { name: 'Read it' }).click();
await take(teacher, 'classes');
await teacher.getByRole('link', { name: 'Marks book' }).click();
await take(teacher, 'marks');
await teacher.goto(`${BASE}/`);
await teacher.getByRole('link', { name: 'Bracket of the rain gauge' }).last().click();
await take(teacher, 'exercise-editor');
await teacher.goto(`${BASE}/`);
await teacher.getByRole('link', { name: 'Mast clamp' }).first().click();
await take(teacher, 'class-table');
await teacher.getByRole('link', { name: 'Mira' }).click();
await take(teacher, 'report-teacher');
await teacher.getByRole('link', { name: 'Layers' }).click();
await teacher.locator('#at').fill('70');
await take(teacher, 'layers');
await browser.close();

// A worked part of twenty steps in inches, built on the bench as a person does; its mass is checked against manifold-3d,
// which makes the same part of its own primitives with 1,024 facets to the full turn.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import Module from 'manifold-3d';
import { add, BASE, edit, openBrowser, openWindow, pick, readout, shown, signInTeacher, sound, type } from './support.mjs';

const DENSITY = 0.098; // lb/in3, near that of aluminium; any density would do for the comparison

/** The volume in cubic inches, by a library that knows nothing of Cubo. */
async function outside() {
  const wasm = await Module();
  wasm.setup();
  const { Manifold, CrossSection } = wasm;
  const N = 1024;
  const cyl = (h, r1, r2, x, y, z) => Manifold.cylinder(h, r1, r2, N).translate([x, y, z]);
  const arc = Array.from({ length: 257 }, (_, i) => {
    const a = (i / 512) * Math.PI;
    return [0.625 + 0.125 * Math.cos(a), 1.125 + 0.125 * Math.sin(a)];
  });
  // the plate with round corners, the boss with its round rim, the bore with its chamfer
  let part = CrossSection.square([3.5, 2.5], true).offset(0.25, 'Round', 2, N).extrude(0.5);
  part = part.add(Manifold.revolve(new CrossSection([[[0, 0], [0.75, 0], ...arc, [0, 1.25]]]), N));
  part = part.subtract(cyl(3, 0.375, 0.375, 0, 0, -1)).subtract(cyl(0.1625, 0.375, 0.5375, 0, 0, 1.1875));
  for (const s of [1, -1]) {
    part = part.subtract(cyl(2, 9 / 64, 9 / 64, s * 1.5, 1, -1)).subtract(cyl(1, 0.25, 0.25, s * 1.5, 1, 0.25));
    const h = (0.25 - 9 / 64) / Math.tan((41 * Math.PI) / 180);
    part = part
      .subtract(cyl(2, 9 / 64, 9 / 64, s * 1.5, -1, -1))
      .subtract(cyl(h, 9 / 64, 0.25, s * 1.5, -1, 0.5 - h))
      .subtract(cyl(1, 0.25, 0.25, s * 1.5, -1, 0.5));
    // the brace, led on into plate and boss
    const side =
      s > 0
        ? [
            [0.7, 0.4],
            [1.6, 0.4],
            [1.6, 0.5],
            [0.7, 1.1],
          ]
        : [
            [-0.7, 1.1],
            [-1.6, 0.5],
            [-1.6, 0.4],
            [-0.7, 0.4],
          ];
    part = part.add(new CrossSection([side]).extrude(0.25, 0, 0, [1, 1], true).rotate([90, 0, 0]));
  }
  // the lug, slanting by 5 degrees on all sides and pulled to a height of 3/4
  const t = 2 * 0.75 * Math.tan((5 * Math.PI) / 180);
  part = part.add(
    CrossSection.square([0.625, 0.5], true)
      .extrude(0.75, 0, 0, [(0.625 - t) / 0.625, (0.5 - t) / 0.5])
      .translate([0, 1.1, 0.5]),
  );
  for (const x of [-1, 0, 1]) part = part.subtract(Manifold.cube([0.125, 0.5, 0.5]).translate([x - 0.0625, -1.65, 0.25]));
  return part.volume();
}

let browser;
before(async () => {
  browser = await openBrowser();
});
after(() => browser.close());

test('a mast base of twenty steps in inches weighs what an independent computation says', async (t) => {
  // a small window: the pictures are drawn by software here
  const page = await openWindow(browser, { width: 1000, height: 640 });
  await signInTeacher(page, 'tom.verbeek@hillside.example');
  await page.getByRole('link', { name: 'New exercise' }).click();
  await page.getByLabel('Title').fill('Mast base');
  await page.getByLabel('inch').check();
  await page.getByRole('button', { name: 'Build the reference part' }).click();
  await page.locator('#state').waitFor({ state: 'attached' });
  const values = async (id, typed) => {
    for (const [key, text] of Object.entries(typed)) await type(page, `${id}-${key}`, text);
  };
  const choices = async (id, chosen) => {
    for (const [key, value] of Object.entries(chosen)) await pick(page, `${id}-${key}`, value);
  };
  const keep = () => page.locator('li.step.trial [data-keep]').click();

  // several depths from one sketch: plate, boss and bore
  await add(page, 'sketch');
  for (const shape of ['rectangle', 'circle', 'circle'])
    await edit(page, () => page.getByRole('button', { name: `Add a ${shape}` }).click());
  await values('s1', { 'shapes-a-width': '4', 'shapes-a-height': '3', 'shapes-b-round': '1 1/2', 'shapes-c-round': '3/4' });
  await keep();
  await add(page, 'extrude');
  await values('s2', { distance: '1/2' });
  await keep();
  await add(page, 'extrude');
  await values('s3', { regions: '2, 3', distance: '5/4' });
  await add(page, 'extrude');
  await choices('s4', { extent: 'through', effect: 'cut' });
  await values('s4', { regions: '3' });
  // four corners from the list
  await add(page, 'round');
  for (const e of ['s2:a left / s2:a low', 's2:a low / s2:a right', 's2:a high / s2:a right', 's2:a high / s2:a left'])
    await pick(page, 's5-edges', e);
  await values('s5', { radius: '1/4' });
  // screws: counterbored behind, countersunk in front, half of them mirrored
  await add(page, 'hole');
  await choices('s6', { where: 'face', face: 's2:end', head: 'bore' });
  await values('s6', { u: '3/2', v: '1', round: '9/32', wide: '1/2', deep: '1/4' });
  await add(page, 'mirror');
  await choices('s7', { of: 'step', plane: 'side' });
  assert.equal(await page.locator('#s7-source').inputValue(), 's6');
  await add(page, 'hole');
  await choices('s8', { where: 'face', face: 's2:end', head: 'sink' });
  await values('s8', { u: '3/2', v: '-1', round: '9/32', wide: '1/2', angle: '82' });
  await add(page, 'mirror');
  await choices('s9', { of: 'step', plane: 'side' });
  // a brace from an open line
  await add(page, 'sketch');
  await choices('s10', { plane: 'front' });
  await page.locator('#step-s10').getByRole('link', { name: 'Open it on the pad' }).click();
  await page.locator('#pad svg [transform]').first().waitFor({ state: 'attached' });
  await page.locator('#pad-text').fill('line from 0.7, 1.1 to 1.6, 0.5');
  await Promise.all([
    page.waitForResponse((x) => x.url().includes('/pad/') && x.request().method() === 'POST'),
    page.locator('#pad-text').press('Enter'),
  ]);
  await page.locator('#finish').click();
  await page.locator('#state').waitFor({ state: 'attached' });
  await add(page, 'rib');
  await values('s11', { thickness: '1/4' });
  await add(page, 'mirror');
  await choices('s12', { of: 'step', plane: 'side' });
  // a lug with slanting sides
  await add(page, 'block');
  await values('s13', { width: '5/8', depth: '1/2', height: '5/8', y: '1.1', z: '1/2' });
  await add(page, 'draft');
  for (const face of ['front', 'back', 'left', 'right']) await pick(page, 's14-faces', `s13:${face}`);
  await values('s14', { angle: '5', offset: '1/2' });
  await add(page, 'pull');
  await pick(page, 's15-faces', 's13:top');
  await values('s15', { distance: '1/8' });
  await add(page, 'chamfer');
  await pick(page, 's16-edges', 's3:end / s4:c round');
  await add(page, 'round');
  await pick(page, 's17-edges', 's3:b round / s3:end');
  // three slots in a row, then all of it turned
  await add(page, 'block');
  await choices('s18', { effect: 'cut' });
  await values('s18', { width: '1/8', depth: '1/2', height: '1/2', x: '-1', y: '-1.4', z: '1/4' });
  await add(page, 'repeat');
  await choices('s19', { of: 'step' });
  await values('s19', { count: '3', x: '1', y: '0', z: '0' });
  await add(page, 'turn');

  assert.equal(await page.locator('li.step').count(), 20);
  // the sketch of the brace is not dimensioned; everything else stands without a word
  assert.deepEqual(
    (await page.locator('.log .why b').allTextContents()).filter((t) => !/left free|ties this/.test(t)),
    [],
  );
  await edit(page, () => page.locator('#material').selectOption('own'));
  await edit(page, async () => {
    await page.locator('#density').fill(String(DENSITY));
    await page.keyboard.press('Tab');
  });
  await edit(page, () => page.locator('#density-unit').selectOption('lb/in3'));
  const pounds = Number((await page.locator('#mass').innerText()).match(/([\d.]+) lb/)[1]);
  const volume = await outside();
  assert.ok(Math.abs(pounds - volume * DENSITY) < 2e-4, `${pounds} lb is not ${volume * DENSITY} lb`);
  assert.ok(Math.abs(Number((await readout(page, 'Volume')).match(/[\d.]+/)[0]) - volume) < 1.5e-3);

  // while a value slides the part follows, picture after picture; how fast depends on the machine, which draws by software
  // here, and is told
  await shown(page);
  for (const [id, key] of [
    ['s20', 'angle'],
    ['s2', 'distance'],
  ]) {
    await page.locator(`#${id}-${key}`).focus();
    await page.waitForTimeout(800);
    const [rate, seen] = await page.evaluate(async (step) => {
      const host = document.querySelector('main.stage');
      const range = document.querySelector(`#step-${step} .slide input`);
      const pictures = () => Number(host.dataset.tried ?? 0);
      let v = Number(range.value);
      const slide = async (until) => {
        while (!until()) {
          range.value = v += Number(range.step);
          range.dispatchEvent(new Event('input'));
          await new Promise((r) => {
            setTimeout(r, 30);
          });
        }
      };
      // the first picture waits for the part before this step
      const [none, patience] = [pictures(), performance.now() + 60000];
      await slide(() => pictures() > none || performance.now() > patience);
      const [from, begin] = [pictures(), performance.now()];
      await slide(() => performance.now() - begin > 2000 && (pictures() - from >= 3 || performance.now() - begin > 60000));
      const seen = pictures() - from;
      const rate = seen / ((performance.now() - begin) / 1000);
      range.value = range.defaultValue;
      host.stage.triedEnough();
      return [rate, seen];
    }, id);
    t.diagnostic(`${id} ${key}: ${rate.toFixed(1)} pictures a second while it slides`);
    assert.ok(seen >= 3, `${seen} pictures`);
  }
  await page.reload();
  await page.locator('#state').waitFor({ state: 'attached' });

  // an early size is changed: everything later follows, and the arrow keys show it before it is settled
  await shown(page);
  await page.locator('#s2-distance').focus();
  await edit(page, async () => {
    await page.locator('#s2-distance').fill('0.625');
    await page.keyboard.press('Tab');
  });
  assert.deepEqual(
    (await page.locator('.log .why b').allTextContents()).filter((t) => !/left free|ties this/.test(t)),
    [],
  );
  await edit(page, () => page.locator('#undo').click());
  assert.match(await page.locator('#mass').innerText(), new RegExp(`${pounds} lb`));
  sound(page);
});

import { describe, expect, it } from '@jest/globals';
import type { Project } from '@stadion/core/document/model';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const pins = (project: Project, key: string): Record<string, number> =>
  project.parameters.find((entry) => entry.key === key)!.pins;
const focused = (): Promise<string> =>
  at.page.driver.executeScript<string>(
    `const cell = document.activeElement; return cell.getAttribute('role') === 'gridcell' ? cell.innerText.trim() : '';`,
  );
/** Puts the keyboard on a cell. @param column from 1: the first parameter */
const goTo = async (position: number, column: number): Promise<void> => {
  await at.page.chord(Key.HOME, Key.CONTROL);
  for (let i = 1; i < position; i++) await at.page.keys(Key.ARROW_DOWN);
  for (let i = 1; i < column; i++) await at.page.keys(Key.ARROW_RIGHT);
};
const copied = (): Promise<string> =>
  at.page.driver.executeScript<string>(
    `const data = new DataTransfer();
     document.activeElement.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }));
     return data.getData('text/plain');`,
  );
const paste = (text: string): Promise<void> =>
  at.page.driver.executeScript(
    `const data = new DataTransfer();
     data.setData('text/plain', arguments[0]);
     document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
    text,
  );

describe('Numbers', () => {
  it('stands as a grid and is gone over by the arrows', async () => {
    await at.open('ramps/slot-1');
    await at.page.clickName('radio', 'Numbers');
    await at.page.click(await at.page.find('[role=gridcell][aria-colindex="2"]'));
    await goTo(7, 1);
    await at.page.waitFor('the pinned speed at 7', async () => (await focused()).endsWith('2.55'));
    await at.page.seeText(
      /Hornet speed at 7: shape 2\.3 → at most 2\.7 2\.3 → rounded 0\.05 2\.3 → pinned 2\.55; \+0\.35/,
    );
    await at.page.keys(Key.ARROW_DOWN, Key.ARROW_RIGHT);
    await at.page.seeText('Hornets sent at 8:');
    await at.page.keys(Key.END);
    await at.page.seeText('Ant strength at 8:');
  });

  it('takes what is typed as a pin; Enter goes on below', async () => {
    await goTo(3, 1);
    await at.page.keys('2.9', Key.ENTER, '1,5*2', Key.ENTER);
    await at.saved('two pins', (p) => {
      const speed = pins(p, 'hornetSpeed');
      return speed['slot-3'] === 2.9 && speed['slot-4'] === 3;
    });
    await at.page.waitFor('the focus below', async () => (await focused()) === '2.2');
    await at.page.keys('7abc', Key.ENTER);
    await at.page.seeText(/“7abc” is not a number.*Kept: 2\.2\./s);
    expect(pins(await at.document(), 'hornetSpeed')['slot-5']).toBeUndefined();
  });

  it('shares are typed and shown in percent', async () => {
    await goTo(2, 3);
    await at.page.keys('62.5', Key.ENTER);
    await at.saved('a share', (p) => pins(p, 'nectarNeeded')['slot-2'] === 0.625);
  });

  it('marks a block with Shift, and Delete lets the ramp have it again', async () => {
    await goTo(3, 1);
    await at.page.chord(Key.ARROW_DOWN, Key.SHIFT);
    await at.page.seeText(/2 values marked: 2\.9 to 3, mean 2\.95/);
    await at.page.keys(Key.DELETE);
    await at.saved('no pins', (p) => !('slot-3' in pins(p, 'hornetSpeed')) && !('slot-4' in pins(p, 'hornetSpeed')));
  });

  it('copies a block as a spreadsheet takes it, and pastes one', async () => {
    await goTo(1, 1);
    await at.page.chord(Key.ARROW_DOWN, Key.SHIFT);
    await at.page.chord(Key.ARROW_RIGHT, Key.SHIFT);
    expect(await copied()).toBe('2\t0\n2\t0');
    await goTo(4, 1);
    await paste('2.7\t3\r\n2.8\t\r\n');
    await at.saved('three values; the empty cell changed nothing', (p) => {
      const [speed, sent] = [pins(p, 'hornetSpeed'), pins(p, 'hornetsSent')];
      return speed['slot-4'] === 2.7 && speed['slot-5'] === 2.8 && sent['slot-4'] === 3 && !('slot-5' in sent);
    });
    await paste('2.6\tmany');
    await at.page.seeText(/“many” is not a number.*Nothing was changed/s);
    expect(pins(await at.document(), 'hornetSpeed')['slot-4']).toBe(2.7);
  });

  it('pasting what is there changes nothing', async () => {
    const before = await at.document();
    await goTo(1, 1);
    await at.page.chord('a', Key.CONTROL);
    const all = await copied();
    expect(all.split('\n')).toHaveLength(24);
    await paste(all);
    await at.page.seeText('216 values marked');
    expect((await at.document()).parameters).toEqual(before.parameters);
  });

  it('fills with the first, and evenly', async () => {
    await goTo(4, 1);
    await at.page.chord(Key.ARROW_DOWN, Key.SHIFT);
    await at.page.chord(Key.ARROW_DOWN, Key.SHIFT);
    await at.page.chord(Key.ARROW_DOWN, Key.ALT);
    await at.saved('all as the first', (p) => pins(p, 'hornetSpeed')['slot-6'] === 2.7);
    await goTo(8, 4);
    await at.page.keys('50', Key.ENTER);
    await goTo(8, 4);
    for (let i = 0; i < 4; i++) await at.page.chord(Key.ARROW_DOWN, Key.SHIFT);
    await at.page.clickName('button', 'Fill evenly');
    // From 50 at 8 to the ramp's 44 at 12.
    await at.saved('from end to end', (p) => {
      const clock = pins(p, 'clock');
      return clock['slot-9'] === 48.5 && clock['slot-10'] === 47 && clock['slot-11'] === 45.5;
    });
  });

  it('shows changes in percent instead', async () => {
    await at.page.clickName('radio', 'Changes in %');
    await at.page.seeText('+10 %');
    await at.page.clickName('radio', 'Values');
  });

  it('goes out as CSV and comes in again, changing nothing', async () => {
    const csv = await (await fetch(`${at.server.address}/api/projects/${at.projectId}/files/values.csv`)).text();
    await choose('as-it-is.csv', csv);
    await at.page.seeText('It says what the project says: nothing would change.');
    await at.page.clickName('button', 'Close');
  });

  it('says what each cell of a CSV would change, and then changes it', async () => {
    await choose('dusk.csv', 'slot,Hornet speed,clock,wind\r\nslot-20,2.05,39,1\r\nslot-22,,41,2\r\n');
    await at.page.seeText('Left aside: “wind”, no such parameter. 22 levels are not in it and stay as they are.');
    const rows = await at.page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('table[aria-label=Changes] tbody tr')].map((row) => row.innerText.replace(/\\s+/g, ' '));`,
    );
    expect(rows).toEqual(['20 Hornet speed 2.7 → 2.05', '20 Clock 40 → 39', '22 Clock 40 → 41']);
    expect(pins(await at.document(), 'clock')['slot-20']).toBeUndefined();
    await at.page.clickName('button', 'Change 3 values');
    await at.saved(
      'three values',
      (p) => pins(p, 'clock')['slot-22'] === 41 && pins(p, 'hornetSpeed')['slot-20'] === 2.05,
    );
    await at.page.chord('z', Key.CONTROL);
    await at.saved('taken back as one', (p) => !('slot-22' in pins(p, 'clock')) && !('slot-20' in pins(p, 'clock')));
  });

  it('refuses a broken CSV whole, with its lines', async () => {
    const before = await at.document();
    await choose('broken.csv', 'position,clock\n3,44\n99,40\n4,soon\n');
    await at.page.seeText('It cannot be read. Nothing was changed.');
    await at.page.seeText('There is no level at position “99”.');
    await at.page.seeText('Clock: “soon” is not a number.');
    await at.page.clickName('button', 'Close');
    expect(await at.document()).toEqual(before);
  });

  async function choose(name: string, text: string): Promise<void> {
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-')), name);
    fs.writeFileSync(file, text);
    await at.page.driver.findElement({ css: 'input[type=file][aria-label="CSV file of values"]' }).sendKeys(file);
  }
});

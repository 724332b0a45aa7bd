import { describe, expect, it } from '@jest/globals';
import type { Piece, Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { groundPointer } from '../harness/ground.ts';
import { journey } from '../harness/journey.ts';

const at = journey();
/** Lavender Bank is 24 × 14. */
const pointer = groundPointer(at, [24, 14]);
const bank = (p: Project) => p.levels['lavender-bank']!.ground;
const count = (p: Project, kind: string): number =>
  bank(p).pieces.filter((piece) => 'kind' in piece && piece.kind === kind).length;
const piece = (p: Project, id: string): Piece | undefined => bank(p).pieces.find((one) => one.id === id);
const last = (p: Project): Piece => bank(p).pieces.at(-1)!;
const focusStage = (): Promise<void> =>
  at.page.driver.executeScript('document.querySelector("[role=application]").focus()');

describe('the ground view, by the pointer', () => {
  it('opens by its key and says what the ground comes to', async () => {
    await at.open('level/slot-7');
    await at.page.byName('button', '+ way to win');
    await at.page.keys('g');
    await at.page.seeText('All 20 things to gather or reach can be reached.');
    expect(await at.page.driver.getCurrentUrl()).toContain('view=ground');
  });

  it('puts walls along the way of a drag, as one edit', async () => {
    const before = (await at.document()).levels['lavender-bank']!.ground.rows;
    await at.page.clickName('button', /^Wall/);
    await pointer.drag([10, 9], [12, 9], [15, 9]);
    await at.saved('walls', (p) => bank(p).rows[9]!.slice(10, 16) === '######');
    await at.page.chord('z', Key.CONTROL);
    await at.saved('as before by one undo', (p) => bank(p).rows.join() === before.join());
    await at.page.keys(Key.ESCAPE);
  });

  it('puts a kind along a drag, and an area over its cells', async () => {
    const clovers = count(await at.document(), 'clover');
    await at.page.clickName('button', /^Clover/);
    await pointer.drag([4, 11], [6, 11]);
    await at.saved('three more', (p) => count(p, 'clover') === clovers + 3);
    await at.page.clickName('button', /^Pond/);
    await pointer.drag([14, 10], [16, 11]);
    await at.saved('a pond of 3 × 2', (p) => {
      const { width, height } = last(p) as Extract<Piece, { piece: 'hazard' }>;
      return width === 3 && height === 2;
    });
    await at.page.find('[aria-label^="What is held: Pond"]');
  });

  it('holds what is clicked, says it as a sentence, and moves it', async () => {
    await at.page.clickName('button', /^Pond/);
    await pointer.click(11, 10);
    await at.page.find('[aria-label="What is held: Hornet spawner 1"]');
    await pointer.drag([11, 10], [14, 5]);
    await at.saved('moved', (p) => piece(p, 'nest')?.at.x === 14.5 && piece(p, 'nest')?.at.y === 5.5);
  });

  it('changes the numbers of what is held: by hand, by a parameter, × and +', async () => {
    await at.page.typeInto('First after: Hornet spawner 1', '3.5');
    await at.saved('3.5 s', (p) => JSON.stringify(piece(p, 'nest')).includes('3.5'));
    const chip = await at.page.byName('button', 'How many: Hornet spawner 1');
    await at.page.driver.executeScript('arguments[0].focus()', chip);
    await at.page.keys('=');
    await at.page.clickName('parameter', /^Beetles/);
    await at.saved('follows', (p) => JSON.stringify(piece(p, 'nest')).includes('"parameter":"beetles"'));
    await at.page.clickName('button', '× and + on what How many: Hornet spawner 1 follows');
    await at.saved('1.1 times', (p) => JSON.stringify(piece(p, 'nest')).includes('"times":1.1'));
  });

  it('draws the way of a patrol point by point, and drags a point', async () => {
    await pointer.click(16, 4);
    await at.page.find('[aria-label="What is held: Wasp 1"]');
    await at.page.clickName('button', 'add points');
    await pointer.click(20, 8);
    await at.saved(
      'a point more',
      (p) => (piece(p, 'wasp-1') as Extract<Piece, { piece: 'enemy' }>).path?.length === 2,
    );
    await at.page.clickName('button', 'let go');
    await pointer.drag([20, 8], [21, 10]);
    await at.saved(
      'the point dragged',
      (p) =>
        JSON.stringify((piece(p, 'wasp-1') as Extract<Piece, { piece: 'enemy' }>).path?.at(-1)) ===
        '{"x":21.5,"y":10.5}',
    );
  });

  it('ties a latch to a gate by clicking it', async () => {
    await at.page.clickName('button', /^Gate/);
    await pointer.drag([2, 8], [3, 8]);
    await at.page.clickName('button', /^Latch/);
    await pointer.click(2, 10);
    await at.page.clickName('button', /^Latch/);
    await at.page.clickName('button', 'tie to gates');
    await pointer.click(3, 8);
    await at.saved('tied', (p) => bank(p).pieces.some((one) => one.piece === 'latch' && one.opens.length === 1));
    await at.page.clickName('button', 'let go');
  });

  it('holds all inside a drag, copies and pastes them to another level', async () => {
    await at.page.waitFor('all inside held', async () => {
      await pointer.drag([1, 9], [8, 12]);
      return at.page.driver.executeScript<boolean>(
        `return document.querySelector('[aria-label="What is held"]') !== null`,
      );
    });
    await focusStage();
    await at.page.chord('c', Key.CONTROL);
    await at.page.seeText(/pieces copied/);
    const there = (p: Project): number => p.levels[p.slots[5]!.levelId]!.ground.pieces.length;
    const before = there(await at.document());
    await at.open('level/slot-6?view=ground');
    await at.page.seeText('drawn on it');
    // The browser may not have given the page the focus yet: then the keys go nowhere, and are pressed again.
    await at.page.waitFor('more pieces there', async () => {
      await focusStage();
      await at.page.chord('v', Key.CONTROL);
      await at.page.driver.sleep(500);
      return there(await at.document()) > before;
    });
    await at.page.find('[aria-label="What is held"]');
  });

  it('refuses what is no copy, with a word', async () => {
    await at.page.driver.executeScript(
      `const data = new DataTransfer(); data.setData('text/plain', 'milk, bread');
       document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));`,
    );
    await at.page.seeText('This is no copy of pieces.');
  });

  it('asks before it removes what rules name, and lists them', async () => {
    await at.open('level/slot-7?view=ground');
    await pointer.click(21, 2);
    await at.page.find('[aria-label="What is held: Hive mouth"]');
    await at.page.clickName('button', 'remove');
    await at.page.seeText('the bee is inside Hive mouth');
    await at.page.clickName('answer', 'Keep');
  });

  it('draws what is known: reach, sight, where players pass; the fastest time can become par', async () => {
    await at.open('level/slot-9?view=ground');
    for (const name of ['how far it is', 'sight', 'where they pass', 'fastest way'])
      await at.page.clickName('button', name);
    await at.page.seeText(/The fastest of \d+ players without faults takes/);
    await at.page.clickName('button', /^Make \d+ s the par/);
    await at.saved('a par', (p) => p.levels[p.slots[8]!.levelId]!.clock.parSeconds !== null);
  });
});

describe('whole grounds', () => {
  it('are mirrored, scattered and made larger', async () => {
    await at.open('level/slot-7?view=ground');
    const before = bank(await at.document());
    const { x } = before.pieces.find((one) => one.piece === 'start')!.at;
    await at.page.clickName('button', /^Whole ground/);
    await at.page.clickName('menuitem', 'Mirror left and right');
    await at.saved('the start on the other side', (p) => piece(p, 'start')!.at.x === 24 - x);
    await at.page.clickName('button', /^Whole ground/);
    await at.page.clickName('menuitem', 'Scatter a kind…');
    await at.page.typeInto('How many', '5');
    await at.page.clickName('button', 'Scatter');
    await at.saved('five clovers', (p) => count(p, 'clover') === 5);
    await at.page.clickName('button', /^Whole ground/);
    await at.page.clickName('menuitem', /^Size/);
    await at.page.typeInto('Cells at the right', '4');
    await at.page.clickName('button', 'Make it so');
    await at.saved('wider', (p) => bank(p).rows[0]!.length === before.rows[0]!.length + 4);
  });

  it('are edited as text, with faults by line and column', async () => {
    await at.page.clickName('button', 'As text');
    const field = await at.page.find('textarea');
    await field.click();
    await at.page.chord(Key.HOME, Key.CONTROL);
    await at.page.keys('§');
    await at.page.clickName('button', /^Make it the ground/);
    await at.page.seeText('Line 1, column 1');
    await at.page.seeText('stands for nothing here');
    await field.click();
    await at.page.chord(Key.HOME, Key.CONTROL);
    await at.page.keys(Key.DELETE, Key.ARROW_DOWN, Key.ARROW_RIGHT, Key.DELETE, '#');
    await at.page.clickName('button', /^Make it the ground/);
    await at.saved('a wall more', (p) => bank(p).rows[1]!.startsWith('##'));
  });
});

describe('the ground view, by keys alone', () => {
  const spoken = (): Promise<string> => at.page.textOf('p[role=status].truncate');

  it('says each cell, puts, holds, moves and removes', async () => {
    await at.open('level/slot-1?view=ground');
    const level = (p: Project) => p.levels[p.slots[0]!.levelId]!.ground;
    const before = level(await at.document());
    await focusStage();
    const start = before.pieces.find((one) => one.piece === 'start')!.at;
    await at.page.keys(Key.ARROW_RIGHT);
    const [column, row] = [Math.floor(start.x) + 2, Math.floor(start.y) + 1];
    await at.page.waitFor('the cell said', async () => (await spoken()).startsWith(`column ${column}, row ${row}:`));
    await at.page.keys('l');
    await at.page.waitFor('latch in hand', async () => /In hand: La/.test(await spoken()));
    await at.page.keys('l');
    await at.page.keys(Key.ENTER);
    await at.saved('one more', (p) => level(p).pieces.length === before.pieces.length + 1);
    const id = level(await at.document()).pieces.at(-1)!.id;
    await at.page.keys(Key.ESCAPE, 'm', Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ENTER);
    await at.saved('two cells on', (p) => level(p).pieces.find((one) => one.id === id)?.at.x === column - 0.5 + 2);
    await at.page.keys(Key.DELETE);
    await at.saved('gone again', (p) => level(p).pieces.every((one) => one.id !== id));
  });

  it('spans an area from corner to corner', async () => {
    await at.page.keys('p', Key.ENTER, Key.ARROW_LEFT, Key.ARROW_UP, Key.ENTER);
    await at.saved('a pond of 2 × 2', (p) => {
      const one = p.levels[p.slots[0]!.levelId]!.ground.pieces.at(-1) as Extract<Piece, { piece: 'hazard' }>;
      return one.width === 2 && one.height === 2;
    });
  });
});

describe('two people at one ground', () => {
  it('do not clash unless they touch the same piece', async () => {
    await at.open('level/slot-4?view=ground');
    const level = (p: Project) => p.levels[p.slots[3]!.levelId]!.ground;
    const document = await at.document();
    const address = `${at.server.address}/api/projects/${at.projectId}`;
    const clovers = level(document).pieces.filter((one) => one.piece === 'collectable');
    const [mine, theirs] = [clovers[0]!, clovers[1]!];
    const levelId = document.slots[3]!.levelId;
    await at.page.cutOff(true);
    await focusStage();
    // Mine, while the line is cut.
    const here = groundPointer(at, [level(document).rows[0]!.length, level(document).rows.length]);
    await here.click(Math.floor(mine.at.x), Math.floor(mine.at.y));
    await focusStage();
    await at.page.keys('m', Key.ARROW_DOWN, Key.ENTER);
    // Theirs, meanwhile.
    const tag = (await fetch(address)).headers.get('etag')!;
    const edit = {
      id: 'their-edit-1',
      label: 'Move a clover',
      patch: [{ op: 'replace', path: `/levels/${levelId}/ground/pieces/${theirs.id}/at`, value: { x: 9.5, y: 9.5 } }],
    };
    await fetch(address, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json', 'If-Match': tag },
      body: JSON.stringify({ edits: [edit] }),
    });
    await at.page.cutOff(false);
    await at.saved('both', (p) => {
      const of = (id: string) => level(p).pieces.find((one) => one.id === id)!.at;
      return of(mine.id).y === mine.at.y + 1 && of(theirs.id).x === 9.5;
    });
    await at.page.seeText('All edits saved');
  });
});

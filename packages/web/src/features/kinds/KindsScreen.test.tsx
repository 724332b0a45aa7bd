/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { expect, it } from '@jest/globals';
import { fireEvent, screen, within } from '@testing-library/react';

const { openProject } = await import('../../testing/openProject.tsx');
const { KindsScreen } = await import('./KindsScreen.tsx');

it('selects the name of a new kind, so that it can be typed over at once', async () => {
  const project = await openProject(<KindsScreen />, { path: 'kinds/slot-1' });
  await project.changed(() => fireEvent.keyDown(screen.getByRole('button', { name: '+ kind' }), { key: 'Enter' }));
  await project.changed(() => fireEvent.click(screen.getByRole('menuitem', { name: 'One that is gathered' })));

  const field = within(screen.getByRole('region', { name: 'To gather' })).getByRole('textbox', { name: 'Its name' });
  expect(document.activeElement).toBe(field);
  fireEvent.change(field, { target: { value: 'Black pearl' } });
  await project.changed(() => fireEvent.keyDown(field, { key: 'Enter' }));
  expect(project.now().kinds.collectables.at(-1)?.name).toBe('Black pearl');
  expect(screen.queryByRole('textbox', { name: 'Its name' })).toBeNull();
});

it('names a change of a kind without a level, as it holds in every level', async () => {
  const project = await openProject(<KindsScreen />, { path: 'kinds/slot-1' });
  const chip = screen.getByRole('button', { name: /^Worth of Clover/ });
  await project.changed(() => fireEvent.keyDown(chip, { key: 'ArrowUp' }));
  await project.changed(() => fireEvent.blur(chip));
  expect(project.store.getState().document.open!.pending.at(-1)?.edit.label).toMatch(/^Worth of Clover to \d+$/);
});

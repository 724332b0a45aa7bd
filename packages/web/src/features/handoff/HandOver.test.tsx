/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { afterEach, describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { stadionApi } from '../../api/stadionApi.ts';
import { openProject, type OpenProject } from '../../testing/openProject.tsx';
import { HandOver } from './HandOver.tsx';

const button = (): HTMLButtonElement => screen.getByRole('button', { name: 'Hand over' });
const field = (name: string): HTMLInputElement => screen.getByRole('textbox', { name });

/** The server's checks of the project as it is have this result. */
const checked = ({ changed, dispatch, projectId }: OpenProject, failures: string[]): Promise<void> =>
  changed(() =>
    dispatch(stadionApi.util.upsertQueryData('handOffChecks', { projectId, state: stateOf() }, { failures } as never)),
  );
let page: OpenProject;
/** The key by which the page asks for checks: revision, and the decided expectations. */
const stateOf = (): string => {
  const { queries } = page.store.getState()[stadionApi.reducerPath] as {
    queries: Record<string, { originalArgs?: unknown }>;
  };
  const [asked] = Object.entries(queries).filter(([key]) => key.startsWith('handOffChecks'));
  return (asked![1].originalArgs as { state: string }).state;
};

describe('handing over', () => {
  afterEach(() => page.changed(() => page.dispatch(stadionApi.util.resetApiState())));

  it('waits for the checks that are under way', async () => {
    page = await openProject(<HandOver />);
    expect(screen.getByText('The checks are under way')).toBeTruthy();
    expect(screen.getByText('It can be handed over once they are done.')).toBeTruthy();
    expect(field('Label').value).toBe('First hand-off');
    expect(button().disabled).toBe(true);
    await checked(page, []);
    expect(screen.getByText('All checks pass')).toBeTruthy();
    expect(button().disabled).toBe(false);
  });

  it('asks for a reason while a check fails', async () => {
    page = await openProject(<HandOver />);
    await checked(page, ['Level 17: nobody can win.']);
    expect(screen.getByText('1 check fails')).toBeTruthy();
    expect(screen.getByText('Level 17: nobody can win.')).toBeTruthy();
    expect(button().disabled).toBe(true);
    expect(field('Why it is handed over so')).toBeTruthy();
  });

  it('waits until the last edits have reached the server', async () => {
    page = await openProject(<HandOver />);
    await checked(page, []);
    await page.replace('/levels/clover-steps/name', 'Clover Stairs');
    expect(screen.getByText('The last edits are still on their way.')).toBeTruthy();
    expect(button().disabled).toBe(true);
  });
});

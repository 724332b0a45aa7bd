/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { Segmented } from './Segmented.tsx';
import { TextInPlace } from './TextInPlace.tsx';

// Charts draw on a canvas, which jsdom has not.
jest.unstable_mockModule('./Bars.tsx', () => ({ default: () => null }));
const { Distribution } = await import('./Distribution.tsx');

afterEach(cleanup);

describe('text in place', () => {
  const onCommit = jest.fn<(text: string) => void>();
  beforeEach(() => void onCommit.mockClear());
  const refuse = (text: string): string | undefined => (text === '' ? 'A level needs a name.' : undefined);
  const edit = (text: string): HTMLElement => {
    render(<TextInPlace label="Name" value="Clover Steps" refuse={refuse} onCommit={onCommit} />);
    fireEvent.click(screen.getByRole('button', { name: 'Name: Clover Steps. Edit' }));
    const field = screen.getByRole('textbox', { name: 'Name' });
    fireEvent.change(field, { target: { value: text } });
    return field;
  };

  it.each([
    ['Enter', (field: HTMLElement) => fireEvent.keyDown(field, { key: 'Enter' })],
    ['leaving', (field: HTMLElement) => fireEvent.blur(field)],
  ])('keeps what was typed by %s, without spaces around it', (_how, end) => {
    end(edit('  Wet Grass '));
    expect(onCommit.mock.calls).toEqual([['Wet Grass']]);
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  it('gives up by Escape', () => {
    fireEvent.keyDown(edit('Wet Grass'), { key: 'Escape' });
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('says why a text cannot be taken, and stays open', () => {
    const field = edit('   ');
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toBe('A level needs a name.');
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('makes no edit of the same text', () => {
    fireEvent.keyDown(edit('Clover Steps'), { key: 'Enter' });
    expect(onCommit).not.toHaveBeenCalled();
  });
});

describe('one of a few', () => {
  it('says which, and cannot be emptied', () => {
    const onChange = jest.fn<(value: string) => void>();
    const options = ['Novice', 'Steady'].map((label) => ({ value: label.toLowerCase(), label }));
    render(<Segmented label="Pacer" value="steady" options={options} onChange={onChange} />);
    expect(screen.getByRole('radio', { name: 'Steady' }).getAttribute('aria-checked')).toBe('true');
    fireEvent.click(screen.getByRole('radio', { name: 'Steady' }));
    expect(onChange).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('radio', { name: 'Novice' }));
    expect(onChange.mock.calls).toEqual([['novice']]);
  });
});

describe('a distribution', () => {
  const onMove = jest.fn<(value: number) => void>();
  beforeEach(() => void onMove.mockClear());
  const show = (value: number, movable = true): Promise<void> =>
    act(
      async () =>
        void render(
          <Distribution
            values={[5, 12, 20, 20, 31]}
            high={46}
            unit="s"
            label="Time left: 5 attempts"
            thresholds={[{ label: '★★', name: '2 stars', value, ...(movable ? { onMove } : {}) }]}
            colourAt={() => 'green'}
          />,
        ),
    );

  it('is described in words, with an axis', async () => {
    await show(12);
    expect(screen.getByRole('img', { name: 'Time left: 5 attempts' })).toBeTruthy();
    expect(screen.getByText('40 s')).toBeTruthy();
  });

  it('moves a threshold by the keys', async () => {
    await show(12);
    const handle = screen.getByRole('slider', { name: '2 stars' });
    expect(handle.getAttribute('aria-valuetext')).toBe('12 s');
    fireEvent.keyDown(handle, { key: 'ArrowRight' });
    fireEvent.keyDown(handle, { key: 'ArrowLeft' });
    expect(onMove.mock.calls).toEqual([[13], [11]]);
  });

  it('shows one beyond the axis at its end, and says so', async () => {
    await show(70);
    expect(screen.getByText(/70 s →/)).toBeTruthy();
  });

  it('leaves one alone that follows a parameter', async () => {
    await show(12, false);
    const handle = screen.getByRole('slider', { name: '2 stars' });
    fireEvent.keyDown(handle, { key: 'ArrowRight' });
    expect(handle.getAttribute('aria-disabled')).toBe('true');
    expect(onMove).not.toHaveBeenCalled();
  });
});

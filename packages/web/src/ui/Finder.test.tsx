/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { Finder, isFound } from './Finder.tsx';

const chosen = jest.fn();
const entries = [
  { id: 'a', label: 'Open the gate', also: 'latch', onChoose: () => chosen('a') },
  { id: 'b', label: 'Send a wave', onChoose: () => chosen('b') },
  { id: 'c', label: 'Shut the gate', onChoose: () => chosen('c') },
];

// jsdom draws nothing, scrolls nothing and measures nothing.
Element.prototype.scrollIntoView = () => undefined;
globalThis.ResizeObserver = class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};

describe('a list to search in', () => {
  it.each([
    ['', ['a', 'b', 'c']],
    ['gate', ['a', 'c']],
    ['GATE shut', ['c']],
    ['latch', ['a']],
    ['nothing', []],
  ])('“%s” finds %j', (text, ids) => {
    const matching = entries.filter(({ label, also = '' }) => isFound(`${label} ${also}`, text));
    expect(matching.map((entry) => entry.id)).toEqual(ids);
  });

  it('is gone through by the arrows and chosen from by Enter', () => {
    render(<Finder label="What?" placeholder="…" entries={entries} trigger={<button type="button">+ rule</button>} />);
    fireEvent.click(screen.getByText('+ rule'));
    const field = screen.getByRole('combobox');
    fireEvent.change(field, { target: { value: 'gate' } });
    expect(screen.getAllByRole('option').map((option) => option.textContent)).toEqual([
      'Open the gate',
      'Shut the gate',
    ]);
    fireEvent.keyDown(field, { key: 'ArrowUp' });
    expect(screen.getByRole('option', { selected: true }).textContent).toBe('Shut the gate');
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(chosen).toHaveBeenCalledWith('c');
    expect(screen.queryByRole('combobox')).toBeNull();
  });
});

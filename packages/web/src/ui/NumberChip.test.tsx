/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { Binding } from './number.ts';
import { NumberChip } from './NumberChip.tsx';

/** jsdom has no layout and no pointer capture; floating parts ask for both. */
beforeEach(() => {
  jest.useFakeTimers();
  globalThis.ResizeObserver = class {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
  };
  HTMLElement.prototype.setPointerCapture = () => undefined;
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const onCommit = jest.fn<(value: number) => void>();
beforeEach(() => void onCommit.mockClear());
const chip = (): HTMLElement => screen.getByRole('button', { name: /^Clock:/ });
const show = (more: Partial<Parameters<typeof NumberChip>[0]> = {}) =>
  render(<NumberChip label="Clock" value={48} step={1} min={1} max={60} unit="s" onCommit={onCommit} {...more} />);
const field = (): HTMLInputElement => screen.getByRole('textbox');
const type = (text: string): void => {
  fireEvent.click(chip());
  fireEvent.change(field(), { target: { value: text } });
  fireEvent.keyDown(field(), { key: 'Enter' });
};
/** jsdom's pointer events have no place. */
const point = (what: 'pointerdown' | 'pointermove' | 'pointerup', clientX: number): boolean =>
  fireEvent(chip(), new MouseEvent(what, { bubbles: true, clientX }));
const wait = (ms: number): void => act(() => void jest.advanceTimersByTime(ms));

describe('a number chip', () => {
  it('says its number and unit', () => {
    show();
    expect(chip().textContent).toBe('48 s');
  });

  it.each([
    ['30', 30],
    ['48*1.25', 60],
    ['2,5', 2.5],
  ])('takes %j typed as %d', (text, value) => {
    show();
    type(text);
    expect(onCommit.mock.calls).toEqual([[value]]);
  });

  it('takes a percentage as a share where there is something to be a share of', () => {
    const onShare = jest.fn<(share: number) => void>();
    show({ unit: '', onShare });
    type('40 %');
    expect(onShare.mock.calls).toEqual([[0.4]]);
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('refuses a percentage where there is nothing to be a share of, and says what to enter', () => {
    show();
    type('40 %');
    expect(onCommit).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toContain('Enter a number of s.');
  });

  it.each([
    ['soon', '“soon” is not a number'],
    ['0', 'At least 1 s.'],
    ['61', 'At most 60 s.'],
    ['', 'A number is expected.'],
    ['1/0', 'This divides by zero.'],
  ])('refuses %j, says why and what was kept', (text, reason) => {
    show();
    type(text);
    expect(screen.getByRole('alert').textContent).toContain(reason);
    expect(screen.getByRole('alert').textContent).toContain('Kept: 48.');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('refuses halves where whole numbers are meant', () => {
    show({ whole: true });
    type('2.5');
    expect(screen.getByRole('alert').textContent).toContain('A whole number.');
  });

  it('shows and takes a share in percent', () => {
    show({ value: 0.5, scale: 100, unit: '%', min: 0, max: 1, step: 0.01 });
    expect(chip().textContent).toBe('50 %');
    type('75 %');
    expect(onCommit.mock.calls).toEqual([[0.75]]);
  });

  it('starts typing with the digit that is pressed on it', () => {
    show();
    fireEvent.keyDown(chip(), { key: '3' });
    expect(field().value).toBe('3');
    fireEvent.change(field(), { target: { value: '35' } });
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(onCommit.mock.calls).toEqual([[35]]);
  });

  it('leaves the number alone when nothing was changed', () => {
    show();
    type('48');
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('nudges by the arrows and makes one edit of several', () => {
    show();
    for (const key of ['ArrowUp', 'ArrowUp', 'ArrowRight', 'ArrowDown']) fireEvent.keyDown(chip(), { key });
    expect(chip().textContent).toBe('50 s');
    expect(onCommit).not.toHaveBeenCalled();
    wait(400);
    expect(onCommit.mock.calls).toEqual([[50]]);
  });

  it('nudges by ten with Shift, and stops at its limits', () => {
    show();
    for (let i = 0; i < 3; i++) fireEvent.keyDown(chip(), { key: 'ArrowUp', shiftKey: true });
    wait(400);
    expect(onCommit.mock.calls).toEqual([[60]]);
  });

  it.each([
    ['when it loses the focus', () => fireEvent.blur(chip())],
    ['when the page goes', () => fireEvent(window, new Event('pagehide'))],
    ['when its part of the screen goes', () => cleanup()],
  ])('makes the edit at once %s', (_case, leave) => {
    show();
    fireEvent.keyDown(chip(), { key: 'ArrowDown' });
    leave();
    expect(onCommit.mock.calls).toEqual([[47]]);
  });

  it('scrubs by dragging, a step every four pixels, and does not open', () => {
    show();
    point('pointerdown', 100);
    point('pointermove', 90);
    point('pointermove', 80);
    expect(chip().textContent).toBe('43 s');
    point('pointerup', 80);
    fireEvent.click(chip());
    expect(onCommit.mock.calls).toEqual([[43]]);
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  it('can be taken away where that is possible', () => {
    const onClear = jest.fn();
    show({ onClear });
    fireEvent.click(chip());
    fireEvent.click(screen.getByRole('button', { name: 'Take this number away' }));
    expect(onClear).toHaveBeenCalledTimes(1);
  });

  it('shows a dash where there is none yet', () => {
    show({ value: null });
    expect(chip().textContent).toBe('—');
  });
});

describe('following a parameter', () => {
  const onBind = jest.fn<(key: string) => void>();
  beforeEach(() => void onBind.mockClear());
  const binding = (bound?: string): Binding => ({
    options: [
      { key: 'clock', label: 'Clock', shown: '46' },
      { key: 'rest', label: 'Rest', shown: '8' },
    ],
    bound,
    onBind,
  });

  it('opens with = and takes the chosen one', () => {
    show({ binding: binding() });
    fireEvent.keyDown(chip(), { key: '=' });
    fireEvent.click(screen.getByRole('button', { name: /^Rest/ }));
    expect(onBind.mock.calls).toEqual([['rest']]);
  });

  it('goes through the list by the arrows', () => {
    show({ binding: binding() });
    fireEvent.keyDown(chip(), { key: '=' });
    act(() => screen.getByRole('button', { name: /^Clock 46/ }).focus());
    fireEvent.keyDown(document.activeElement!, { key: 'ArrowDown' });
    expect(document.activeElement!.textContent).toContain('Rest');
  });

  it('is not nudged away, and says so', () => {
    show({ binding: binding('clock') });
    fireEvent.keyDown(chip(), { key: 'ArrowUp' });
    wait(400);
    expect(onCommit).not.toHaveBeenCalled();
    expect(screen.getByRole('status').textContent).toContain('follows a parameter');
  });

  it('gives way to a number of its own, even the same one', () => {
    show({ binding: binding('clock') });
    type('48');
    expect(onCommit.mock.calls).toEqual([[48]]);
  });

  it('offers a new one, from the present value on, also when there is none', () => {
    const onNew = jest.fn<(name: string) => void>();
    show({ binding: { options: [], bound: undefined, onBind, onNew, newName: 'Clock' } });
    fireEvent.keyDown(chip(), { key: '=' });
    expect(screen.getByText('There is no parameter to follow yet.')).toBeTruthy();
    fireEvent.click(screen.getByText('+ new, from the present value on'));
    const name = screen.getByLabelText('Name of the new parameter');
    fireEvent.change(name, { target: { value: 'Dusk' } });
    fireEvent.keyDown(name, { key: 'Enter' });
    expect(onNew.mock.calls).toEqual([['Dusk']]);
  });
});

/** @jest-environment jsdom */
import '../testing/browserGlobals.ts';
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { createElement, Suspense } from 'react';
import { loadParts, part } from './parts.ts';
import { Waiting } from './Waiting.tsx';

const Shown = (): null => null;

describe('parts that come after the first screen', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  it('are loaded one after the other once the first screen had its time, also those that a part names', async () => {
    const loaded: string[] = [];
    part(async () => {
      loaded.push('ground');
      part(async () => {
        loaded.push('sections');
        return Shown;
      });
      return Shown;
    });
    part(() => Promise.reject(new Error('The server is away.')));
    part(async () => {
      loaded.push('history');
      return Shown;
    });
    loadParts([async () => void loaded.push('schema')]);
    expect(loaded).toEqual([]);
    await jest.advanceTimersByTimeAsync(2000);
    expect(loaded).toEqual(['schema', 'ground', 'history', 'sections']);
  });

  it('are not loaded after the screen has been left', async () => {
    const load = jest.fn(async () => undefined);
    loadParts([load])();
    await jest.advanceTimersByTimeAsync(5000);
    expect(load).not.toHaveBeenCalled();
  });

  it('open by themselves once the server is back, and say meanwhile what they wait for', async () => {
    let isServed = false;
    globalThis.fetch = jest.fn(async () => {
      if (!isServed) throw new TypeError('Failed to fetch');
      return { ok: true } as Response;
    });
    const Ground = part(async () => {
      if (!isServed) throw new TypeError('Failed to load');
      return () => createElement('p', null, 'The ground');
    });
    render(createElement(Suspense, { fallback: createElement(Waiting) }, createElement(Ground)));
    await act(() => jest.advanceTimersByTimeAsync(2500));
    expect(screen.getByRole('status').textContent).toMatch(/^Waiting for the server/);
    isServed = true;
    await act(() => jest.advanceTimersByTimeAsync(4000));
    expect(screen.getByText('The ground')).toBeTruthy();
  });
});

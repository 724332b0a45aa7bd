/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { fireEvent, renderHook } from '@testing-library/react';
import { keysNow, useHeldKeys } from './useAttempt.ts';

it('a press that is shorter than a tick counts for one tick, and a held key for all', () => {
  const { current } = renderHook(() => useHeldKeys()).result;
  fireEvent.keyDown(window, { code: 'ArrowUp' });
  fireEvent.keyUp(window, { code: 'ArrowUp' });
  fireEvent.keyDown(window, { code: 'ArrowRight' });
  expect([...keysNow(current.current)].toSorted()).toEqual(['ArrowRight', 'ArrowUp']);
  expect([...keysNow(current.current)]).toEqual(['ArrowRight']);
  fireEvent.keyUp(window, { code: 'ArrowRight' });
  expect(keysNow(current.current).size).toBe(0);
});

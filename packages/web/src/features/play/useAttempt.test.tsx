/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { prepareLevel } from '@stadion/core/play/movement';
import { act, fireEvent, renderHook, waitFor } from '@testing-library/react';
import { useAttempt } from './useAttempt.ts';

const nothing = (): void => undefined;
const stands = { current: false };
const meetings = { stands, onTick: nothing, onBegin: nothing, onLook: nothing };

it('an attempt that begins from a state has its points, and stands still until the first key is pressed', async () => {
  const level = prepareLevel(homeBeforeDusk(), 9);
  const { current } = renderHook(() =>
    useAttempt(level, { won: 'stand', lost: 'stand' } as never, nothing, nothing, meetings),
  ).result;
  await waitFor(() => expect(current.state.current.tick).toBeGreaterThan(1));
  act(() => current.restart({ bonus: 30, clockSeconds: 12 }, true));
  const { bonus, clockSeconds } = current.recording.current.from;
  expect([bonus, clockSeconds]).toEqual([30, 12]);
  const tickAtFirst = current.state.current.tick;
  await new Promise((resolve) => setTimeout(resolve, 120));
  expect(current.waiting.current).toBe(true);
  expect(current.state.current.tick).toBe(tickAtFirst);
  fireEvent.keyDown(window, { code: 'ArrowRight' });
  await waitFor(() => expect(current.state.current.tick).toBeGreaterThan(tickAtFirst + 1));
  expect(current.waiting.current).toBe(false);
});

/** @jest-environment jsdom */
import { beforeEach, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';

/** The messages that the engine has received, and the way to answer them. */
const messages: { id: number; stop?: true; question?: unknown }[] = [];
let hear: (message: { data: unknown }) => void = () => undefined;
class FakeThread {
  addEventListener(_type: string, listener: typeof hear): void {
    hear = listener;
  }
  postMessage(message: (typeof messages)[number]): void {
    messages.push(message);
  }
}
Object.assign(globalThis, { Worker: FakeThread });
const { answerHook } = await import('./useAnswer.ts');

const answer = (data: object): void => act(() => hear({ data: { id: messages.at(-1)!.id, ...data } }));
const show = (key: string, isPaused = false) => {
  const useAnswer = answerHook('ways', { kept: 2 });
  return renderHook(({ asked, paused }) => useAnswer({ key: asked, question: () => asked as never }, paused), {
    initialProps: { asked: key, paused: isPaused },
  });
};
beforeEach(() => void (messages.length = 0));

it('an answer comes part by part, and is shown as stale after the question has changed', () => {
  const { result, rerender } = show('one');
  expect(messages.map(({ question }) => question)).toEqual(['one']);
  answer({ answer: 'half', done: false });
  expect(result.current).toMatchObject({ answer: 'half', done: false, stale: false });
  rerender({ asked: 'two', paused: false });
  expect(result.current).toMatchObject({ answer: 'half', stale: true });
  answer({ answer: 'whole', done: true });
  expect(result.current).toMatchObject({ answer: 'whole', done: true, stale: false });
});

it('a question that was answered whole is not asked again', () => {
  const { result, rerender } = show('one');
  answer({ answer: 'first', done: true });
  rerender({ asked: 'two', paused: false });
  answer({ answer: 'second', done: true });
  rerender({ asked: 'one', paused: false });
  expect(messages).toHaveLength(2);
  expect(result.current).toMatchObject({ answer: 'first', done: true, stale: false });
});

it('while paused nothing is asked and the work under way stops; going on asks again', () => {
  const { result, rerender } = show('one');
  rerender({ asked: 'one', paused: true });
  expect(messages.at(-1)).toMatchObject({ stop: true });
  rerender({ asked: 'two', paused: true });
  expect(messages.some(({ question }) => question === 'two')).toBe(false);
  rerender({ asked: 'two', paused: false });
  expect(messages.at(-1)).toMatchObject({ question: 'two' });
  answer({ answer: 'second', done: true });
  expect(result.current).toMatchObject({ answer: 'second', stale: false });
});

it('an answer that is known is shown while paused', () => {
  const { result, rerender } = show('one');
  answer({ answer: 'first', done: true });
  rerender({ asked: 'one', paused: true });
  expect(result.current).toMatchObject({ answer: 'first', done: true, stale: false });
});

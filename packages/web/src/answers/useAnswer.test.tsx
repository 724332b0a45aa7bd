/** @jest-environment jsdom */
import { beforeEach, expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';

/** The messages that the engine has received, and the way to answer them. */
const messages: { id: number; stop?: true; question?: unknown }[] = [];
let hear: (message: { data: unknown }) => void = () => undefined;
class FakeThread {
  addEventListener(type: string, listener: typeof hear): void {
    if (type === 'message') hear = listener;
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

it('an answer about another level is not shown in place of one that is to come', () => {
  const useAnswer = answerHook('ways', { kept: 2 });
  const { result, rerender } = renderHook(({ key, about }) => useAnswer({ key, about, question: () => key as never }), {
    initialProps: { key: 'one', about: 'slot-1' },
  });
  answer({ answer: 'first', done: true });
  rerender({ key: 'one after an edit', about: 'slot-1' });
  expect(result.current).toMatchObject({ answer: 'first', stale: true });
  rerender({ key: 'two', about: 'slot-2' });
  expect(result.current).toMatchObject({ answer: null, stale: false });
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

it('two hooks of one job do not replace each other’s questions', () => {
  const ask = (useAnswer: ReturnType<typeof answerHook<'ways'>>, key: string) =>
    renderHook(() => useAnswer({ key, question: () => key as never })).result;
  const level = ask(answerHook('ways', { kept: 2 }), 'level');
  const hearLevel = hear;
  const section = ask(answerHook('ways', { kept: 2 }), 'section');
  const [toLevel, toSection] = messages;
  act(() => hear({ data: { id: toSection!.id, answer: 'of the section', done: true } }));
  act(() => hearLevel({ data: { id: toLevel!.id, answer: 'of the level', done: true } }));
  expect([level.current.answer, section.current.answer]).toEqual(['of the level', 'of the section']);
});

it('an answer that is known is shown while paused', () => {
  const { result, rerender } = show('one');
  answer({ answer: 'first', done: true });
  rerender({ asked: 'one', paused: true });
  expect(result.current).toMatchObject({ answer: 'first', done: true, stale: false });
});

/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { useRef } from 'react';
import { useStaysInPlace } from './useStaysInPlace.ts';

const moved = jest.fn();
let resized = (): void => undefined;
let observed = 0;

beforeEach(() => {
  observed = 0;
  moved.mockClear();
  jest.useFakeTimers();
  globalThis.ResizeObserver = class {
    constructor(told: () => void) {
      resized = told;
    }
    observe(): void {
      observed++;
    }
    unobserve(): void {}
    disconnect(): void {
      observed--;
    }
  } as unknown as typeof ResizeObserver;
});

function Box() {
  const box = useRef<HTMLDivElement>(null);
  useStaysInPlace(box, moved);
  return <div ref={box} role="list" />;
}

/** Puts the box at a distance from the top of the window, as if something stood above it. */
function standsAt(box: HTMLElement, top: number): void {
  box.getBoundingClientRect = () => ({ top }) as DOMRect;
  resized();
}

afterEach(() => {
  jest.useRealTimers();
});

describe('a scrolled box below something that comes and goes', () => {
  it('scrolls by as much as it is moved under the pointer, there and back', () => {
    render(<Box />);
    const box = screen.getByRole('list');
    box.scrollTop = 100;
    fireEvent.pointerMove(box);
    standsAt(box, 53);
    expect(box.scrollTop).toBe(153);
    standsAt(box, 0);
    expect(box.scrollTop).toBe(100);
    expect(moved).not.toHaveBeenCalled();
  });

  it('tells by how much it is moved while nobody aims at it', () => {
    render(<Box />);
    const box = screen.getByRole('list');
    fireEvent.pointerMove(box);
    jest.advanceTimersByTime(5000);
    standsAt(box, 53);
    standsAt(box, 20);
    standsAt(box, 20);
    expect(box.scrollTop).toBe(0);
    expect(moved.mock.calls).toEqual([[53], [-33]]);
  });

  it('stays as it is when only its own size changes', () => {
    render(<Box />);
    const box = screen.getByRole('list');
    box.scrollTop = 100;
    standsAt(box, 0);
    expect(box.scrollTop).toBe(100);
  });

  it('is watched for as long as it stands', () => {
    const { unmount } = render(<Box />);
    expect(observed).toBe(1);
    unmount();
    expect(observed).toBe(0);
  });
});

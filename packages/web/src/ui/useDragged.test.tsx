/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { useDragged } from './useDragged.ts';

/** A handle that tells where it was let go. */
function Handle({ onLetGo }: { onLetGo: (x: number | null) => void }) {
  const [x, dragged] = useDragged<number>();
  return (
    <button
      onPointerDown={(event) => dragged.set(event.clientX)}
      onPointerMove={(event) => dragged.now() !== null && dragged.set(event.clientX)}
      onPointerUp={() => {
        onLetGo(dragged.now());
        dragged.set(null);
      }}
    >
      {x ?? 'at rest'}
    </button>
  );
}

const pointer = (type: string, clientX: number): Event => new MouseEvent(type, { bubbles: true, clientX });

describe('what a pointer drags', () => {
  it('is let go where the pointer was last, also when that was not drawn yet', () => {
    const letGo = jest.fn();
    render(<Handle onLetGo={letGo} />);
    const handle = screen.getByRole('button');
    act(() => {
      for (const [type, x] of [
        ['pointerdown', 1],
        ['pointermove', 5],
        ['pointermove', 9],
        ['pointerup', 9],
      ] as const)
        handle.dispatchEvent(pointer(type, x));
    });
    expect(letGo.mock.calls).toEqual([[9]]);
    expect(handle.textContent).toBe('at rest');
  });

  it('is drawn while it is dragged, and nothing is dragged before and after', () => {
    const letGo = jest.fn();
    render(<Handle onLetGo={letGo} />);
    const handle = screen.getByRole('button');
    act(() => void handle.dispatchEvent(pointer('pointermove', 3)));
    expect(handle.textContent).toBe('at rest');
    act(() => void handle.dispatchEvent(pointer('pointerdown', 4)));
    act(() => void handle.dispatchEvent(pointer('pointermove', 6)));
    expect(handle.textContent).toBe('6');
  });
});

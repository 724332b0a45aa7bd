import type { Control } from '@stadion/core/play/attempt';

/** Keys of each control, as they are written and as the browser names them. */
export const CONTROL_KEYS: Readonly<Record<Control, { arrow: string; letter: string; codes: readonly string[] }>> = {
  left: { arrow: '←', letter: 'A', codes: ['ArrowLeft', 'KeyA'] },
  up: { arrow: '↑', letter: 'W', codes: ['ArrowUp', 'KeyW'] },
  down: { arrow: '↓', letter: 'S', codes: ['ArrowDown', 'KeyS'] },
  right: { arrow: '→', letter: 'D', codes: ['ArrowRight', 'KeyD'] },
  act: { arrow: 'X', letter: 'X', codes: ['KeyX'] },
};

/** Control of each key, by the browser's name of the key. */
export const CONTROL_OF: Readonly<Record<string, Control>> = Object.fromEntries(
  (Object.keys(CONTROL_KEYS) as Control[]).flatMap((control) =>
    CONTROL_KEYS[control].codes.map((code) => [code, control]),
  ),
);

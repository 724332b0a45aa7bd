import { useEffect } from 'react';

/** A key and what it does, as the list of shortcuts tells it. */
export interface Shortcut {
  keys: string;
  does: string;
  run: () => void;
}

/** @example 'Ctrl Shift Z' for that chord; '[' for the key alone */
function keysOf(event: KeyboardEvent): string {
  const key = event.key.length === 1 ? event.key.toUpperCase() : event.key;
  if (event.ctrlKey || event.metaKey) return `Ctrl ${event.shiftKey ? 'Shift ' : ''}${key}`;
  return key;
}

function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  // In an open editor keys belong to it, also while one of its buttons has the focus.
  const inEditor = target.closest('[role=dialog]') !== null;
  return inEditor || target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName);
}

/** Listens for shortcuts while mounted. Keys typed into a field, or already taken by a part of the screen, are left alone. */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[role=menu], [role=alertdialog]')) return;
      const keys = keysOf(event);
      const shortcut = shortcuts.find((entry) => entry.keys === keys);
      if (!shortcut) return;
      event.preventDefault();
      shortcut.run();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [shortcuts]);
}

/** Parts of an attempt that a lost life can reset to their start, beside the project's own tallies by id. */
export const LOSABLE = ['gathered', 'score', 'health', 'clock', 'latches'] as const;

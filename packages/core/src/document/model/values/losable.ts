/** What a lost life can set back to how it was at the start, besides the project's own tallies by id. */
export const LOSABLE = ['gathered', 'score', 'health', 'clock', 'latches'] as const;

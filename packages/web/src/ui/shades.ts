/** Hatching of colours. */
export const HATCH = 'repeating-linear-gradient(45deg, transparent 0 4px, rgb(255 255 255 / 35%) 4px 6px)';

/** Colours of attempts by the stars they earned, and of losses by how frequent they are. */
export const STAR_SHADES = ['var(--win-3)', 'var(--win-3)', 'var(--win-2)', 'var(--win)', 'var(--win)', 'var(--win)'];
export const LOSS_SHADES = ['var(--loss)', 'var(--loss-2)', 'var(--ink-3)'];

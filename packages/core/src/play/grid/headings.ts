/** How many directions a player or pacer can steer in. */
export const HEADINGS = 32;

/**
 * Unit vectors by heading, 11.25° apart, clockwise on the screen from the right. Literals, since the last bits of sine and
 * cosine differ between engines.
 */
export const HEADING_VECTORS: readonly (readonly [x: number, y: number])[] = [
  [1, 0],
  [0.98078528040323, 0.195090322016128],
  [0.923879532511287, 0.38268343236509],
  [0.831469612302545, 0.555570233019602],
  [0.707106781186548, 0.707106781186548],
  [0.555570233019602, 0.831469612302545],
  [0.38268343236509, 0.923879532511287],
  [0.195090322016128, 0.98078528040323],
  [0, 1],
  [-0.195090322016128, 0.98078528040323],
  [-0.38268343236509, 0.923879532511287],
  [-0.555570233019602, 0.831469612302545],
  [-0.707106781186547, 0.707106781186548],
  [-0.831469612302545, 0.555570233019602],
  [-0.923879532511287, 0.38268343236509],
  [-0.98078528040323, 0.195090322016129],
  [-1, 0],
  [-0.98078528040323, -0.195090322016128],
  [-0.923879532511287, -0.38268343236509],
  [-0.831469612302545, -0.555570233019602],
  [-0.707106781186548, -0.707106781186547],
  [-0.555570233019602, -0.831469612302545],
  [-0.38268343236509, -0.923879532511286],
  [-0.195090322016129, -0.98078528040323],
  [0, -1],
  [0.195090322016128, -0.98078528040323],
  [0.38268343236509, -0.923879532511287],
  [0.555570233019602, -0.831469612302545],
  [0.707106781186547, -0.707106781186548],
  [0.831469612302545, -0.555570233019602],
  [0.923879532511287, -0.38268343236509],
  [0.98078528040323, -0.195090322016129],
];

/** The heading nearest to a direction, or -1 for no direction. */
export function nearestHeading(x: number, y: number): number {
  if (x === 0 && y === 0) return -1;
  let best = 0;
  let most = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < HEADINGS; i++) {
    const vector = HEADING_VECTORS[i] as readonly [number, number];
    const along = vector[0] * x + vector[1] * y;
    if (along > most) {
      most = along;
      best = i;
    }
  }
  return best;
}

/** The heading nearest to an angle. @param degrees 0 to the right, 90 down */
export const nearestHeadingOf = (degrees: number): number => Math.round((degrees * HEADINGS) / 360) % HEADINGS;

import { prepareLevel } from '@stadion/core/grounds';
import { sceneOf, type Mark } from '@stadion/core/scene';
import { useMemo } from 'react';
import type { LevelHere } from '../../project/levelHere.ts';
import { GroundPicture } from '../../ui/index.ts';

/** Radius of the spot that each loss leaves, units. */
const SPOT = 0.3;
/** Spots lie over one another: many at one place are seen as one that is darker. */
const SPOT_OPACITY = 0.2;

/** Where attempts are lost, on the ground. */
export function LossMap({ here, lostAt }: { here: LevelHere; lostAt: readonly number[] }) {
  const { rows } = here.level.ground;
  const ground = useMemo(() => sceneOf(prepareLevel(here.project, here.position)), [here.project, here.position]);
  const marks = useMemo((): Mark[] => {
    const spots: Mark[] = [];
    for (let i = 0; i + 1 < lostAt.length; i += 2) {
      const [x, y] = [lostAt[i] as number, lostAt[i + 1] as number];
      const spot = { is: 'circle', x, y, radius: SPOT, fill: 'loss' } as const;
      spots.push({ key: `lost-${i / 2}`, figures: [spot], opacity: SPOT_OPACITY });
    }
    return [...ground, ...spots];
  }, [ground, lostAt]);
  return (
    <GroundPicture
      marks={marks}
      width={rows[0]?.length ?? 1}
      height={rows.length}
      label={`${Math.floor(lostAt.length / 2)} lost attempts, where they ended`}
      className="max-h-44 min-[1600px]:max-h-80"
    />
  );
}

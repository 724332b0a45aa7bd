import { prepareLevel } from '@stadion/core/grounds';
import { looksOf, lossMarks, sceneOf } from '@stadion/core/scene';
import { useMemo } from 'react';
import type { LevelHere } from '../../project/levelHere.ts';
import { GroundPicture } from '../../ui/index.ts';

/** Where attempts are lost, on the ground. */
export function LossMap({ here, lostAt }: { here: LevelHere; lostAt: readonly number[] }) {
  const { rows } = here.level.ground;
  const ground = useMemo(
    () => sceneOf(prepareLevel(here.project, here.position), looksOf(here.project)),
    [here.project, here.position],
  );
  const marks = useMemo(() => [...ground, ...lossMarks(lostAt)], [ground, lostAt]);
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

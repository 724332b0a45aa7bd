import { startAttempt, step, type AttemptState, type World } from '@stadion/core/play/attempt';
import { makeWorld, prepareLevel } from '@stadion/core/play/movement';
import type { Project } from '@stadion/core/document/model';
import { makePlayer, PERFECT, playerInput, type Player } from '@stadion/core/forecast/pacers';
import { looksOf, placesOf, sceneOf, sceneOfAttempt, seenStretch } from '@stadion/core/play/scene';
import { useEffect, useMemo, useState } from 'react';
import { GroundPicture } from '../../ui/index.ts';

/** Pictures a second: enough for a small one. */
const PICTURES_PER_SECOND = 30;
const TICKS_PER_PICTURE = 2;
/** Nobody watches for longer; it begins again with another throw. Ticks. */
const LONGEST = 60 * 12;
/** The end stays to be seen for so long. Pictures. */
const PAUSE = 24;

interface Showing {
  state: AttemptState;
  player: Player;
  pause: number;
}

interface Props {
  project: Project;
  position: number;
  label: string;
}

/** A level's ground as it is at the start, with what has been laid of one that goes on. */
export function GroundAtStart({ project, position, label }: Props) {
  const [marks, width, height] = useMemo(() => {
    const state = startAttempt(makeWorld(prepareLevel(project, position)), 1);
    const places = placesOf(state);
    return [
      sceneOfAttempt(state, places, 1, looksOf(project)),
      seenStretch(state, places, 1).width,
      state.world.grid.height,
    ] as const;
  }, [project, position]);
  return <GroundPicture marks={marks} width={width} height={height} label={label} />;
}

/** A level's ground on which a player who makes no mistakes plays. It stays still for those who asked for less motion. */
export function MovingGround({ project, position, label }: Props) {
  const world = useMemo(() => makeWorld(prepareLevel(project, position)), [project, position]);
  /** Another object at every picture, since the attempt itself is one that changes. */
  const [moment, setMoment] = useState<{ state: AttemptState; of: World } | null>(null);
  useEffect(() => {
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    let seed = 0;
    const begin = (): Showing => {
      seed++;
      const state = startAttempt(world, seed);
      return { state, player: makePlayer(state, PERFECT, seed), pause: PAUSE };
    };
    let showing = begin();
    const timer = setInterval(() => {
      const { state, player } = showing;
      if (state.phase === 'playing' && state.tick < LONGEST) {
        for (let i = 0; i < TICKS_PER_PICTURE; i++) step(state, playerInput(player, state));
      } else if (--showing.pause <= 0) showing = begin();
      setMoment({ state: showing.state, of: world });
    }, 1000 / PICTURES_PER_SECOND);
    return () => clearInterval(timer);
  }, [world]);
  const looks = looksOf(project);
  // Before anything moves: of a ground that goes on, with what has been laid of it.
  const atStart = useMemo(() => (world.kind.seen ? startAttempt(world, 1) : null), [world]);
  const shown = moment?.of === world ? moment.state : atStart;
  const { level } = world;
  const { rows } = level.motion;
  const places = shown && placesOf(shown);
  const seen = shown && places ? seenStretch(shown, places, 1) : { x: 0, width: rows[0]?.length ?? 1 };
  return (
    <GroundPicture
      fills
      marks={shown && places ? sceneOfAttempt(shown, places, 1, looks) : sceneOf(level, looks)}
      from={seen.x}
      width={seen.width}
      height={rows.length}
      label={label}
    />
  );
}

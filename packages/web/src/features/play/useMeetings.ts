import type { AttemptState } from '@stadion/core/play/attempt';
import {
  meetNow,
  startOnWay,
  type BoutPhase,
  type Met,
  type OnWay,
  type PreparedMeetings,
} from '@stadion/core/play/bouts';
import { useCallback, useMemo, useRef, useState, type RefObject } from 'react';

/** Fights on the way of an attempt that is played by hand. */
export interface Meetings {
  /** The fight that is on: the attempt stands still meanwhile. */
  fight: Met | null;
  /** Has a fight been lost that loses the level? */
  isLost: boolean;
  /** Does the attempt stand still: in a fight, or lost by one? */
  stands: RefObject<boolean>;
  /** Called at every tick. @param passes shows how fights were played in place of fighting them */
  onTick: (state: AttemptState, passes: boolean) => void;
  /** Another attempt begins. */
  onBegin: () => void;
  /** The attempt is shown as it was at an earlier tick, or a later one. */
  onLook: () => void;
  /** The fight is over. */
  end: (phase: BoutPhase) => void;
}

/** @param meetings on the way through the level; null where nobody is met */
export function useMeetings(meetings: PreparedMeetings | null): Meetings {
  /** How far the meetings had come, from which tick on, the latest last. */
  const known = useRef<{ tick: number; way: OnWay }[]>([]);
  const stands = useRef(false);
  const [fight, setFight] = useState<Met | null>(null);
  const [isLost, setLost] = useState(false);

  const clear = useCallback(() => {
    stands.current = false;
    setFight(null);
    setLost(false);
  }, []);

  const onTick = useCallback(
    (state: AttemptState, passes: boolean) => {
      if (!meetings || state.phase !== 'playing') return;
      // Removes the fights after the tick from which play continues.
      known.current = known.current.filter(({ tick }) => tick < state.tick);
      const before = known.current.at(-1)?.way ?? startOnWay(state.seed);
      const way = { ...before, entered: new Set(before.entered) };
      const met = meetNow(meetings.on, way, state.observed);
      if (way.met > before.met) known.current.push({ tick: state.tick, way });
      if (!met || passes) return;
      stands.current = true;
      setFight(met);
    },
    [meetings],
  );

  const onBegin = useCallback(() => {
    known.current = [];
    clear();
  }, [clear]);

  const end = useCallback(
    (phase: BoutPhase) => {
      setFight(null);
      stands.current = phase === 'lost' && meetings?.loses === true;
      setLost(stands.current);
    },
    [meetings],
  );

  return useMemo(
    () => ({ fight, isLost, stands, onTick, onBegin, onLook: clear, end }),
    [fight, isLost, onTick, onBegin, clear, end],
  );
}

import {
  makeWorld,
  REST,
  startAttempt,
  step,
  TICK_SECONDS,
  headingInput,
  type AttemptState,
  type PreparedLevel,
} from '@stadion/core/attempt';
import { nearestHeading } from '@stadion/core/ground';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  KeyA: [-1, 0],
  ArrowRight: [1, 0],
  KeyD: [1, 0],
  ArrowUp: [0, -1],
  KeyW: [0, -1],
  ArrowDown: [0, 1],
  KeyS: [0, 1],
};

/** A picture later than this after the last one does not catch up: a tab in the background must not rush through an attempt. */
const LONGEST_CATCH_UP_SECONDS = 0.1;
/** The judge's numbers are read by people: so often is enough. */
const TOLD_EVERY_MS = 100;

/** Places of what moves at the last tick, to draw between it and the present one. */
export interface Before {
  x: number;
  y: number;
  enemies: Float64Array;
}

export interface PlayedAttempt {
  /** The attempt under way; the same object until it is restarted. */
  state: RefObject<AttemptState>;
  before: RefObject<Before>;
  /** How far the picture is between the last tick and the present one, 0–1. */
  between: RefObject<number>;
  /** Changes when there is something new to read. */
  told: number;
  restart: () => void;
  paused: boolean;
  setPaused: (paused: boolean) => void;
  /** One tick, while paused. */
  stepOnce: () => void;
}

const placesOf = (state: AttemptState): Before => {
  const before = { x: 0, y: 0, enemies: new Float64Array(state.enemies.length * 2) };
  remember(before, state);
  return before;
};

function remember(before: Before, state: AttemptState): void {
  before.x = state.player.x;
  before.y = state.player.y;
  state.enemies.forEach((enemy, index) => {
    before.enemies[index * 2] = enemy.x;
    before.enemies[index * 2 + 1] = enemy.y;
  });
}

/** Plays a level with the keys, at the fixed step that trials use. The level is taken once: mount anew for another. */
export function useAttempt(level: PreparedLevel, draw: () => void): PlayedAttempt {
  const [world] = useState(() => makeWorld(level));
  const [first] = useState(() => startAttempt(world, 1));
  const state = useRef<AttemptState>(first);
  const before = useRef<Before>(placesOf(first));
  const between = useRef(0);
  const held = useRef(new Set<string>());
  const tries = useRef(1);
  const [told, setTold] = useState(0);
  const [paused, setPaused] = useState(false);
  const pausedNow = useRef(false);
  useEffect(() => {
    pausedNow.current = paused;
  }, [paused]);

  const restart = useCallback(() => {
    tries.current++;
    state.current = startAttempt(world, tries.current);
    remember(before.current, state.current);
    between.current = 0;
    setPaused(false);
    setTold((count) => count + 1);
  }, [world]);

  const tick = useCallback(() => {
    let x = 0;
    let y = 0;
    for (const code of held.current) {
      const direction = KEYS[code];
      if (direction) {
        x += direction[0];
        y += direction[1];
      }
    }
    const heading = nearestHeading(x, y);
    remember(before.current, state.current);
    step(state.current, heading < 0 ? REST : headingInput(heading));
  }, []);

  useEffect(() => {
    const keys = held.current;
    const down = (event: KeyboardEvent): void => {
      if (!(event.code in KEYS) || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      keys.add(event.code);
    };
    const up = (event: KeyboardEvent): void => void keys.delete(event.code);
    const letGo = (): void => keys.clear();
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', letGo);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', letGo);
    };
  }, []);

  useEffect(() => {
    let frame = 0;
    let last = performance.now();
    let toldAt = 0;
    let owed = 0;
    let wasPlaying = true;
    const onFrame = (now: number): void => {
      const passed = Math.min(LONGEST_CATCH_UP_SECONDS, (now - last) / 1000);
      last = now;
      if (!pausedNow.current) {
        owed += passed;
        while (owed >= TICK_SECONDS) {
          tick();
          owed -= TICK_SECONDS;
        }
        between.current = owed / TICK_SECONDS;
      }
      draw();
      const playing = state.current.phase === 'playing';
      if (now - toldAt > TOLD_EVERY_MS || playing !== wasPlaying) {
        toldAt = now;
        wasPlaying = playing;
        setTold((count) => count + 1);
      }
      frame = requestAnimationFrame(onFrame);
    };
    frame = requestAnimationFrame(onFrame);
    return () => cancelAnimationFrame(frame);
  }, [tick, draw]);

  const stepOnce = useCallback(() => {
    tick();
    between.current = 1;
    setTold((count) => count + 1);
  }, [tick]);

  return { state, before, between, told, restart, paused, setPaused, stepOnce };
}

import {
  coast,
  cutAt,
  emptyRecording,
  inputAfter,
  FIRE,
  record,
  recordedTicks,
  replay,
  startAttemptFrom,
  step,
  type AfterEnd,
  type AttemptState,
  type Control,
  type PreparedLevel,
  type Recording,
  type StartFrom,
} from '@stadion/core/play/attempt';
import { makeWorld } from '@stadion/core/play/movement';
import { TICK_SECONDS } from '@stadion/core/play/rules';
import { placesOf, remember, type Places } from '@stadion/core/play/scene';
import { CONTROL_OF } from './controlKeys.ts';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { Meetings } from './useMeetings.ts';

const SHOOT = 'KeyF';

/** A picture later than this after the last one does not catch up: a tab in the background must not rush through an attempt. */
const LONGEST_CATCH_UP_SECONDS = 0.1;
/** Interval of the judge's numbers on the screen: people read them, ms. */
const TOLD_EVERY_MS = 100;

export interface PlayedAttempt {
  /** The attempt under way; another object once it is restarted or looked back at. */
  state: RefObject<AttemptState>;
  before: RefObject<Places>;
  /** How far the picture is between the last tick and the present one, 0–1. */
  between: RefObject<number>;
  /** The attempt until now. */
  recording: RefObject<Recording>;
  /** Changes when there is something new to read. */
  told: number;
  /** Begins again, from where this attempt began or from another state. @param waits nothing moves until the first key is pressed */
  restart: (from?: StartFrom, waits?: boolean) => void;
  /** Does the attempt wait for the first key? */
  waiting: RefObject<boolean>;
  paused: boolean;
  setPaused: (paused: boolean) => void;
  /** One tick, while paused. */
  stepOnce: () => void;
  /** Shows the attempt as it was after a tick, paused; played on from there, what came later is dropped. */
  lookAt: (tick: number) => void;
  /** One tick back, while paused. */
  stepBack: () => void;
  /** Shows a recorded attempt from its start to its end, as it was played. */
  watch: (recording: Recording) => void;
  /** Is a recorded attempt being shown? */
  watching: RefObject<boolean>;
  /** The last tick played, also while an earlier one is looked at. */
  lastTick: () => number;
}

/** The controls that the held keys stand for. */
const controlsOf = (held: ReadonlySet<string>): Set<Control> =>
  new Set([...held].flatMap((code) => CONTROL_OF[code] ?? []));

interface Keys {
  /** Held down right now. */
  held: Set<string>;
  /** Pressed since the last tick, and perhaps let go already: a short press counts for one tick. */
  pressed: Set<string>;
}

/** The keys for one tick. */
export function keysNow({ held, pressed }: Keys): Set<string> {
  const keys = new Set([...held, ...pressed]);
  pressed.clear();
  return keys;
}

/** Which keys are held down, or were pressed since the last tick. */
export function useHeldKeys(): RefObject<Keys> {
  const keys = useRef<Keys>({ held: new Set(), pressed: new Set() });
  useEffect(() => {
    const { held, pressed } = keys.current;
    const down = (event: KeyboardEvent): void => {
      if (!(event.code in CONTROL_OF || event.code === SHOOT) || event.ctrlKey || event.metaKey || event.altKey) return;
      // Fields, sliders and menus keep their own keys.
      if (event.target instanceof Element && event.target.closest('input, [role=menu], [role=dialog]')) return;
      event.preventDefault();
      held.add(event.code);
      if (!event.repeat) pressed.add(event.code);
    };
    const up = (event: KeyboardEvent): void => void held.delete(event.code);
    const letGo = (): void => {
      held.clear();
      pressed.clear();
    };
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', letGo);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', letGo);
    };
  }, []);
  return keys;
}

/** Plays a level with the keys, at the fixed step that trials use. The level is taken once: mount again for another. */
export function useAttempt(
  level: PreparedLevel,
  after: Readonly<Record<'won' | 'lost', AfterEnd>>,
  draw: () => void,
  onEnd: (state: AttemptState, recording: Recording) => void,
  { stands, onTick, onBegin, onLook }: Pick<Meetings, 'stands' | 'onTick' | 'onBegin' | 'onLook'>,
): PlayedAttempt {
  const [world] = useState(() => makeWorld(level));
  const [first] = useState(() => startAttemptFrom(world, 1, {}));
  const state = useRef<AttemptState>(first);
  const recording = useRef<Recording>(emptyRecording(1));
  const before = useRef<Places>(placesOf(first));
  const between = useRef(0);
  const keys = useHeldKeys();
  const watching = useRef(false);
  const waiting = useRef(false);
  const tries = useRef(1);
  const [told, setTold] = useState(0);
  const [paused, setPaused] = useState(false);
  const pausedNow = useRef(false);
  const afterNow = useRef(after);
  useEffect(() => {
    pausedNow.current = paused;
    afterNow.current = after;
  }, [paused, after]);
  const tell = useCallback(() => setTold((count) => count + 1), []);

  const show = useCallback(
    (next: AttemptState) => {
      state.current = next;
      remember(before.current, next);
      between.current = 1;
      tell();
    },
    [tell],
  );

  const restart = useCallback(
    (from: StartFrom = recording.current.from, waits = false) => {
      tries.current++;
      waiting.current = waits;
      keys.current.pressed.clear();
      watching.current = false;
      // Another luck, but the same try at the level unless the designer says otherwise.
      recording.current = emptyRecording(tries.current, from);
      onBegin();
      show(startAttemptFrom(world, tries.current, from));
      setPaused(false);
    },
    [world, show, onBegin, keys],
  );

  const tick = useCallback(() => {
    const now = state.current;
    remember(before.current, now);
    if (now.phase !== 'playing') {
      coast(now, afterNow.current[now.phase]);
      return;
    }
    if (watching.current) {
      const input = inputAfter(recording.current, now.tick);
      if (input !== undefined) {
        step(now, input);
        // The fight that an attempt was lost by comes last: it is put in the player's hand.
        onTick(now, now.tick < recordedTicks(recording.current));
        return;
      }
      watching.current = false;
    }
    // Whoever plays on from an earlier tick drops what came after it.
    if (recordedTicks(recording.current) > now.tick) recording.current = cutAt(recording.current, now.tick);
    const pressed = keysNow(keys.current);
    const shoots = pressed.has(SHOOT) ? FIRE : 0;
    const input = world.kind.inputOf(controlsOf(pressed)) + shoots;
    record(recording.current, input);
    step(now, input);
    onTick(now, false);
    if (now.phase !== 'playing') onEnd(now, recording.current);
  }, [keys, world, onEnd, onTick]);

  const watch = useCallback(
    (shown: Recording) => {
      recording.current = { ...shown, runs: [...shown.runs] };
      watching.current = true;
      onBegin();
      show(startAttemptFrom(world, shown.seed, shown.from));
      setPaused(false);
    },
    [world, show, onBegin],
  );

  const lookAt = useCallback(
    (at: number) => {
      watching.current = false;
      setPaused(true);
      onLook();
      show(replay(world, recording.current, at));
    },
    [world, show, onLook],
  );

  useEffect(() => {
    let frame = 0;
    let last = performance.now();
    let toldAt = 0;
    let owed = 0;
    let wasPlaying = true;
    const onFrame = (now: number): void => {
      const passed = Math.min(LONGEST_CATCH_UP_SECONDS, (now - last) / 1000);
      last = now;
      const { held, pressed } = keys.current;
      if (held.size > 0 || pressed.size > 0) waiting.current = false;
      if (!pausedNow.current && !stands.current && !waiting.current) {
        owed += passed;
        while (owed >= TICK_SECONDS && !stands.current) {
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
        tell();
      }
      frame = requestAnimationFrame(onFrame);
    };
    frame = requestAnimationFrame(onFrame);
    return () => cancelAnimationFrame(frame);
  }, [tick, draw, tell, stands, keys]);

  const stepOnce = useCallback(() => {
    if (stands.current) return;
    tick();
    between.current = 1;
    tell();
  }, [tick, tell, stands]);

  const stepBack = useCallback(() => lookAt(Math.max(0, state.current.tick - 1)), [lookAt]);

  const lastTick = useCallback(() => recordedTicks(recording.current), []);

  return {
    state,
    before,
    between,
    recording,
    told,
    restart,
    paused,
    setPaused,
    stepOnce,
    lookAt,
    stepBack,
    watch,
    watching,
    waiting,
    lastTick,
  };
}

import {
  makeBoutWorld,
  playedByHand,
  type BoutPhase,
  type ByHand,
  type Choice,
  type Met,
  type PreparedMeetings,
} from '@stadion/core/play/bouts';
import { useCallback, useMemo } from 'react';
import { BoutByHand } from '../../sentences/TryBout.tsx';
import { Button } from '../../ui/index.ts';
import { useShortcuts, type Shortcut } from '../../ui/shortcuts.ts';

interface Props {
  meetings: PreparedMeetings;
  met: Met;
  onEnd: (phase: BoutPhase) => void;
}

/** A fight on the way, over the ground, which stands still meanwhile. */
export function MetOnWay({ meetings, met, onEnd }: Props) {
  const bout = meetings.fights[met.group];
  const world = useMemo(() => bout && makeBoutWorld(bout), [bout]);
  const play = useCallback(
    (_seed: number, given: readonly Choice[]): ByHand =>
      playedByHand(world as NonNullable<typeof world>, met.seed, given),
    [world, met.seed],
  );
  const withdraw = useCallback(() => onEnd('withdrawn'), [onEnd]);
  const pass = useCallback(() => onEnd('won'), [onEnd]);
  const mayWithdraw = bout?.mayWithdraw === true;
  const shortcuts = useMemo(
    (): Shortcut[] => [
      { keys: 'N', does: 'Take the fight as won', run: pass },
      ...(mayWithdraw ? [{ keys: 'L', does: 'Withdraw from the fight', run: withdraw }] : []),
    ],
    [mayWithdraw, withdraw, pass],
  );
  useShortcuts(shortcuts);
  if (!bout || !world) return null;
  return (
    <section
      aria-label="A fight on the way"
      className="pop absolute inset-3 overflow-y-auto border-t-4 border-t-mark p-4"
    >
      <h2 className="text-[15px]">A fight on the way</h2>
      <p className="text-ink-2">
        The ground and its clock stand still. {mayWithdraw ? 'The party may withdraw. ' : ''}
        {meetings.loses ? 'If this is lost, the level is lost.' : 'If this is lost, the level goes on.'}
      </p>
      <BoutByHand
        world={world}
        play={play}
        free={false}
        said={{
          end: ({ state }) => <HowItEnded phase={state.phase} loses={meetings.loses} onEnd={onEnd} />,
          instead: (
            <>
              {mayWithdraw ? (
                <Button onClick={withdraw}>
                  Withdraw <kbd>L</kbd>
                </Button>
              ) : null}
              <Button onClick={pass}>
                Take it as won <kbd>N</kbd>
              </Button>
            </>
          ),
        }}
      />
    </section>
  );
}

const WORDS: Partial<Record<BoutPhase, string>> = {
  won: 'Won.',
  lost: 'Lost: all of ours have fallen.',
  endless: 'Nobody wins: after 200 rounds it is over.',
};

function HowItEnded({ phase, loses, onEnd }: { phase: BoutPhase; loses: boolean; onEnd: (phase: BoutPhase) => void }) {
  return (
    <div role="status" className="flex items-center gap-3 py-1">
      <b>{WORDS[phase]}</b>
      <Button look="main" autoFocus onClick={() => onEnd(phase)}>
        {phase === 'lost' && loses ? 'The level is lost' : 'Go on'} <kbd>Enter</kbd>
      </Button>
    </div>
  );
}

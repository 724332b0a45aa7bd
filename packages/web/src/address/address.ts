import type { SequenceEdit } from '@stadion/core/authoring/edits';
import { projectOf } from '@stadion/core/document/model';
import { useCallback, useMemo } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { useAppSelector, useEdit } from '../store/hooks.ts';

export type Screen = 'sequence' | 'level' | 'kinds' | 'bouts' | 'ramps' | 'trials' | 'hand-off' | 'play';

/** A level's two sides: what holds there, and what stands there. */
export type LevelView = 'rules' | 'ground';

export interface Selection {
  projectId: string;
  screen: Screen;
  /** Undefined in a project without slots. */
  slotId: string | undefined;
  /** From 1; 0 without slots. */
  position: number;
  lane: string | undefined;
  /** How a level is looked at. */
  view: LevelView;
  /** Id of the snapshot that the project is compared with. */
  compared: string | undefined;
  /** The shown part of the trials. */
  trials: TrialsShown;
}

/** The shown part of the trials: view, measure, cause of losses. */
export interface TrialsShown {
  show?: string | undefined;
  measure?: string | undefined;
  cause?: string | undefined;
}

const SCREENS: readonly Screen[] = ['sequence', 'level', 'kinds', 'bouts', 'ramps', 'trials', 'hand-off', 'play'];

/** Selection by the address. The first slot replaces one that is gone. */
export function useSelection(): Selection {
  const { projectId = '', screen, slotId } = useParams();
  const [query] = useSearchParams();
  const slots = useAppSelector(({ document: { open } }) => open && projectOf(open.document).slots);
  return useMemo(() => {
    const index = slots?.findIndex((slot) => slot.id === slotId) ?? -1;
    const position = index >= 0 ? index + 1 : slots && slots.length > 0 ? 1 : 0;
    return {
      projectId,
      screen: SCREENS.find((name) => name === screen) ?? 'level',
      slotId: slots?.[position - 1]?.id,
      position,
      lane: query.get('lane') ?? undefined,
      view: query.get('view') === 'ground' ? 'ground' : 'rules',
      compared: query.get('with') ?? undefined,
      trials: {
        show: query.get('show') ?? undefined,
        measure: query.get('measure') ?? undefined,
        cause: query.get('cause') ?? undefined,
      },
    };
  }, [projectId, screen, slotId, slots, query]);
}

/** Further parts of an address beside project, screen and slot. */
interface AddressQuery {
  lane?: string | undefined;
  view?: LevelView | undefined;
  compared?: string | undefined;
  trials?: TrialsShown | undefined;
}

export function addressOf(
  projectId: string,
  screen: Screen,
  slotId?: string,
  { lane, view, compared, trials = {} }: AddressQuery = {},
): string {
  const query = new URLSearchParams({
    ...(lane === undefined ? {} : { lane }),
    ...(view === 'ground' ? { view } : {}),
    ...(compared === undefined ? {} : { with: compared }),
    ...Object.fromEntries(Object.entries(trials).filter(([, value]) => value !== undefined)),
  }).toString();
  return `/projects/${projectId}/${screen}${slotId === undefined ? '' : `/${slotId}`}${query === '' ? '' : `?${query}`}`;
}

export interface Goto extends AddressQuery {
  screen?: Screen;
  slotId?: string | undefined;
}

/** Goes to another screen, slot, lane or comparison; what is not named stays. */
export function useGoto(): (to: Goto) => void {
  const navigate = useNavigate();
  const { projectId, screen, slotId, lane, view, compared, trials } = useSelection();
  return useCallback(
    (to) => {
      const next = { screen, slotId, lane, view, compared, trials, ...to };
      const besides = {
        lane: next.screen === 'ramps' ? next.lane : undefined,
        view: next.screen === 'level' ? next.view : undefined,
        compared: next.compared,
        trials: next.screen === 'trials' ? next.trials : undefined,
      };
      void navigate(addressOf(projectId, next.screen, next.slotId, besides));
    },
    [navigate, projectId, screen, slotId, lane, view, compared, trials],
  );
}

/** Edits the sequence and goes to the slot that the edit is about. */
export function useSequenceEdit(): (command: SequenceEdit | undefined) => void {
  const edit = useEdit();
  const goto = useGoto();
  return useCallback(
    (command) => {
      if (!command) return;
      edit(command);
      goto({ slotId: command.slotId });
    },
    [edit, goto],
  );
}

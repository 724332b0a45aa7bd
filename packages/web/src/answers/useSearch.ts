import type { Pacer, Project } from '@stadion/core/document/model';
import { partsOfQuestion, type TuningAsked, type TuningName } from '@stadion/core/forecast/tuning';
import { useEffect, useEffectEvent, useSyncExternalStore } from 'react';
import { useSelection } from '../address/address.ts';
import { usePacer, useProject } from '../store/hooks.ts';
import { SearchStore, keyOf, type SearchState, type Question } from './searchStore.ts';

/** The part of a project that a question is sent with. */
type NeededOf<Name extends TuningName> = (project: Project, asked: TuningAsked[Name]) => Project;

export interface AskedByHand<Name extends TuningName> extends SearchState<Name> {
  ask(asked: TuningAsked[Name]): void;
  /** Would the question that was asked last be the same if it were asked now? */
  isSame(asked: TuningAsked[Name]): boolean;
  stop(): void;
  goOn(): void;
}

/** A hook that asks one kind of question of tuning by hand. */
export function searchHook<Name extends TuningName>(name: Name, needed: NeededOf<Name>): () => AskedByHand<Name> {
  const searchStore = new SearchStore(name);
  const [stop, goOn] = [() => searchStore.stop(), () => searchStore.goOn()];
  return function useSearch() {
    const project = useProject();
    const pacer = usePacer();
    const { projectId } = useSelection();
    const state = useSyncExternalStore(searchStore.subscribe, searchStore.read);
    const questionOf = (asked: TuningAsked[Name], by: Pacer): Question<Name> => ({
      ...{ projectId, pacer: by, asked },
      ...{ project: needed(project, asked), parts: partsOfQuestion(project, by, asked) },
    });
    const again = useEffectEvent((asked: TuningAsked[Name], pacerId: string): Question<Name> | undefined => {
      const by = project.pacers.find(({ id }) => id === pacerId);
      return by && questionOf(asked, by);
    });
    useEffect(() => {
      searchStore.enter(projectId, again);
      return () => searchStore.leave();
    }, [projectId]);
    return {
      ...state,
      ...{ stop, goOn },
      ask: (asked) => searchStore.ask(questionOf(asked, pacer)),
      isSame: (asked) => state.question !== null && keyOf(questionOf(asked, pacer)) === keyOf(state.question),
    };
  };
}

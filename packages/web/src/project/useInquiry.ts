import type { Pacer, Project } from '@stadion/core/model';
import { partsOfQuestion, type TuningAsked, type TuningName } from '@stadion/core/tuning';
import { useEffect, useEffectEvent, useSyncExternalStore } from 'react';
import { usePacer, useProject, useSelection } from './hooks.ts';
import { Inquirer, keyOf, type InquiryState, type Question } from './inquirer.ts';

/** The part of a project that a question is sent with. */
type NeededOf<Name extends TuningName> = (project: Project, asked: TuningAsked[Name]) => Project;

export interface AskedByHand<Name extends TuningName> extends InquiryState<Name> {
  ask(asked: TuningAsked[Name]): void;
  /** Would the question that was asked last be the same if it were asked now? */
  isSame(asked: TuningAsked[Name]): boolean;
  stop(): void;
  goOn(): void;
}

/** A hook that asks one kind of question of tuning by hand. */
export function inquiryHook<Name extends TuningName>(name: Name, needed: NeededOf<Name>): () => AskedByHand<Name> {
  const inquirer = new Inquirer(
    name,
    () => new Worker(new URL('../workers/inquiry.worker.ts', import.meta.url), { type: 'module' }),
  );
  const [stop, goOn] = [() => inquirer.stop(), () => inquirer.goOn()];
  return function useInquiry() {
    const project = useProject();
    const pacer = usePacer();
    const { projectId } = useSelection();
    const state = useSyncExternalStore(inquirer.subscribe, inquirer.read);
    const questionOf = (asked: TuningAsked[Name], by: Pacer): Question<Name> => ({
      ...{ projectId, pacer: by, asked },
      ...{ project: needed(project, asked), parts: partsOfQuestion(project, by, asked) },
    });
    const again = useEffectEvent((asked: TuningAsked[Name], pacerId: string): Question<Name> | undefined => {
      const by = project.pacers.find(({ id }) => id === pacerId);
      return by && questionOf(asked, by);
    });
    useEffect(() => {
      inquirer.enter(projectId, again);
      return () => inquirer.leave();
    }, [projectId]);
    return {
      ...state,
      ...{ stop, goOn },
      ask: (asked) => inquirer.ask(questionOf(asked, pacer)),
      isSame: (asked) => state.question !== null && keyOf(questionOf(asked, pacer)) === keyOf(state.question),
    };
  };
}

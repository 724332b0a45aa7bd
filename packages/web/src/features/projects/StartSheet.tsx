import {
  START_KITS,
  startGoals,
  startProject,
  type StartChoices,
  type StartMoves,
} from '@stadion/core/authoring/building';
import { RadioGroup } from 'radix-ui';
import { useMemo, useState, type ReactNode } from 'react';
import { Button, NumberChip } from '../../ui/index.ts';
import type { CreateProject } from '@stadion/core/exchange/contract';
import { GroundAtStart, MovingGround } from './MovingGround.tsx';

/** A project from three answers, each given already; or the smaller beginnings. */
export function StartSheet({ busy, onStart }: { busy: boolean; onStart: (wanted: CreateProject) => void }) {
  const [name, setName] = useState('');
  const [choices, setChoices] = useState<StartChoices>({ moves: 'roam', goal: 'gather', levels: 12 });
  const named = name.trim() === '' ? {} : { name: name.trim() };
  const project = useMemo(() => startProject(choices), [choices]);
  const shown = [...new Set([1, choices.levels])];
  return (
    <form
      aria-label="Start a project"
      className="mt-2 border border-line bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        onStart({ from: 'start', ...choices, ...named });
      }}
    >
      <div className="grid grid-cols-[150px_1fr] items-start gap-y-3">
        <label htmlFor="new-name" className="pt-1 font-medium">
          Its name
        </label>
        <input
          id="new-name"
          className="field w-72"
          placeholder="New project"
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <span className="pt-1 font-medium">What moves</span>
        <RadioGroup.Root
          aria-label="What moves"
          className="grid grid-cols-5 gap-2"
          value={choices.moves}
          onValueChange={(moves: StartMoves) => setChoices({ ...choices, moves, goal: goalWith(moves, choices.goal) })}
        >
          {(Object.keys(START_KITS) as StartMoves[]).map((moves) => (
            <MoveChoice
              key={moves}
              moves={moves}
              goal={goalWith(moves, choices.goal)}
              chosen={choices.moves === moves}
            />
          ))}
        </RadioGroup.Root>
        <span className="pt-1 font-medium">What ends a level well</span>
        <RadioGroup.Root
          aria-label="What ends a level well"
          className="grid grid-cols-2 gap-2"
          value={choices.goal}
          onValueChange={(goal) => setChoices({ ...choices, goal })}
        >
          {Object.entries(startGoals(choices.moves)).map(([goal, { label, says }]) => (
            <Choice key={goal} value={goal} label={`To ${label}`} says={says} chosen={choices.goal === goal} />
          ))}
        </RadioGroup.Root>
        <span className="pt-1 font-medium">How many levels</span>
        <div className="say">
          <NumberChip
            label="How many levels"
            value={choices.levels}
            step={1}
            whole
            min={1}
            max={60}
            onCommit={(levels) => setChoices({ ...choices, levels })}
          />
          <span className="text-ink-2">
            in {project.tiers.length} tier{project.tiers.length === 1 ? '' : 's'}, with ramps for{' '}
            {project.parameters.map(({ label }) => label.toLowerCase()).join(', ')}
          </span>
        </div>
        <span className="pt-1 font-medium">Preview</span>
        <div className="flex gap-3">
          {shown.map((position) => (
            <figure key={position} className="w-60">
              <GroundAtStart project={project} position={position} label={`The ground of level ${position}`} />
              <figcaption className="text-[12px] text-ink-3">Level {position}</figcaption>
            </figure>
          ))}
        </div>
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-2">
        <Button look="main" type="submit" disabled={busy}>
          Start with {choices.levels} level{choices.levels === 1 ? '' : 's'}
        </Button>
        <Button disabled={busy} onClick={() => onStart({ from: 'start', ...choices, levels: 1, ...named })}>
          Start with one level
        </Button>
        <Button disabled={busy} onClick={() => onStart({ from: 'empty', ...named })}>
          Start empty
        </Button>
        <Button disabled={busy} onClick={() => onStart({ from: 'demo', ...named })}>
          Start from the demo, Home Before Dusk
        </Button>
      </div>
    </form>
  );
}

/** A goal that was chosen stays where it fits what moves. */
const goalWith = (moves: StartMoves, goal: string): string => {
  const goals = Object.keys(startGoals(moves));
  return goals.includes(goal) ? goal : (goals[0] as string);
};

interface MoveChoiceProps {
  moves: StartMoves;
  goal: string;
  chosen: boolean;
}

/** A way of moving, with a first level in which it is seen. */
function MoveChoice({ moves, goal, chosen }: MoveChoiceProps) {
  const { label, says } = START_KITS[moves];
  const project = useMemo(() => startProject({ moves, goal, levels: 1 }), [moves, goal]);
  return (
    <Choice value={moves} label={`The player ${label}`} says={says} chosen={chosen}>
      <span className="relative mt-auto block h-28 overflow-hidden" aria-hidden>
        <MovingGround project={project} position={1} label="" />
      </span>
    </Choice>
  );
}

interface ChoiceProps {
  value: string;
  label: string;
  says: string;
  chosen: boolean;
  children?: ReactNode;
}

function Choice({ value, label, says, chosen, children }: ChoiceProps) {
  return (
    <RadioGroup.Item
      value={value}
      className={`flex flex-col rounded-r border px-3 py-1.5 text-left ${chosen ? 'border-edit bg-edit-soft' : 'border-line-strong hover:bg-band'}`}
    >
      <b className={chosen ? 'text-edit-ink' : ''}>
        {chosen ? '● ' : '○ '}
        {label}
      </b>
      <span className="block max-w-80 text-[12px] text-ink-2">{says}</span>
      {children}
    </RadioGroup.Item>
  );
}

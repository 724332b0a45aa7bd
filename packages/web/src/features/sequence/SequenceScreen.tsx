import type { Finding } from '@stadion/core/authoring/findings';
import { isEndless } from '@stadion/core/play/playthrough';
import { literal, type Run } from '@stadion/core/document/model';
import { useMemo, type ReactNode } from 'react';
import { at, replaceAt, setStarGate } from '@stadion/core/authoring/edits';
import { useGoto, useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { levelHere, type LevelContext } from '../../readings/levelContext.ts';
import { useFindings } from '../../answers/useFindings.ts';
import { FindingNote } from '../../sentences/FindingNote.tsx';
import { FirstStep } from '../../parts/FirstStep.tsx';
import { QuietSheet } from '../../parts/QuietSheet.tsx';
import { Section } from '../../ui/Section.tsx';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip } from '../../ui/index.ts';
import { KeepGrid } from './KeepGrid.tsx';
import { Lengths } from './Lengths.tsx';
import { RunLedgerPanel } from './RunLedgerPanel.tsx';
import { ScoreParts } from './ScoreParts.tsx';
import { StandingRules } from './StandingRules.tsx';
import { Tiers } from './Tiers.tsx';
import { Tallies } from './Tallies.tsx';

type Choices = readonly { value: string; label: string }[];

const ORDERS: Choices = [
  { value: 'inOrder', label: 'in order' },
  { value: 'shuffled', label: 'shuffled' },
  { value: 'inOrderThenShuffled', label: 'in order once, then shuffled for ever' },
  { value: 'loop', label: 'in order, round and round' },
];
const AFTER: Choices = [
  { value: 'end', label: 'it ends' },
  { value: 'startOver', label: 'it starts over' },
  { value: 'goOn', label: 'it goes on, the ramps too' },
];
const UNLOCKS: Choices = [
  { value: 'win', label: 'by winning the slot before it' },
  { value: 'stars', label: 'by stars gathered' },
  { value: 'open', label: 'from the start' },
];
const GAME_OVER: Choices = [
  { value: 'firstSlot', label: 'from the first slot' },
  { value: 'tierFirstSlot', label: 'from the first slot of the tier' },
  { value: 'sameSlot', label: 'from the same slot' },
];

/** How the levels follow one another, and what a run keeps. */
export function SequenceScreen() {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  if (!here) return <FirstStep />;
  return (
    <main className="flex min-h-0 grow">
      <Sheet here={here} />
      <RunLedgerPanel />
    </main>
  );
}

/** Is a finding about how a run goes, not about one of its levels? */
const concernsRun = (finding: Finding): boolean =>
  finding.group === 'run' || /^\/(run|tiers|slots\/[^/]+\/starGate)/.test(finding.path);

function Sheet({ here }: { here: LevelContext }) {
  const { project } = here;
  const { run } = project;
  const edit = useEdit();
  const findings = useFindings();
  const choice = (label: string, field: keyof Run, value: string, choices: Choices): ReactNode => (
    <ChoiceChip
      label={label}
      value={value}
      choices={choices}
      onChoose={(next) =>
        edit({
          label: `${label}: ${choices.find((entry) => entry.value === next)?.label ?? next}`,
          patch: [replaceAt(at('run', field), next)],
        })
      }
    />
  );
  const { unlock } = run;
  return (
    <QuietSheet>
      <h1>Sequence</h1>
      <p className="mt-0.5 mb-2.5 text-ink-2">
        In which order levels are played, what opens them, and what a run keeps.
      </p>
      <Section title="Order">
        <div className="say">
          <span className="join">Levels are played</span>
          {choice('Order of play', 'order', run.order, ORDERS)}
          {run.order === 'loop' || run.order === 'inOrderThenShuffled' ? (
            <span className="text-ink-3">; there is no last slot</span>
          ) : (
            <>
              <span className="join">; after the last slot</span>
              {choice('After the last slot', 'afterLast', run.afterLast, AFTER)}
            </>
          )}
          {isEndless(run) ? <span className="text-ink-3">A run has no end of its own.</span> : null}
        </div>
      </Section>
      <Section title="Tiers">
        <Tiers />
      </Section>
      <Section title="Opening">
        <div className="say">
          <span className="join">A slot opens</span>
          <ChoiceChip
            label="What opens a slot"
            value={unlock.by}
            choices={UNLOCKS}
            onChoose={(by) =>
              edit({
                label: `A slot opens ${UNLOCKS.find((entry) => entry.value === by)?.label ?? by}`,
                patch: [replaceAt(at('run', 'unlock'), by === 'stars' ? { by, perSlot: literal(1) } : { by })],
              })
            }
          />
          {unlock.by === 'stars' ? (
            <>
              <AmountChip
                here={here}
                label="Stars per slot before it"
                amount={unlock.perSlot}
                path={at('run', 'unlock', 'perSlot')}
                step={0.5}
                min={0}
                max={5}
              />
              <span className="join">for each slot before it</span>
            </>
          ) : null}
        </div>
        <StarGates here={here} />
      </Section>
      <Section title="Lives">
        <div className="say">
          <span className="join">A run starts with</span>
          <AmountChip
            here={here}
            label="Lives at the start"
            amount={run.livesAtStart}
            path={at('run', 'livesAtStart')}
            step={1}
            min={0}
            max={99}
            whole
          />
          <Optional
            here={here}
            run={run}
            field="livesAtMost"
            before=", at most"
            after=""
            add="+ at most"
            start={9}
            most={999}
          />
          <Optional
            here={here}
            run={run}
            field="lifeEvery"
            before="; a life every"
            after={`points`}
            add="+ life for points"
            start={1000}
            most={1000000}
          />
          <span className="join">; a game over goes on</span>
          {choice('After a game over', 'onGameOver', run.onGameOver, GAME_OVER)}
        </div>
      </Section>
      <Section title="Kept and reset">
        <KeepGrid />
      </Section>
      <Section title="Tallies">
        <Tallies />
      </Section>
      <Section title="Score">
        <ScoreParts here={here} />
      </Section>
      <Section title="Lengths">
        <Lengths lengths={project.lengths} />
      </Section>
      <Section title="Standing rules">
        <StandingRules here={here} />
      </Section>
      {findings.filter(concernsRun).map((finding) => (
        <FindingNote key={`${finding.code} ${finding.path}`} finding={finding} />
      ))}
    </QuietSheet>
  );
}

interface OptionalProps {
  here: LevelContext;
  run: Run;
  field: 'livesAtMost' | 'lifeEvery';
  before: string;
  after: string;
  add: string;
  start: number;
  most: number;
}

/** A number that may be none. */
function Optional({ here, run, field, before, after, add, start, most }: OptionalProps) {
  const edit = useEdit();
  const amount = run[field];
  const path = at('run', field);
  if (amount === null) {
    return (
      <button
        type="button"
        className="link"
        onClick={() => edit({ label: `${add.slice(2)} ${start}`, patch: [replaceAt(path, literal(start))] })}
      >
        {add}
      </button>
    );
  }
  return (
    <>
      <span className="join">{before}</span>
      <AmountChip
        here={here}
        label={before.replace(/^\W+/, '')}
        amount={amount}
        path={path}
        step={1}
        min={1}
        max={most}
        onClear={() => edit({ label: `No ${add.slice(2)}`, patch: [replaceAt(path, null)] })}
      />
      <span className="join">{after}</span>
    </>
  );
}

/** Slots that open only with a number of stars. */
function StarGates({ here }: { here: LevelContext }) {
  const { project, position, slotId } = here;
  const edit = useEdit();
  const goto = useGoto();
  const gated = project.slots.map((slot, index) => ({ slot, index })).filter(({ slot }) => slot.starGate);
  return (
    <div className="mt-1">
      {gated.map(({ slot, index }) => (
        <div key={slot.id} className="say">
          <span className="join">Slot</span>
          <button type="button" className="link" onClick={() => goto({ slotId: slot.id })}>
            {index + 1} {project.levels[slot.levelId]?.name}
          </button>
          <span className="join">asks for</span>
          {slot.starGate ? (
            <AmountChip
              here={here}
              label={`Stars before slot ${index + 1}`}
              amount={slot.starGate}
              path={at('slots', slot.id, 'starGate')}
              step={1}
              min={0}
              max={5000}
              whole
              onClear={() => edit(setStarGate(project, slot.id, undefined))}
            />
          ) : null}
          <span className="join">stars in all</span>
        </div>
      ))}
      {project.slots[position - 1]?.starGate ? null : (
        <button type="button" className="link" onClick={() => edit(setStarGate(project, slotId, literal(position)))}>
          + star gate before slot {position}
        </button>
      )}
    </div>
  );
}

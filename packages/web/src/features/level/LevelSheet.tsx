import { useMemo, useState } from 'react';
import { at, renameLevel, replaceAt } from '@stadion/core/edits';
import { useAppDispatch, useAppSelector, useEdit, useProject, useSelection } from '../../project/hooks.ts';
import { useFindings } from '../../project/useFindings.ts';
import { renamingStarted } from '../../project/viewSlice.ts';
import { ChoiceChip, TextInPlace } from '../../ui/index.ts';
import { ClockSentence } from './ClockSentence.tsx';
import { CopyRulesPanel } from './CopyRulesPanel.tsx';
import { EndingSentence } from './EndingSentence.tsx';
import { RuleList } from './RuleList.tsx';
import { levelHere, type LevelHere } from '../../project/levelHere.ts';
import { NumbersHere } from './NumbersHere.tsx';
import { Section } from '../../ui/Section.tsx';
import { StarsSentence } from './StarsSentence.tsx';
import { ToCollect } from './ToCollect.tsx';

const TIES = [
  { value: 'win', label: 'the win stands' },
  { value: 'loss', label: 'the loss stands' },
];

/** All that holds at the selected slot, as sentences. */
export function LevelSheet() {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  if (!here) return null;
  return <Sheet key={here.slotId} here={here} />;
}

function Sheet({ here }: { here: LevelHere }) {
  const { level, slotId, position } = here;
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const renaming = useAppSelector((state) => state.view.renaming === slotId);
  const all = useFindings();
  const findings = all.filter((finding) => finding.slotId === slotId);
  const base = at('levels', level.id);
  const [copying, setCopying] = useState(false);
  return (
    <div className="min-w-0 grow overflow-y-auto px-[22px] pt-3.5 pb-8">
      <div className="flex items-start gap-3">
        <h1 className="flex grow items-baseline gap-3">
          <span>{position}</span>
          <TextInPlace
            label="Name of the level"
            value={level.name}
            className="px-1"
            editing={renaming}
            onEditingChange={(editing) => !editing && dispatch(renamingStarted(null))}
            refuse={(text) =>
              text === '' ? 'A level needs a name.' : text.length > 80 ? 'A name has at most 80 characters.' : undefined
            }
            onCommit={(name) => edit(renameLevel(level, name))}
          />
        </h1>
        <button
          type="button"
          className="link mt-1.5 whitespace-nowrap"
          aria-expanded={copying}
          onClick={() => setCopying(!copying)}
        >
          Copy rules to…
        </button>
        <span className="mt-1.5 whitespace-nowrap text-ink-3">
          Roam ground · {level.ground.rows[0]?.length ?? 0} × {level.ground.rows.length}
        </span>
      </div>
      <div className="mt-0.5 mb-2.5 flex text-ink-2">
        <TextInPlace
          label="What the player has to do"
          value={level.brief}
          placeholder="What the player has to do, in a line"
          refuse={(text) => (text.length > 400 ? 'At most 400 characters.' : undefined)}
          onCommit={(brief) => edit({ label: `Brief of ${level.name}`, patch: [replaceAt(`${base}/brief`, brief)] })}
        />
      </div>
      {copying ? <CopyRulesPanel here={here} onDone={() => setCopying(false)} /> : null}
      <Section title="Won when">
        <RuleList here={here} topic="won" findings={findings} />
      </Section>
      <Section title="Lost when">
        <RuleList here={here} topic="lost" findings={findings} />
        <div className="say">
          <span className="join">A win and a loss in the same tick:</span>
          <ChoiceChip
            label="When a win and a loss fall together"
            value={level.tie}
            choices={TIES}
            onChoose={(tie) => edit({ label: `Tie of ${level.name}`, patch: [replaceAt(`${base}/tie`, tie)] })}
          />
        </div>
      </Section>
      <Section title="Clock">
        <ClockSentence here={here} findings={findings} />
      </Section>
      <Section title="To collect">
        <ToCollect here={here} />
      </Section>
      <Section title="Stars">
        <StarsSentence here={here} findings={findings} />
      </Section>
      <Section title="Milestones">
        <RuleList here={here} topic="milestone" findings={findings} />
      </Section>
      <Section title="Ending">
        <EndingSentence here={here} />
      </Section>
      <Section title="Numbers here">
        <NumbersHere here={here} />
      </Section>
    </div>
  );
}

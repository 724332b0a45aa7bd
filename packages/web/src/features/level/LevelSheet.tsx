import { useState } from 'react';
import { at, replaceAt } from '@stadion/core/edits';
import { useAppDispatch, useAppSelector, useEdit } from '../../project/hooks.ts';
import { allActsShown } from '../../project/viewSlice.ts';
import { useFindings } from '../../project/useFindings.ts';
import { ChoiceChip, TextInPlace } from '../../ui/index.ts';
import { ClockSentence } from './ClockSentence.tsx';
import { CopyRulesPanel } from './CopyRulesPanel.tsx';
import { EndingSentence } from './EndingSentence.tsx';
import { RuleList } from './RuleList.tsx';
import type { LevelHere } from '../../project/levelHere.ts';
import { LevelHead } from './LevelHead.tsx';
import { NumbersHere } from './NumbersHere.tsx';
import { Section } from '../../ui/Section.tsx';
import { StarsSentence } from './StarsSentence.tsx';
import { ToCollect } from './ToCollect.tsx';

const TIES = [
  { value: 'win', label: 'the win stands' },
  { value: 'loss', label: 'the loss stands' },
];

/** All that holds at the selected slot, as sentences. */
export function LevelSheet({ here }: { here: LevelHere }) {
  const { level, slotId } = here;
  const edit = useEdit();
  const all = useFindings();
  const findings = all.filter((finding) => finding.slotId === slotId);
  const base = at('levels', level.id);
  const [copying, setCopying] = useState(false);
  const allActs = useAppSelector((state) => state.view.allActs);
  const dispatch = useAppDispatch();
  return (
    <div className={`min-w-0 grow overflow-y-auto px-[22px] pt-3.5 pb-8 ${allActs ? '' : 'quiet'}`}>
      <LevelHead here={here}>
        <button
          type="button"
          className="link whitespace-nowrap"
          aria-pressed={allActs}
          onClick={() => dispatch(allActsShown(!allActs))}
        >
          {allActs ? 'Show acts on hover' : 'Show all acts'}
        </button>
        <button
          type="button"
          className="link whitespace-nowrap"
          aria-expanded={copying}
          onClick={() => setCopying(!copying)}
        >
          Copy rules to…
        </button>
      </LevelHead>
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
        <div className={`say ${level.tie === 'win' ? 'act' : ''}`}>
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

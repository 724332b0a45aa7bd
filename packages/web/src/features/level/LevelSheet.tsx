import type { Finding } from '@stadion/core/authoring/findings';
import { memo, useState } from 'react';
import { at, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import { numbersIn, objectiveInWords } from '@stadion/core/play/rules';
import { useAppDispatch, useAppSelector, useEdit } from '../../store/hooks.ts';
import { preferAllActs } from '../../store/preferences.ts';
import { allActsShown } from '../../store/viewSlice.ts';
import { useFindings } from '../../answers/useFindings.ts';
import { FindingNotes } from '../../sentences/FindingNote.tsx';
import { ChoiceChip, TextInPlace } from '../../ui/index.ts';
import { EndTable, TableSwitch, type TableOf } from './EndTables.tsx';
import { ClockSentence } from './ClockSentence.tsx';
import { CopyRulesPanel } from './CopyRulesPanel.tsx';
import { EndingSentence } from './EndingSentence.tsx';
import { RuleList } from './RuleList.tsx';
import type { LevelContext } from '../../readings/levelContext.ts';
import { LevelHead } from './LevelHead.tsx';
import { NumbersHere } from './NumbersHere.tsx';
import { AddRule, NoteOf } from '../../sentences/index.ts';
import { BoutSentence } from '../../sentences/BoutSentence.tsx';
import { QuietSheet } from '../../parts/QuietSheet.tsx';
import { Section } from '../../ui/Section.tsx';
import { StarsSentence } from './StarsSentence.tsx';
import { ToCollect } from './ToCollect.tsx';

const TIES = [
  { value: 'win', label: 'the win stands' },
  { value: 'loss', label: 'the loss stands' },
];

/** Is a finding about how the level is lost? */
const isOfLosing = ({ group }: Finding): boolean => group === 'loss';

/** All that holds at the selected slot, as sentences. Forecasts that come beside it leave it alone. */
export const LevelSheet = memo(function LevelSheet({ here }: { here: LevelContext }) {
  const { level, slotId } = here;
  const edit = useEdit();
  const all = useFindings();
  const findings = all.filter((finding) => finding.slotId === slotId);
  const base = at('levels', level.id);
  const ofRules = findings.filter(({ path }) => path === `${base}/rules`);
  const [copying, setCopying] = useState(false);
  const [table, setTable] = useState<TableOf | null>(null);
  const toggleTable = (of: TableOf): void => setTable(table === of ? null : of);
  const objective = objectiveInWords(here.project, level, here.names);
  const told = objectiveInWords(here.project, level, here.names, numbersIn(here.values, here.placed));
  const allActs = useAppSelector((state) => state.view.allActs);
  const dispatch = useAppDispatch();
  const tie = (
    <div className="say">
      <span className="join">A win and a loss in the same tick:</span>
      <ChoiceChip
        label="When a win and a loss fall together"
        value={level.tie}
        choices={TIES}
        onChoose={(next) => edit({ label: `Tie of ${level.name}`, patch: [replaceAt(`${base}/tie`, next)] })}
      />
    </div>
  );
  return (
    <QuietSheet>
      <LevelHead here={here}>
        <button
          type="button"
          className="link whitespace-nowrap"
          aria-pressed={allActs}
          onClick={() => {
            preferAllActs(!allActs);
            dispatch(allActsShown(!allActs));
          }}
        >
          {allActs ? 'Show the rest on hover' : 'Show all acts'}
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
      <div className="mt-0.5 mb-2 flex items-center gap-2 act-row text-ink-2">
        <TextInPlace
          label="What the player has to do"
          value={level.brief}
          placeholder={objective === '' ? 'What the player has to do, in a line' : `${told} (follows the rules)`}
          refuse={(text) => (text.length > 400 ? 'At most 400 characters.' : undefined)}
          onCommit={(brief) =>
            edit({
              label: `Brief of ${level.name}`,
              patch: [
                replaceAt(`${base}/brief`, brief),
                ...setOptional(`${base}/briefFor`, level.briefFor, brief === '' ? undefined : objective),
              ],
            })
          }
        />
        <NoteOf what={level.name} path={`${base}/note`} note={level.note} />
      </div>
      <FindingNotes findings={findings} at={(path) => path === `${base}/brief`} />
      {copying ? <CopyRulesPanel here={here} onDone={() => setCopying(false)} /> : null}
      {here.project.bouts ? (
        <Section title="Decided">
          <BoutSentence here={here} />
        </Section>
      ) : null}
      <Section title="Won when" acts={<AddRule here={here} topic="won" />}>
        <RuleList here={here} topic="won" findings={findings} />
        <FindingNotes findings={ofRules.filter((finding) => !isOfLosing(finding))} at={() => true} />
      </Section>
      <Section
        title="Lost when"
        acts={
          <>
            <AddRule here={here} topic="lost" />
            {level.tie === 'win' ? tie : null}
          </>
        }
      >
        <RuleList here={here} topic="lost" findings={findings} />
        <FindingNotes findings={ofRules.filter(isOfLosing)} at={() => true} />
        {level.tie === 'win' ? null : tie}
      </Section>
      <Section title="Clock" acts={<TableSwitch of="clock" open={table === 'clock'} onToggle={toggleTable} />}>
        <ClockSentence here={here} findings={findings} />
        <FindingNotes
          findings={findings}
          at={(path) => path.startsWith(`${base}/clock`) && !path.startsWith(`${base}/clock/startsWhen`)}
        />
        {table === 'clock' ? <EndTable here={here} of="clock" /> : null}
      </Section>
      {level.bout ? null : (
        <Section title="To collect">
          <ToCollect here={here} />
        </Section>
      )}
      <Section title="Stars" acts={<TableSwitch of="stars" open={table === 'stars'} onToggle={toggleTable} />}>
        <StarsSentence here={here} findings={findings} />
        {table === 'stars' ? <EndTable here={here} of="stars" /> : null}
      </Section>
      <Section title="Milestones" acts={<AddRule here={here} topic="milestone" />}>
        <RuleList here={here} topic="milestone" findings={findings} />
      </Section>
      <Section title="Ending">
        <EndingSentence here={here} />
        <FindingNotes findings={findings} at={(path) => path.startsWith(`${base}/ending`)} />
      </Section>
      <Section title="Numbers here">
        <NumbersHere here={here} />
      </Section>
      <FindingNotes findings={findings} at={(path) => path.startsWith('/slots/')} />
    </QuietSheet>
  );
});

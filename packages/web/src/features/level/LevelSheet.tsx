import { endingOfRule } from '@stadion/core/rules';
import { freshId, literal } from '@stadion/core/model';
import { useMemo } from 'react';
import { addAt, at, renameLevel, replaceAt } from '../../app/commands/index.ts';
import { useAppDispatch, useAppSelector, useEdit, useProject, useSelection } from '../../app/hooks.ts';
import { useFindings } from '../../app/useFindings.ts';
import { renamingStarted } from '../../app/viewSlice.ts';
import { ChoiceChip, TextInPlace } from '../../ui/index.ts';
import { ClockSentence } from './ClockSentence.tsx';
import { ConditionSentence } from './ConditionSentence.tsx';
import { LossRules } from './LossRules.tsx';
import { levelHere, type LevelHere } from '../../app/levelHere.ts';
import { NumbersHere } from './NumbersHere.tsx';
import { Section } from './Section.tsx';
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
  const wins = level.rules.map((rule, index) => ({ rule, index })).filter(({ rule }) => endingOfRule(rule) === 'won');
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
      <Section title="Won when">
        {wins.map(({ rule, index }) => (
          <ConditionSentence
            key={rule.id}
            here={here}
            condition={rule.when}
            path={`${base}/rules/${index}/when`}
            topic="Won when"
            findings={findings}
          />
        ))}
        {wins.length === 0 ? <AddWin here={here} /> : null}
      </Section>
      <Section title="Lost when">
        <LossRules here={here} findings={findings} />
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
        <ClockSentence here={here} />
      </Section>
      <Section title="To collect">
        <ToCollect here={here} />
      </Section>
      <Section title="Stars">
        <StarsSentence here={here} findings={findings} />
      </Section>
      <Section title="Numbers here">
        <NumbersHere here={here} />
      </Section>
    </div>
  );
}

/** A level without a win can have one again. */
function AddWin({ here }: { here: LevelHere }) {
  const edit = useEdit();
  const { level } = here;
  const goal = level.ground.pieces.find((piece) => piece.piece === 'goal');
  const add = (): void => {
    const id = freshId('won', new Set(level.rules.map((rule) => rule.id)));
    const rule = {
      id,
      when: {
        id: `${id}-when`,
        is: 'all',
        of: goal
          ? [{ id: `${id}-inside`, is: 'onOff', reading: { reading: 'inside', zone: goal.id }, on: true }]
          : [
              {
                id: `${id}-worth`,
                is: 'compare',
                reading: { reading: 'worth', of: 'any' },
                comparison: 'atLeast',
                amount: literal(1),
              },
            ],
      },
      then: [{ effect: 'win' }],
      fires: 'once',
    };
    edit({ label: `A way to win ${level.name}`, patch: [addAt(at('levels', level.id, 'rules', '-'), rule)] });
  };
  return (
    <div className="say">
      <span className="text-ink-3">nothing: it cannot be won</span>
      <button type="button" className="link" onClick={add}>
        + way to win
      </button>
    </div>
  );
}

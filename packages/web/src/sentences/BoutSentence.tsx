import {
  at,
  decideByBout,
  decideByGround,
  replaceAt,
  setLevelBout,
  startBouts,
  usualBout,
} from '@stadion/core/authoring/edits';
import { literal, type LevelBout } from '@stadion/core/document/model';
import { MOST_LEVEL } from '@stadion/core/play/bouts';
import { useEdit } from '../store/hooks.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { mintId } from '../store/mintId.ts';
import { ChoiceChip } from '../ui/index.ts';
import { AmountChip } from './AmountChip.tsx';

const MOST_PARTY = 8;

/** Decision of a level: its ground, or a bout; then its meetings. */
export function BoutSentence({ here }: { here: LevelContext }) {
  const edit = useEdit();
  const { level, project } = here;
  const { bouts } = project;
  const usual = bouts && usualBout(bouts);
  return (
    <div className="say">
      <span className="join">It is decided</span>
      <ChoiceChip
        label="What decides the level"
        value={level.bout ? 'bout' : 'ground'}
        choices={[
          { value: 'ground', label: 'on its ground' },
          { value: 'bout', label: 'by a bout' },
        ]}
        onChoose={(next) => {
          if (next === 'ground') edit(level.bout && decideByGround(project, level));
          else if (!level.bout && usual) edit(decideByBout(project, level, usual, mintId));
          else if (!bouts) edit(startBouts(project.words.player[0]!.toUpperCase() + project.words.player.slice(1)));
        }}
      />
      {level.bout ? <WhoMeetsWhom here={here} bout={level.bout} /> : null}
      {!level.bout && bouts && !usual ? (
        <span className="text-ink-3">A bout needs somebody of the party and a group: add them on Kinds, In bouts.</span>
      ) : null}
    </div>
  );
}

function WhoMeetsWhom({ here, bout }: { here: LevelContext; bout: LevelBout }) {
  const edit = useEdit();
  const { level, project } = here;
  const { fighters = [], groups = [] } = project.bouts ?? {};
  const ours = fighters.filter(({ side }) => side === 'ours');
  const { party } = bout;
  const nameOf = (id: string): string => fighters.find((fighter) => fighter.id === id)?.name ?? id;
  const choices = ours.map(({ id, name }) => ({ value: id, label: name }));
  const set = (next: LevelBout['party'], label: string): void =>
    edit(setLevelBout(level, { ...bout, party: next }, label));
  const path = at('levels', level.id, 'bout');
  return (
    <>
      <span className="join">:</span>
      {party.map(({ fighter }, index) => (
        <span key={index} className="inline-flex items-center gap-1">
          {index === 0 ? null : <span className="join">and</span>}
          <ChoiceChip
            label={`Place ${index + 1} of the party`}
            value={fighter}
            choices={choices}
            onChoose={(next) =>
              set(party.with(index, { ...party[index]!, fighter: next }), `${nameOf(next)} fights in ${level.name}`)
            }
            {...(party.length === 1
              ? {}
              : {
                  extra: [
                    {
                      label: 'Leave out',
                      onSelect: () => set(party.toSpliced(index, 1), `${level.name} without ${nameOf(fighter)}`),
                    },
                  ],
                })}
          />
          <span className="join">at level</span>
          <AmountChip
            here={here}
            label={`Level of ${nameOf(fighter)}`}
            amount={party[index]!.level}
            path={`${path}/party/${index}/level`}
            step={1}
            min={1}
            max={MOST_LEVEL}
            whole
            quiet
          />
        </span>
      ))}
      {party.length < MOST_PARTY ? (
        <ChoiceChip
          link
          label="Another of the party"
          value=""
          shown="+ one"
          choices={choices}
          onChoose={(fighter) =>
            set(
              [...party, { fighter, level: party[0]?.level ?? literal(1) }],
              `${nameOf(fighter)} joins in ${level.name}`,
            )
          }
        />
      ) : null}
      <span className="join">{party.length === 1 ? 'meets' : 'meet'}</span>
      <ChoiceChip
        label="Group that decides the level"
        value={bout.group}
        choices={groups.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(group) =>
          edit({
            label: `${level.name} against ${groups.find(({ id }) => id === group)?.name ?? group}`,
            patch: [replaceAt(`${path}/group`, group)],
          })
        }
      />
    </>
  );
}

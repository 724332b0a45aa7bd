import { literal, usualShooting, type Project } from '@stadion/core/document/model';
import { at, replaceAt } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { AmountChip } from '../../sentences/index.ts';
import { MOVES, RoamMoves } from './moves/index.ts';
import { nameRefused, ChoiceChip, NumberChip, TextInPlace } from '../../ui/index.ts';

const AIMS = [
  { value: 'nearest', label: 'at the nearest it can beat' },
  { value: 'facing', label: 'where it faces' },
];

type Shooting = NonNullable<Project['player']['shooting']>;

/** Abilities of the player in every level. */
export function PlayerFacts({ here }: { here: LevelContext }) {
  const edit = useEdit();
  const { player, words } = here.project;
  const set = (label: string, path: string, value: unknown): void => edit({ label, patch: [replaceAt(path, value)] });
  return (
    <div>
      <div className="say">
        <TextInPlace
          label="What the player is called"
          value={words.player}
          className="font-semibold first-letter:uppercase"
          refuse={(text) => nameRefused(text, 'This', 40)}
          onCommit={(text) => set(`The player is called ${text}`, at('words', 'player'), text)}
        />
        <RoamMoves here={here} />
        <span className="join">, is</span>
        <NumberChip
          label="Size of the player"
          value={player.radius}
          step={0.01}
          min={0.1}
          max={0.49}
          onCommit={(radius) => set(`The player is ${radius} big`, at('player', 'radius'), radius)}
        />
        <span className="join">big, has health</span>
        <AmountChip
          here={here}
          label="Health of the player"
          amount={player.health}
          path={at('player', 'health')}
          step={5}
          min={0}
          max={1000000}
        />
        <span className="join">, and nothing touches it for</span>
        <NumberChip
          label="Grace after a lost life"
          value={player.graceSeconds}
          unit="s"
          step={0.1}
          min={0}
          max={10}
          onCommit={(value) => set(`Grace of ${value} s`, at('player', 'graceSeconds'), value)}
        />
        <span className="join">after a lost life. Points gathered are called</span>
        <TextInPlace
          label="What the points gathered are called"
          value={words.worth}
          className="chip"
          refuse={(text) => nameRefused(text, 'This', 40)}
          onCommit={(text) => set(`Points gathered are called ${text}`, at('words', 'worth'), text)}
        />
      </div>
      {Object.entries(MOVES).map(([kind, Moves]) => (
        <Moves key={kind} here={here} />
      ))}
      <Shoots here={here} shooting={player.shooting} />
    </div>
  );
}

function Shoots({ here, shooting }: { here: LevelContext; shooting: Shooting | null }) {
  const edit = useEdit();
  const path = at('player', 'shooting');
  if (!shooting) {
    return (
      <div className="say">
        <span className="text-ink-3">It does not shoot.</span>
        <button
          type="button"
          className="act link"
          onClick={() => edit({ label: 'The player shoots', patch: [replaceAt(path, usualShooting())] })}
        >
          + shooting
        </button>
      </div>
    );
  }
  const amount = (label: string, field: 'everySeconds' | 'speed' | 'reach' | 'damage', min: number, unit = '') => (
    <AmountChip
      here={here}
      label={label}
      amount={shooting[field]}
      path={`${path}/${field}`}
      step={0.1}
      min={min}
      unit={unit}
      quiet
    />
  );
  return (
    <div className="say">
      <span className="join">It shoots</span>
      <ChoiceChip
        label="How it aims"
        value={shooting.aim}
        choices={AIMS}
        onChoose={(aim) =>
          edit({
            label: `It shoots ${AIMS.find((entry) => entry.value === aim)?.label ?? aim}`,
            patch: [replaceAt(`${path}/aim`, aim)],
          })
        }
      />
      <span className="join">every</span>
      {amount('Shoots every', 'everySeconds', 0.02, 's')}
      <span className="join">, at</span>
      {amount('Speed of a shot', 'speed', 0.1)}
      <span className="join">units a second as far as</span>
      {amount('Reach of a shot', 'reach', 0.1)}
      <span className="join">units, for damage</span>
      {amount('Damage of a shot', 'damage', 0)}
      {shooting.ammunition ? (
        <>
          <span className="join">, with</span>
          <AmountChip
            here={here}
            label="Shots in an attempt"
            amount={shooting.ammunition}
            path={`${path}/ammunition`}
            step={1}
            min={0}
            max={100000}
            whole
            onClear={() => edit({ label: 'Shots without end', patch: [replaceAt(`${path}/ammunition`, null)] })}
          />
          <span className="join">shots</span>
        </>
      ) : (
        <button
          type="button"
          className="act link"
          onClick={() =>
            edit({ label: '30 shots in an attempt', patch: [replaceAt(`${path}/ammunition`, literal(30))] })
          }
        >
          + ammunition
        </button>
      )}
      <button
        type="button"
        className="act link"
        onClick={() => edit({ label: 'The player does not shoot', patch: [replaceAt(path, null)] })}
      >
        no shooting
      </button>
    </div>
  );
}

import type { Finding } from '@stadion/core/authoring/findings';
import { literal } from '@stadion/core/document/model';
import { addAt, at, replaceAt } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import { ChoiceChip } from '../../ui/index.ts';
import { AmountChip, conditionOn, ConditionSentence } from '../../sentences/index.ts';
import type { LevelContext } from '../../readings/levelContext.ts';

const STARTS = [
  { value: 'load', label: 'the load' },
  { value: 'firstMove', label: 'the first move' },
  { value: 'condition', label: 'when a condition first holds' },
];
const EXPIRY = [
  { value: 'lose', label: 'it is lost' },
  { value: 'win', label: 'it is won' },
  { value: 'grade', label: 'the stars decide' },
];
const labelOf = (choices: readonly { value: string; label: string }[], value: string): string =>
  choices.find((choice) => choice.value === value)?.label ?? value;

/** The clock, as a sentence. */
export function ClockSentence({ here, findings }: { here: LevelContext; findings: readonly Finding[] }) {
  const edit = useEdit();
  const { level } = here;
  const { clock } = level;
  const path = at('levels', level.id, 'clock');
  const set = (name: string, value: unknown, label: string): void =>
    edit({ label: `Clock of ${level.name}: ${label}`, patch: [replaceAt(`${path}/${name}`, value)] });
  if (clock.limitSeconds === null) {
    return (
      <div className="say">
        <span className="join">no limit</span>
        <button type="button" className="link" onClick={() => set('limitSeconds', literal(60), '60 s')}>
          + limit
        </button>
      </div>
    );
  }
  return (
    <>
      <div className="say">
        <AmountChip
          here={here}
          label="Clock"
          amount={clock.limitSeconds}
          path={`${path}/limitSeconds`}
          step={1}
          min={1}
          max={3600}
          unit="s"
          onClear={() => set('limitSeconds', null, 'no limit')}
        />
        <span className="join">counting down from</span>
        <ChoiceChip
          label="Clock starts at"
          value={clock.starts}
          choices={STARTS}
          onChoose={(value) =>
            edit({
              label: `Clock of ${level.name}: from ${labelOf(STARTS, value)}`,
              patch: [
                replaceAt(`${path}/starts`, value),
                ...(value === 'condition' && !clock.startsWhen
                  ? [addAt(`${path}/startsWhen`, conditionOn({ reading: 'collected', of: 'any' }, here))]
                  : []),
              ],
            })
          }
        />
        {clock.warnAtSeconds === null ? (
          <button
            type="button"
            className="act link"
            onClick={() => set('warnAtSeconds', literal(10), 'warning at 10 s')}
          >
            + warning
          </button>
        ) : (
          <>
            <span className="join">, warning at</span>
            <AmountChip
              here={here}
              label="Warning time"
              amount={clock.warnAtSeconds}
              path={`${path}/warnAtSeconds`}
              step={1}
              min={0}
              max={3600}
              unit="s"
              onClear={() => set('warnAtSeconds', null, 'no warning')}
            />
          </>
        )}
        <span className="join">; at 0</span>
        <ChoiceChip
          label="When the clock runs out"
          value={clock.atExpiry}
          choices={EXPIRY}
          onChoose={(value) => set('atExpiry', value, `at 0 ${labelOf(EXPIRY, value)}`)}
        />
        {clock.parSeconds === null ? (
          <button type="button" className="act link" onClick={() => set('parSeconds', literal(30), 'par 30 s')}>
            + par
          </button>
        ) : (
          <>
            <span className="join">; par</span>
            <AmountChip
              here={here}
              label="Par time"
              amount={clock.parSeconds}
              path={`${path}/parSeconds`}
              step={1}
              min={0}
              max={3600}
              unit="s"
              onClear={() => set('parSeconds', null, 'no par')}
            />
          </>
        )}
      </div>
      {clock.starts === 'condition' && clock.startsWhen ? (
        <div className="say items-start">
          <span className="join leading-6">It starts when</span>
          <ConditionSentence
            here={here}
            condition={clock.startsWhen}
            path={`${path}/startsWhen`}
            topic="Clock starts when"
            findings={findings}
          />
        </div>
      ) : null}
    </>
  );
}

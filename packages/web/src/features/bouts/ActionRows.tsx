import { addAction, at, removeAction, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import type { Action } from '@stadion/core/document/model';
import { actionFormulaError } from '@stadion/core/document/ramps';
import { useEdit } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { ChoiceChip, NumberChip, TextInPlace } from '../../ui/index.ts';
import { Part, Row, type BoutsHere } from './shared.tsx';

const STRIKES: readonly { value: Action['strikes']; label: string }[] = [
  { value: 'one', label: 'one of the other side' },
  { value: 'all', label: 'all of the other side' },
  { value: 'itself', label: 'who acts' },
  { value: 'ally', label: 'one of the own side' },
  { value: 'allies', label: 'all of the own side' },
];

/** Actions of fighters: the target, the amount by a formula, the chance to hit, and the cost. */
export function ActionRows({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const keys = bouts.statistics.map(({ key }) => key);
  const parameters = here.project.parameters.map(({ key }) => key);
  const refuse = (text: string): string | undefined => actionFormulaError(text, keys, parameters)?.message;
  return (
    <Part
      title="Actions"
      says="mine(…) reads a statistic of the fighter who acts, theirs(…) one of the fighter who is struck."
      acts={
        <button type="button" className="link" onClick={() => edit(addAction(bouts, mintId))}>
          + action
        </button>
      }
    >
      {bouts.actions.length === 0 ? <p className="py-2 text-ink-3">Nobody can do anything yet.</p> : null}
      {bouts.actions.map((action) => {
        const path = at('bouts', 'actions', action.id);
        const set = (field: string, value: unknown, said: string): void =>
          edit({ label: `${action.name}: ${said}`, patch: [replaceAt(`${path}/${field}`, value)] });
        const wrong = refuse(action.formula);
        return (
          <Row
            key={action.id}
            name={action.name}
            what="An action"
            onRename={(text) => set('name', text, `called ${text}`)}
            onRemove={() => edit(removeAction(bouts, action))}
            below={
              wrong === undefined ? null : (
                <p role="alert" className="text-[12px] text-loss">
                  {wrong}
                </p>
              )
            }
          >
            <ChoiceChip
              label={`What ${action.name} does`}
              value={action.does}
              choices={[
                { value: 'harm', label: 'harms' },
                { value: 'heal', label: 'heals' },
              ]}
              onChoose={(does) => set('does', does, does)}
            />
            <ChoiceChip
              label={`Whom ${action.name} strikes`}
              value={action.strikes}
              choices={STRIKES}
              onChoose={(strikes) => set('strikes', strikes, strikes)}
            />
            <span className="join">by</span>
            <span className="font-mono text-[12px]">
              <TextInPlace
                label={`Formula of ${action.name}`}
                value={action.formula}
                refuse={refuse}
                onCommit={(text) => set('formula', text, 'another formula')}
              />
            </span>
            <span className="join">, ±</span>
            <NumberChip
              label={`Spread of ${action.name}`}
              value={action.spread}
              scale={100}
              unit="%"
              step={0.05}
              min={0}
              max={1}
              onCommit={(spread) => set('spread', spread, `± ${Math.round(spread * 100)} %`)}
            />
            <span className="join">, hits</span>
            <NumberChip
              label={`Chance of ${action.name} to hit`}
              value={action.chance}
              scale={100}
              unit="%"
              step={0.05}
              min={0}
              max={1}
              onCommit={(chance) => set('chance', chance, `hits ${Math.round(chance * 100)} %`)}
            />
            {bouts.elements.length > 0 ? (
              <>
                <span className="join">, made of</span>
                <ChoiceChip
                  label={`Element of ${action.name}`}
                  value={action.element ?? ''}
                  choices={[
                    { value: '', label: 'nothing' },
                    ...bouts.elements.map(({ id, name }) => ({ value: id, label: name })),
                  ]}
                  onChoose={(element) =>
                    edit({
                      label: `Element of ${action.name}`,
                      patch: setOptional(`${path}/element`, action.element, element === '' ? undefined : element),
                    })
                  }
                />
              </>
            ) : null}
            <Costs action={action} bouts={bouts} here={here} />
          </Row>
        );
      })}
    </Part>
  );
}

/** Costs of an action, and further statistics that it could cost. */
function Costs({ action, bouts }: BoutsHere & { action: Action }) {
  const edit = useEdit();
  const costs = bouts.statistics.filter(({ key }) => Object.hasOwn(action.costs, key));
  const others = bouts.statistics.filter(({ key }) => !Object.hasOwn(action.costs, key));
  const set = (key: string, name: string, value: number | undefined): void =>
    edit({
      label: value === undefined ? `${action.name} costs no ${name}` : `${action.name} costs ${value} ${name}`,
      patch: setOptional(at('bouts', 'actions', action.id, 'costs', key), action.costs[key], value),
    });
  return (
    <>
      {costs.map(({ key, name }) => (
        <span key={key} className="inline-flex items-center gap-1.5">
          <span className="join">, costs</span>
          <NumberChip
            label={`${name} that ${action.name} costs`}
            value={action.costs[key] ?? 0}
            step={1}
            min={0}
            max={1e6}
            onCommit={(value) => set(key, name, value)}
            onClear={() => set(key, name, undefined)}
          />
          <span className="join">{name.toLowerCase()}</span>
        </span>
      ))}
      {others.length > 0 ? (
        <ChoiceChip
          link
          label={`What ${action.name} costs besides`}
          value=""
          shown="+ cost"
          choices={others.map(({ key, name }) => ({ value: key, label: name }))}
          onChoose={(key) => set(key, others.find((each) => each.key === key)!.name, 1)}
        />
      ) : null}
    </>
  );
}

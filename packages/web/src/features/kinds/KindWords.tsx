import { at, KIND_DEEDS, replaceAt, setMovement, setOptional } from '@stadion/core/authoring/edits';
import {
  literal,
  type Amount,
  type CollectableKind,
  type EnemyKind,
  type HazardKind,
} from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip, NumberChip } from '../../ui/index.ts';

/** Worth of a collectable. */
export function CollectableWords({ here, kind }: { here: LevelContext; kind: CollectableKind }) {
  return (
    <>
      <span className="join">is worth</span>
      <AmountChip
        here={here}
        label={`Worth of ${kind.name}`}
        amount={kind.worth}
        path={at('kinds', 'collectables', kind.id, 'worth')}
        step={1}
        min={0}
        max={100000}
      />
    </>
  );
}

const MOVEMENTS = Object.entries(KIND_DEEDS).flatMap(([value, { role, label }]) =>
  role === 'enemies' ? [{ value, label }] : [],
);

/** How an enemy moves, sees, hurts and is beaten. */
export function EnemyWords({ here, kind }: { here: LevelContext; kind: EnemyKind }) {
  const edit = useEdit();
  const path = at('kinds', 'enemies', kind.id);
  const amount = (label: string, field: string, value: Amount, max: number, step = 0.1) => (
    <AmountChip
      here={here}
      label={`${label} of ${kind.name}`}
      amount={value}
      path={`${path}/${field}`}
      step={step}
      min={0}
      max={max}
      {...(field === 'damage' || field === 'health' ? { onClear: () => set(field, value, undefined) } : {})}
    />
  );
  const set = (field: string, before: unknown, after: unknown): void =>
    edit({ label: `${field} of ${kind.name}`, patch: setOptional(`${path}/${field}`, before, after) });
  return (
    <>
      <ChoiceChip
        label={`How ${kind.name} moves`}
        value={kind.movement}
        choices={MOVEMENTS}
        onChoose={(movement) => edit(setMovement(kind, movement as EnemyKind['movement']))}
      />
      {kind.movement === 'still' ? null : (
        <>
          <span className="join">at</span>
          {amount('Speed', 'speed', kind.speed, 25)}
          <span className="join">units/s</span>
        </>
      )}
      {kind.movement === 'chase' ? (
        <>
          <span className="join">, sees</span>
          {amount('Sight', 'sight', kind.sight, 100, 0.5)}
          <span className="join">units</span>
        </>
      ) : null}
      {kind.movement === 'circle' ? (
        <>
          <span className="join">,</span>
          <NumberChip
            label={`How far from its place ${kind.name} goes round`}
            value={kind.distance}
            step={0.5}
            min={0.1}
            max={20}
            onCommit={(distance) =>
              edit({ label: `Way round of ${kind.name}`, patch: [replaceAt(`${path}/distance`, distance)] })
            }
          />
          <span className="join">units from its place</span>
        </>
      ) : null}
      <span className="join">, is</span>
      <NumberChip
        label={`Size of ${kind.name}`}
        value={kind.radius}
        step={0.05}
        min={0.1}
        max={2}
        onCommit={(radius) => edit({ label: `Size of ${kind.name}`, patch: [replaceAt(`${path}/radius`, radius)] })}
      />
      <span className="join">big</span>
      {kind.damage ? (
        <>
          <span className="join">, takes</span>
          {amount('Damage', 'damage', kind.damage, 100000, 1)}
          <span className="join">health at a touch</span>
        </>
      ) : (
        <button type="button" className="act link" onClick={() => set('damage', undefined, literal(10))}>
          + damage
        </button>
      )}
      <span className="join">and</span>
      {kind.health ? (
        <>
          <span className="join">is beaten by</span>
          {amount('Health', 'health', kind.health, 100000, 1)}
          <span className="join">damage</span>
          <ChoiceChip
            label={`What falling onto ${kind.name} does`}
            value={kind.fromAbove ? 'beats' : 'touches'}
            choices={[
              { value: 'touches', label: 'and not from above' },
              { value: 'beats', label: 'or by falling onto it' },
            ]}
            onChoose={(next) => set('fromAbove', kind.fromAbove, next === 'beats' ? true : undefined)}
          />
        </>
      ) : (
        <ChoiceChip
          label={`Can ${kind.name} be beaten?`}
          value="no"
          choices={[
            { value: 'no', label: 'cannot be beaten' },
            { value: 'yes', label: 'is beaten by damage' },
          ]}
          onChoose={() => set('health', undefined, literal(3))}
        />
      )}
    </>
  );
}

const ACTS = [
  { value: 'atTouch', label: 'at a touch' },
  { value: 'perSecond', label: 'per second' },
];

/** Damage of a hazard. */
export function HazardWords({ here, kind }: { here: LevelContext; kind: HazardKind }) {
  const edit = useEdit();
  const path = at('kinds', 'hazards', kind.id);
  return (
    <>
      <span className="join">takes</span>
      <AmountChip
        here={here}
        label={`Damage of ${kind.name}`}
        amount={kind.damage}
        path={`${path}/damage`}
        step={1}
        min={0}
        max={100000}
      />
      <span className="join">health</span>
      <ChoiceChip
        label={`When ${kind.name} hurts`}
        value={kind.acts}
        choices={ACTS}
        onChoose={(acts) => edit({ label: `When ${kind.name} hurts`, patch: [replaceAt(`${path}/acts`, acts)] })}
      />
      {kind.damage.from === 'number' && kind.damage.value === 0 ? (
        <span className="text-ink-3">: only rules act on it</span>
      ) : null}
    </>
  );
}

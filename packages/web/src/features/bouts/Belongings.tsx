import { at, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import { freshName, literal, type Fighter } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip, nameRefused, NumberChip, TextInPlace } from '../../ui/index.ts';
import type { BoutsHere } from './shared.tsx';

type Thing = Fighter['worn'][number];

const names = (things: readonly { name: string }[]): Set<string> => new Set(things.map(({ name }) => name));

/** Things that a fighter wears: additions to its statistics. */
export function Worn({ bouts, fighter }: BoutsHere & { fighter: Fighter }) {
  const edit = useEdit();
  const { worn } = fighter;
  const set = (next: readonly Thing[], label: string): void =>
    edit({ label, patch: [replaceAt(at('bouts', 'fighters', fighter.id, 'worn'), next)] });
  const [first] = bouts.statistics;
  return (
    <div className="say text-[12px]">
      {worn.length > 0 ? <span className="join text-ink-3">wears</span> : null}
      {worn.map((thing, index) => {
        const change = (next: Thing, label: string): void => set(worn.with(index, next), label);
        const others = bouts.statistics.filter(({ key }) => !Object.hasOwn(thing.plus, key));
        return (
          <span key={index} className="mr-3 inline-flex items-center gap-1.5">
            <TextInPlace
              label={`Name of what ${fighter.name} wears, ${index + 1}`}
              value={thing.name}
              refuse={(text) => nameRefused(text, 'A thing')}
              onCommit={(name) => change({ ...thing, name }, `${fighter.name} wears ${name}`)}
            />
            {bouts.statistics.flatMap(({ key, name }) =>
              Object.hasOwn(thing.plus, key)
                ? [
                    <span key={key} className="inline-flex items-center gap-1">
                      <NumberChip
                        label={`${name} that ${thing.name} adds to ${fighter.name}`}
                        value={thing.plus[key] ?? 0}
                        step={1}
                        min={-1e6}
                        max={1e6}
                        onCommit={(value) =>
                          change(
                            { ...thing, plus: { ...thing.plus, [key]: value } },
                            `${thing.name} adds ${value} ${name}`,
                          )
                        }
                        onClear={() =>
                          change(
                            {
                              ...thing,
                              plus: Object.fromEntries(Object.entries(thing.plus).filter(([of]) => of !== key)),
                            },
                            `${thing.name} adds no ${name}`,
                          )
                        }
                      />
                      <span className="join">{name.toLowerCase()}</span>
                    </span>,
                  ]
                : [],
            )}
            {others.length > 0 ? (
              <ChoiceChip
                link
                label={`What ${thing.name} of ${fighter.name} adds besides`}
                value=""
                shown="+ number"
                choices={others.map(({ key, name }) => ({ value: key, label: name }))}
                onChoose={(key) =>
                  change({ ...thing, plus: { ...thing.plus, [key]: 1 } }, `${thing.name} adds to another number`)
                }
              />
            ) : null}
            <button
              type="button"
              className="act link text-[11px]"
              onClick={() => set(worn.toSpliced(index, 1), `${fighter.name} without ${thing.name}`)}
            >
              ×
              <span className="sr-only">
                {' '}
                {fighter.name} no longer wears {thing.name}
              </span>
            </button>
          </span>
        );
      })}
      {first && worn.length < 20 ? (
        <button
          type="button"
          className="act link text-[12px]"
          onClick={() => {
            const name = freshName('Thing', names(worn));
            set([...worn, { name, plus: { [first.key]: 1 } }], `${fighter.name} wears ${name}`);
          }}
        >
          + worn thing<span className="sr-only"> for {fighter.name}</span>
        </button>
      ) : null}
    </div>
  );
}

/** Rewards for beating an enemy: experience, coins, and things with a chance each. */
export function Gives({ here, fighter }: BoutsHere & { fighter: Fighter }) {
  const edit = useEdit();
  const { gives } = fighter;
  const path = at('bouts', 'fighters', fighter.id, 'gives');
  if (!gives)
    return (
      <button
        type="button"
        className="act link text-[12px]"
        onClick={() =>
          edit({
            label: `${fighter.name} gives something`,
            patch: setOptional(path, undefined, { experience: literal(10), coins: literal(0), things: [] }),
          })
        }
      >
        + what beating it brings<span className="sr-only">: {fighter.name}</span>
      </button>
    );
  const { things } = gives;
  const set = (next: typeof things, label: string): void => edit({ label, patch: [replaceAt(`${path}/things`, next)] });
  const amount = (of: 'experience' | 'coins', label: string) => (
    <AmountChip
      here={here}
      label={`${label} that ${fighter.name} gives`}
      amount={gives[of]}
      path={`${path}/${of}`}
      step={1}
      min={0}
      max={1e6}
      quiet
    />
  );
  return (
    <div className="say text-[12px]">
      <span className="join text-ink-3">gives</span>
      {amount('experience', 'Experience')}
      <span className="join">experience and</span>
      {amount('coins', 'Coins')}
      <span className="join">coins</span>
      {things.map((thing, index) => (
        <span key={index} className="mr-2 inline-flex items-center gap-1.5">
          <span className="join">and</span>
          <TextInPlace
            label={`Name of what ${fighter.name} gives, ${index + 1}`}
            value={thing.name}
            refuse={(text) => nameRefused(text, 'A thing')}
            onCommit={(name) => set(things.with(index, { ...thing, name }), `${fighter.name} gives ${name}`)}
          />
          <span className="join">with</span>
          <NumberChip
            label={`Chance of ${thing.name} from ${fighter.name}`}
            value={thing.chance}
            scale={100}
            unit="%"
            step={0.05}
            min={0}
            max={1}
            onCommit={(chance) => set(things.with(index, { ...thing, chance }), `Chance of ${thing.name}`)}
            onClear={() => set(things.toSpliced(index, 1), `${fighter.name} gives no ${thing.name}`)}
          />
        </span>
      ))}
      {things.length < 20 ? (
        <button
          type="button"
          className="act link text-[12px]"
          onClick={() => {
            const name = freshName('Thing', names(things));
            set([...things, { name, chance: 0.1 }], `${fighter.name} gives ${name}`);
          }}
        >
          + thing<span className="sr-only"> that {fighter.name} gives</span>
        </button>
      ) : null}
    </div>
  );
}

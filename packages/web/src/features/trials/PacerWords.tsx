import { ABILITIES, ABILITY_NAMES, type AbilityName } from '@stadion/core/basics/abilities';
import {
  audienceOf,
  removePacer,
  renamePacer,
  setAbility,
  setAudienceShare,
  setPacerFact,
  setPacerSpread,
  type NamedEdit,
} from '@stadion/core/authoring/edits';
import type { Pacer } from '@stadion/core/document/model';
import { useState } from 'react';
import { useAppDispatch, useEdit, usePacer, useProject } from '../../store/hooks.ts';
import { pacerChosen } from '../../store/viewSlice.ts';
import { Button, Confirm, nameRefused, NumberChip, TextInPlace } from '../../ui/index.ts';

/** How an ability is said: what stands before the number, after it, and how it is nudged. */
const SAID: Readonly<
  Record<AbilityName, { before: string; after: string; step: number; scale?: number; unit: string }>
> = {
  reactionMs: { before: 'Reacts after', after: '', step: 10, unit: 'ms' },
  aimErrorDegrees: { before: 'Steers', after: 'beside where it means to go', step: 1, unit: '°' },
  cautionUnits: { before: 'Keeps', after: 'from what threatens it', step: 0.1, unit: 'units' },
  foresightSeconds: { before: 'Thinks', after: 'ahead', step: 0.05, unit: 's' },
  lapsesPerMinute: { before: 'Is inattentive', after: 'a minute', step: 0.5, unit: 'times' },
  planning: {
    before: 'Plans its way to',
    after: '(0 %: always the nearest; 100 %: what pays best)',
    step: 0.05,
    scale: 100,
    unit: '%',
  },
};

/** Abilities of a pacer's players, in sentences. */
export function PacerWords({ pacer, onClose }: { pacer: Pacer; onClose: () => void }) {
  const project = useProject();
  const change = useEdit();
  const dispatch = useAppDispatch();
  const chosen = usePacer();
  const [removing, setRemoving] = useState(false);
  const edit = (command: NamedEdit | undefined): void => {
    if (command) change(command);
  };
  const share = audienceOf(project).get(pacer.id) ?? 0;
  return (
    <section aria-label={`Pacer ${pacer.name}`} className="mb-2 border-y border-line bg-band px-3.5 py-2">
      <div className="mb-1.5 flex items-center gap-2">
        <h2 className="min-w-0 grow text-[14px]">
          <TextInPlace
            label="Name of the pacer"
            value={pacer.name}
            refuse={(text) => nameRefused(text, 'A pacer')}
            onCommit={(name) => edit(renamePacer(pacer, name))}
          />
        </h2>
        <button type="button" className="link" onClick={onClose}>
          Close
        </button>
      </div>
      <p className="mb-1 text-ink-3">Each attempt draws one player of this kind.</p>
      <div className="grid grid-cols-3 gap-x-6">
        <div>
          {ABILITY_NAMES.map((name) => {
            const { before, after, step, scale = 1, unit } = SAID[name];
            const { least, most, label } = ABILITIES[name];
            return (
              <p key={name} className="say">
                {before}{' '}
                <NumberChip
                  label={`${pacer.name}: ${label}`}
                  value={pacer.abilities[name]}
                  step={step}
                  scale={scale}
                  unit={unit}
                  min={least}
                  max={most}
                  onCommit={(value) => edit(setAbility(pacer, name, value))}
                />{' '}
                {after}
              </p>
            );
          })}
        </div>
        <div>
          <p className="say">
            Players differ by{' '}
            <NumberChip
              label={`${pacer.name}: spread`}
              value={pacer.spread}
              step={0.05}
              scale={100}
              unit="%"
              min={0}
              max={1}
              onCommit={(spread) => edit(setPacerSpread(pacer, spread))}
            />{' '}
            of each ability
          </p>
          <p className="say">
            Gives up the game after{' '}
            <NumberChip
              label={`${pacer.name}: lost tries before giving up`}
              value={pacer.persistence ?? null}
              step={1}
              whole
              min={1}
              max={1000}
              onCommit={(value) => edit(setPacerFact(pacer, 'persistence', value))}
            />{' '}
            lost tries at one level
            {pacer.persistence === undefined ? (
              ' (—: never)'
            ) : (
              <button
                type="button"
                className="link ml-1.5"
                onClick={() => edit(setPacerFact(pacer, 'persistence', undefined))}
              >
                Never gives up
              </button>
            )}
          </p>
          <p className="say">
            Tries at one level take away up to{' '}
            <NumberChip
              label={`${pacer.name}: learning`}
              value={pacer.learning ?? 0}
              step={0.05}
              scale={100}
              unit="%"
              min={0}
              max={1}
              onCommit={(value) => edit(setPacerFact(pacer, 'learning', value === 0 ? undefined : value))}
            />{' '}
            of reaction and steering error
          </p>
        </div>
        <div>
          <p className="say">
            Is{' '}
            <NumberChip
              label={`${pacer.name}: share of the audience`}
              value={share}
              step={0.05}
              scale={100}
              digits={1}
              unit="%"
              min={0}
              max={1}
              onCommit={(value) => edit(setAudienceShare(project, pacer, value))}
            />{' '}
            of the audience
          </p>
          <div className="mt-3 flex flex-wrap gap-2">
            {chosen.id === pacer.id ? null : (
              <Button onClick={() => dispatch(pacerChosen(pacer.id))}>Show on the track</Button>
            )}
            {project.pacers.length > 1 ? <Button onClick={() => setRemoving(true)}>Remove {pacer.name}</Button> : null}
          </div>
        </div>
      </div>
      <Confirm
        open={removing}
        title={`Remove the pacer ${pacer.name}?`}
        does="Remove"
        onConfirm={() => {
          edit(removePacer(project, pacer));
          onClose();
        }}
        onClose={() => setRemoving(false)}
      >
        What is expected of it goes with it. It can be undone.
      </Confirm>
    </section>
  );
}

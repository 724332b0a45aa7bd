import { setLook, type AnyKind, type KindRole } from '@stadion/core/edits';
import type { Look } from '@stadion/core/model';
import { COLOURS, markFigures, MARKS, type Figure } from '@stadion/core/scene';
import { Popover } from 'radix-ui';
import { useEdit, useProject } from '../../project/hooks.ts';
import { colourOfTone, FigureMark } from '../../ui/index.ts';
import { freeLook, takenMarks } from '../../project/looks.ts';

interface Props {
  role: KindRole;
  kind: AnyKind;
  /** How it looks now; undefined for a hazard that is known by its strokes. */
  look: Look | undefined;
  figures: readonly Figure[];
}

/** How a kind is drawn, everywhere alike: a mark that no other kind has, and a colour. */
export function LookChip({ role, kind, look, figures }: Props) {
  const project = useProject();
  const edit = useEdit();
  const taken = takenMarks(project, kind.id);
  const now = look ?? { mark: '', colour: 'claret' };
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded-r p-1 hover:bg-edit-soft" aria-label={`Look of ${kind.name}`}>
        <FigureMark figures={figures} size={26} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="pop w-72"
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={`Look of ${kind.name}`}
        >
          <div role="group" aria-label="Mark" className="grid grid-cols-8 gap-0.5">
            {Object.entries(MARKS).map(([name, { label }]) => {
              const by = taken.get(name);
              return (
                <button
                  key={name}
                  type="button"
                  className={`rounded-r p-1 ${name === now.mark ? 'bg-edit-soft outline-2 outline-edit' : 'hover:bg-band'} disabled:opacity-30`}
                  aria-label={by === undefined ? label : `${label}, taken by ${by}`}
                  title={by === undefined ? label : `Taken by ${by}: two kinds never differ by colour alone`}
                  aria-pressed={name === now.mark}
                  disabled={by !== undefined}
                  onClick={() => edit(setLook(role, kind, { ...now, mark: name }))}
                >
                  <FigureMark figures={markFigures({ ...now, mark: name }, 0, 0, 0.42)} size={22} />
                </button>
              );
            })}
          </div>
          <div role="group" aria-label="Colour" className="mt-2 flex gap-1">
            {Object.entries(COLOURS).map(([name, { label, tone }]) => (
              <button
                key={name}
                type="button"
                aria-label={label}
                title={label}
                aria-pressed={name === now.colour}
                className={`size-6 rounded-r ${name === now.colour ? 'outline-2 outline-offset-1 outline-edit' : ''}`}
                style={{ background: colourOfTone(tone) }}
                onClick={() =>
                  edit(setLook(role, kind, { mark: now.mark || freeLook(project, role).mark, colour: name }))
                }
              />
            ))}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

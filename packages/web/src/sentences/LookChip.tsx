import type { Look } from '@stadion/core/document/model';
import { COLOURS, markFigures, MARKS, type Figure } from '@stadion/core/play/scene';
import { Popover } from 'radix-ui';
import { colourOfTone, FigureMark } from '../ui/index.ts';

interface Props {
  /** The thing that is drawn so. */
  name: string;
  /** Undefined for a thing without a mark. */
  look: Look | undefined;
  /** The thing as it is drawn now; absent where it shows its mark, or no mark. */
  figures?: readonly Figure[];
  /** Marks that cannot be chosen, each with the name of the kind that has it. */
  taken: ReadonlyMap<string, string>;
  /** A mark that is not taken, and the colour before one is chosen. */
  free: Look;
  onLook: (look: Look) => void;
  /** Removes the mark; absent where there must be one. */
  onNone?: () => void;
}

/** Chooses a mark and a colour for a thing, used everywhere that the thing is drawn. */
export function LookChip({ name: thing, look, figures, taken, free, onLook, onNone }: Props) {
  const now = look ?? { ...free, mark: '' };
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded-r p-1 hover:bg-edit-soft" aria-label={`Look of ${thing}`}>
        {figures || look ? (
          <FigureMark figures={figures ?? markFigures(now, 0, 0, 0.42)} size={figures ? 26 : 18} />
        ) : (
          <span className="link">+ mark</span>
        )}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="pop w-72"
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={`Look of ${thing}`}
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
                  onClick={() => onLook({ ...now, mark: name })}
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
                onClick={() => onLook({ mark: now.mark || free.mark, colour: name })}
              />
            ))}
          </div>
          {look && onNone ? (
            <Popover.Close className="link mt-2" onClick={onNone}>
              no mark
            </Popover.Close>
          ) : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

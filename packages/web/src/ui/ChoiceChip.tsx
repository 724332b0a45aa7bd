import { DropdownMenu } from 'radix-ui';

export interface Choice {
  value: string;
  label: string;
}

interface Props {
  /** Name of the choice, for screen readers. */
  label: string;
  value: string;
  choices: readonly Choice[];
  onChoose: (value: string) => void;
  /** Further commands below the choices. */
  extra?: readonly { label: string; onSelect: () => void }[];
  /** Shown in place of the chosen label. */
  shown?: string;
  /** Fills its box and shows that it opens. */
  wide?: boolean;
  /** Seen only while its row is hovered or has the focus: it says what is usual. */
  rest?: boolean;
  /** Adds something: a quiet link in place of a chip. */
  link?: boolean;
}

/** A word in a sentence that can be another word. */
export function ChoiceChip({
  label,
  value,
  choices,
  onChoose,
  extra = [],
  shown,
  wide = false,
  rest = false,
  link = false,
}: Props) {
  const text = shown ?? choices.find((choice) => choice.value === value)?.label ?? value;
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        className={
          link
            ? 'act link text-[12px]'
            : `${rest ? 'rest ' : ''}chip ${wide ? 'w-full justify-between text-[12px]' : ''}`
        }
        aria-label={`${label}: ${text}`}
      >
        {text}
        {wide ? <span aria-hidden>▾</span> : null}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="pop max-h-80 overflow-y-auto p-1"
          align="start"
          sideOffset={4}
          collisionPadding={8}
        >
          <DropdownMenu.RadioGroup value={value} onValueChange={(next) => next !== value && onChoose(next)}>
            {choices.map((choice) => (
              <DropdownMenu.RadioItem key={choice.value} value={choice.value} className="menu-item pl-6">
                <DropdownMenu.ItemIndicator className="absolute -ml-4">✓</DropdownMenu.ItemIndicator>
                {choice.label}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          {extra.length > 0 ? <DropdownMenu.Separator className="my-1 h-px bg-line" /> : null}
          {extra.map((entry) => (
            <DropdownMenu.Item key={entry.label} className="menu-item pl-6" onSelect={entry.onSelect}>
              {entry.label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

import { ToggleGroup } from 'radix-ui';

interface Props {
  label: string;
  value: string;
  options: readonly { value: string; label: string }[];
  onChange: (value: string) => void;
}

/** One of a few, all in sight. */
export function Segmented({ label, value, options, onChange }: Props) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next !== '' && onChange(next)}
      className="inline-flex overflow-hidden rounded-r border border-line-strong"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="border-r border-line bg-sheet px-2.5 py-0.5 last:border-r-0 data-[state=on]:bg-bar data-[state=on]:font-semibold data-[state=on]:text-bar-ink"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

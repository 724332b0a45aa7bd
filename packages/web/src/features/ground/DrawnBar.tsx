/** Overlays that can be drawn on a ground. */
const DRAWN = {
  losses: 'where they are lost',
  passes: 'where they pass',
  reach: 'how far it is',
  unreachable: 'out of reach',
  safe: 'safe distances',
  sight: 'sight',
  patrols: 'ways of enemies',
  ties: 'latches and gates',
  way: 'fastest way',
  gaps: 'what gaps forgive',
} as const;
export type Drawn = keyof typeof DRAWN;

/** Switches for what is drawn on the ground. */
export function DrawnBar({
  shown,
  hidden,
  onToggle,
}: {
  shown: ReadonlySet<Drawn>;
  /** Not offered: there is nothing of it on this ground. */
  hidden: ReadonlySet<Drawn>;
  onToggle: (name: Drawn) => void;
}) {
  return (
    <div
      role="group"
      aria-label="Drawn on the ground"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5 text-[12px]"
    >
      <span className="font-medium">drawn on it:</span>
      {(Object.keys(DRAWN) as Drawn[])
        .filter((name) => !hidden.has(name))
        .map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={shown.has(name)}
            className={`border-b-2 ${shown.has(name) ? 'border-edit font-semibold text-edit-ink' : 'border-line-strong text-ink-2 hover:text-ink'}`}
            onClick={() => onToggle(name)}
          >
            {DRAWN[name]}
          </button>
        ))}
    </div>
  );
}

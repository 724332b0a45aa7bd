import { mendsOf, type Finding } from '@stadion/core/authoring/findings';
import { useEdit } from '../store/hooks.ts';
import { Button } from '../ui/index.ts';

/** One finding with its reason and, where there is one, its mend. */
export function FindingNote({ finding }: { finding: Finding }) {
  const edit = useEdit();
  return (
    <div
      role="note"
      aria-label={`Finding: ${finding.sentence}`}
      className="mt-1 flex items-center gap-2.5 border-l-[3px] border-mark bg-mark-soft px-2.5 py-1.5"
    >
      <span className="grow">
        <b>{finding.sentence}</b> {finding.reason} <span className="text-ink-3">({finding.severity})</span>
      </span>
      {mendsOf(finding).map((mend) => (
        <Button key={mend.label} onClick={() => edit(mend)}>
          {mend.label}
        </Button>
      ))}
    </div>
  );
}

/** The findings whose place fits, each as a note. */
export function FindingNotes({ findings, at }: { findings: readonly Finding[]; at: (path: string) => boolean }) {
  return findings
    .filter((finding) => at(finding.path))
    .map((finding) => <FindingNote key={`${finding.path}${finding.code}`} finding={finding} />);
}

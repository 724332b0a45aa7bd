import { CELLS, cellsOn, groundOfText, legendOf, textOfGround, type TextFault } from '@stadion/core/authoring/building';
import { useMemo, useRef, useState } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { mintId } from '../../store/mintId.ts';
import { Button } from '../../ui/index.ts';
import { CELL_WORDS, type Outcome } from './gestures.ts';

/** The ground as text: one character a cell, edited in place, with what each stands for beside it. */
export function AsText({
  here,
  onOutcome,
  onClose,
}: {
  here: LevelContext;
  onOutcome: (outcome: Outcome) => void;
  onClose: () => void;
}) {
  const { project, level } = here;
  const legend = useMemo(() => legendOf(project), [project]);
  const stored = useMemo(() => textOfGround(level.ground, legend), [level.ground, legend]);
  const [draft, setDraft] = useState<string | null>(null);
  const [faults, setFaults] = useState<readonly TextFault[]>([]);
  const field = useRef<HTMLTextAreaElement>(null);
  const text = draft ?? stored;

  const take = (): void => {
    const result = groundOfText(level.ground, legend, text, mintId);
    if ('faults' in result) return setFaults(result.faults);
    setFaults([]);
    setDraft(null);
    onOutcome({ ground: result.ground, label: 'The ground as text' });
  };
  const goTo = ({ line, column }: TextFault): void => {
    const before = text.split('\n').slice(0, line - 1);
    const at = before.reduce((sum, row) => sum + row.length + 1, 0) + column - 1;
    field.current?.focus();
    field.current?.setSelectionRange(at, at + 1);
  };
  const used = new Set(text);
  return (
    <div className="flex min-h-[260px] grow flex-col gap-2">
      <div className="flex min-h-0 grow gap-4">
        <textarea
          ref={field}
          aria-label={`The ground of ${level.name} as text`}
          aria-invalid={faults.length > 0}
          aria-describedby="ground-text-faults"
          spellCheck={false}
          className="field min-h-[240px] grow resize-none overflow-auto font-mono text-[13px] leading-[1.25] whitespace-pre"
          value={text}
          onChange={(event) => {
            setDraft(event.target.value);
            setFaults([]);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) take();
            event.stopPropagation();
          }}
        />
        <dl
          aria-label="What the characters stand for"
          className="grid w-44 auto-rows-min grid-cols-[auto_1fr] gap-x-2 overflow-y-auto text-[12px]"
        >
          {[
            ...cellsOn(level.ground.kind).map((cell) => ({ character: CELLS[cell], label: CELL_WORDS[cell] })),
            ...legend.map(({ character, thing }) => ({ character, label: thing.label })),
          ].map(({ character, label }) => (
            <div key={character} className={`contents ${used.has(character) ? '' : 'text-ink-3'}`}>
              <dt className="font-mono font-semibold">{character}</dt>
              <dd>{label}</dd>
            </div>
          ))}
        </dl>
      </div>
      <div id="ground-text-faults" role={faults.length > 0 ? 'alert' : undefined}>
        {faults.map((fault, index) => (
          <p key={index} className="text-loss">
            <button type="button" className="link" onClick={() => goTo(fault)}>
              Line {fault.line}, column {fault.column}
            </button>
            : {fault.message}
          </p>
        ))}
        {faults.length > 0 ? <p className="text-ink-2">Nothing was changed; your text is kept here.</p> : null}
      </div>
      <div className="flex items-center gap-2">
        <Button look="main" disabled={draft === null || draft === stored} onClick={take}>
          Make it the ground <kbd>Ctrl Enter</kbd>
        </Button>
        <Button onClick={onClose}>
          {draft === null || draft === stored ? 'Back to the picture' : 'Give the text up'}
        </Button>
        <span className="text-ink-3">
          Pieces keep their numbers when their character moves. Where several lie on one cell, the first is shown.
        </span>
      </div>
    </div>
  );
}

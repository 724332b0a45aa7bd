import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { copyRules, slotsNamed, type CopiedRules, type LevelChange } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { ruleInWords } from '@stadion/core/play/rules';
import { topicOf } from '../../sentences/index.ts';
import { Button, ChoiceChip } from '../../ui/index.ts';

const PARTS = [
  { part: 'clock', label: 'clock' },
  { part: 'stars', label: 'stars' },
  { part: 'ending', label: 'ending' },
  { part: 'tie', label: 'tie' },
  { part: 'standingRulesOff', label: 'switched-off standing rules' },
] as const;

/** Copies rules of this level to others in one move: choose what and where, see what changes, do it. */
export function CopyRulesPanel({ here, onDone }: { here: LevelContext; onDone: () => void }) {
  const edit = useEdit();
  const { project, level, names } = here;
  const [what, setWhat] = useState<CopiedRules>({
    // A level has a way to win already: a second one would stand beside it.
    rules: level.rules.flatMap((rule) => (topicOf(rule) === 'won' ? [] : [rule.id])),
    instead: false,
    clock: false,
    stars: false,
    ending: false,
    tie: false,
    standingRulesOff: false,
  });
  const [text, setText] = useState('');
  const positions = slotsNamed(text, project.slots.length);
  const command = useMemo(() => {
    const targets = (positions ?? []).flatMap((position) => project.slots[position - 1]?.levelId ?? []);
    return copyRules(project, level, targets, what);
  }, [project, level, positions, what]);
  const toggle = (id: string): void =>
    setWhat({
      ...what,
      rules: what.rules.includes(id) ? what.rules.filter((other) => other !== id) : [...what.rules, id],
    });
  const count = command.patch.length === 0 ? 0 : command.changes.length;
  return (
    <section aria-label="Copy rules to other levels" className="mb-3 rounded-r border border-edit-line bg-band p-3">
      <h3 className="mb-1.5">Copy rules to other levels</h3>
      <div className="grid grid-cols-2 gap-x-6">
        <fieldset>
          <legend className="text-ink-3">What</legend>
          {level.rules.map((rule) => (
            <label key={rule.id} className="flex items-start gap-1.5">
              <input
                type="checkbox"
                className="mt-1"
                checked={what.rules.includes(rule.id)}
                onChange={() => toggle(rule.id)}
              />
              <span>{ruleInWords(rule, names)}</span>
            </label>
          ))}
          <div className="mt-1 flex flex-wrap gap-x-3">
            {PARTS.map(({ part, label }) => (
              <label key={part} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={what[part]}
                  onChange={(event) => setWhat({ ...what, [part]: event.target.checked })}
                />
                {label}
              </label>
            ))}
          </div>
          <div className="say mt-1">
            <ChoiceChip
              label="In addition or in place"
              value={what.instead ? 'instead' : 'besides'}
              choices={[
                { value: 'besides', label: 'in addition to the rules they have' },
                { value: 'instead', label: 'in place of the rules they have' },
              ]}
              onChoose={(value) => setWhat({ ...what, instead: value === 'instead' })}
            />
          </div>
        </fieldset>
        <div>
          <label className="flex flex-col">
            <span className="text-ink-3">To the slots</span>
            <input
              autoFocus
              className="field"
              placeholder="2, 5-7, 12"
              value={text}
              aria-invalid={positions === undefined}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={(event) => {
                event.stopPropagation();
                if (event.key === 'Escape') onDone();
              }}
            />
          </label>
          {positions === undefined ? (
            <p role="alert" className="text-[12px] text-loss">
              Slots are numbers from 1 to {project.slots.length}, with commas between, or ranges such as 5-7.
            </p>
          ) : null}
          <ul aria-label="What changes" className="mt-1.5 max-h-48 overflow-y-auto text-[12.5px]">
            {command.changes.map((change) => (
              <li key={change.level.id}>
                <b>{change.level.name}</b>: {changeInWords(change)}
              </li>
            ))}
          </ul>
        </div>
      </div>
      <div className="mt-2.5 flex gap-2">
        <Button
          look="main"
          disabled={count === 0}
          onClick={() => {
            edit(command);
            toast(`${level.name}: copied to ${count} level${count === 1 ? '' : 's'}. Undo takes it back.`);
            onDone();
          }}
        >
          Copy to {count} level{count === 1 ? '' : 's'}
        </Button>
        <Button onClick={onDone}>Close</Button>
      </div>
    </section>
  );
}

function changeInWords({ added, replaced, removed, parts, leftOut }: LevelChange): string {
  const said = [
    added > 0 ? `adds ${added}` : '',
    replaced > 0 ? `replaces ${replaced}` : '',
    removed > 0 ? `removes ${removed}` : '',
    parts.length > 0 ? `sets ${parts.join(', ')}` : '',
    ...leftOut.map(({ what, why }) => `leaves out “${what}”: ${why}`),
  ].filter(Boolean);
  return said.length === 0 ? 'nothing changes' : said.join('; ');
}

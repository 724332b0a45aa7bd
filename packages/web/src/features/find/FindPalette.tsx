import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useProjectsQuery, useSnapshotsQuery } from '../../api/stadionApi.ts';
import { keepText, keptText } from '../../store/browserKeeps.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useProject } from '../../store/hooks.ts';
import { useFindings } from '../../answers/useFindings.ts';
import type { Shortcut } from '../../ui/shortcuts.ts';
import { findEntries, foundBy, type FindEntry } from './findEntries.ts';

interface Props {
  open: boolean;
  /** Commands of the present screen, by key. */
  commands: readonly Shortcut[];
  onClose: () => void;
}

/** Limit of the entries shown at once. */
const SHOWN = 40;
const REMEMBERED = 8;
const RECENT = 'stadion-found';

/** Ids of the entries chosen last, the latest first. */
const recentOf = (): string[] => keptText(RECENT).split('\n').filter(Boolean);
const remember = (id: string): boolean =>
  keepText(RECENT, [id, ...recentOf().filter((other) => other !== id)].slice(0, REMEMBERED).join('\n'));

const LOOKED_EVERY_MS = 60;
const LOOKED_FOR_MS = 2000;
/** Time that the focus is held there, ms: its surroundings may be drawn again. */
const HELD_FOR_MS = 500;

/** Gives the focus to what comes on the screen a moment later. */
function focusSoon(selector: string): void {
  const began = performance.now();
  let found = 0;
  const look = (): void => {
    const now = performance.now();
    // Whoever looks for something else by now has the focus there.
    if (document.querySelector('[cmdk-root]')) return;
    const element = document.querySelector<HTMLElement>(selector);
    const lost = document.activeElement === null || document.activeElement === document.body;
    if (element && (found === 0 || lost)) {
      element.focus();
      element.scrollIntoView({ block: 'nearest' });
      found ||= now;
    }
    if (found === 0 ? now - began < LOOKED_FOR_MS : now - found < HELD_FOR_MS) setTimeout(look, LOOKED_EVERY_MS);
  };
  look();
}

/** Goes to anything by its words, and runs any command of the present screen. */
export function FindPalette({ open, commands, onClose }: Props) {
  return (
    <Dialog.Root open={open} modal={false} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          className="pop fixed top-24 left-1/2 z-40 w-[620px] max-w-[calc(100vw-32px)] -translate-x-1/2 p-2"
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => event.preventDefault()}
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          {open ? <List commands={commands} onClose={onClose} /> : null}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const WORDS: Readonly<Record<FindEntry['sort'], string>> = {
  level: 'level',
  parameter: 'parameter',
  kind: 'kind',
  rule: 'rule',
  note: 'note',
  finding: 'finding',
  snapshot: 'snapshot',
  project: 'project',
  command: 'do',
  place: 'go to',
};

function List({ commands, onClose }: Omit<Props, 'open'>) {
  const project = useProject();
  const findings = useFindings();
  const { projectId } = useSelection();
  const goto = useGoto();
  const navigate = useNavigate();
  const { data: projects } = useProjectsQuery();
  const { data: snapshots } = useSnapshotsQuery(projectId);
  const [typed, setTyped] = useState('');
  const [recent] = useState(recentOf);
  const entries = useMemo((): FindEntry[] => {
    const others = (projects?.projects ?? []).filter(({ id, binnedAt }) => id !== projectId && binnedAt === undefined);
    return [
      ...findEntries(project, findings),
      ...(snapshots?.snapshots ?? []).map(({ id, name }): FindEntry => ({
        id: `snapshot ${id}`,
        sort: 'snapshot',
        label: `Compare with ${name}`,
        to: { screen: 'ramps', compared: id },
      })),
      ...others.map(({ id, name }): FindEntry => ({
        id: `project ${id}`,
        sort: 'project',
        label: name,
        address: `/projects/${id}/level`,
      })),
      ...commands
        .filter(({ keys }) => keys !== 'Ctrl K')
        .map(({ keys, does, run }): FindEntry => ({ id: `command ${keys}`, sort: 'command', label: does, keys, run })),
    ];
  }, [project, findings, projects, snapshots, projectId, commands]);
  const shown = useMemo(() => foundBy(entries, typed, recent, SHOWN), [entries, typed, recent]);
  const choose = (entry: FindEntry): void => {
    remember(entry.id);
    onClose();
    // The list goes first, so that it does not take the focus back.
    setTimeout(() => {
      if (entry.to) goto(entry.to);
      if (entry.address !== undefined) void navigate(entry.address);
      entry.run?.();
      if (entry.focus !== undefined) focusSoon(entry.focus);
    });
  };
  return (
    <div onKeyDown={(event) => event.key !== 'Escape' && event.stopPropagation()}>
      <Command label="Find" loop shouldFilter={false}>
        <Command.Input
          autoFocus
          className="field w-full text-[15px]"
          placeholder="A level by number or name, a parameter, a kind, a rule by its words, a command …"
          value={typed}
          onValueChange={setTyped}
        />
        <Command.List label="Found" className="mt-1.5 max-h-[420px] overflow-x-hidden overflow-y-auto">
          <Command.Empty className="px-2 py-1 text-ink-3">Nothing says that. Other words?</Command.Empty>
          {shown.map((entry) => (
            <Command.Item
              key={entry.id}
              value={entry.id}
              className="menu-item cursor-pointer items-baseline data-[selected=true]:bg-edit-soft"
              onSelect={() => choose(entry)}
            >
              <span className="w-[74px] shrink-0 text-[12px] text-ink-3">{WORDS[entry.sort]}</span>
              <span className="min-w-0 grow truncate">{entry.label}</span>
              {entry.where === undefined ? null : (
                <span className="shrink-0 text-[12px] text-ink-3">{entry.where}</span>
              )}
              {entry.keys === undefined ? null : <kbd>{entry.keys}</kbd>}
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </div>
  );
}

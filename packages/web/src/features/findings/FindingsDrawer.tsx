import { SEVERITIES, type Severity, type Source } from '@stadion/core/authoring/findings';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { useAppDispatch, useProject } from '../../store/hooks.ts';
import { useAllFindings, useHaveFindingsCome } from '../../answers/useFindings.ts';
import { drawerOpened } from '../../store/viewSlice.ts';
import { ChoiceChip, Drawer, Segmented } from '../../ui/index.ts';
import { BundleItem } from './BundleItem.tsx';
import { Expectations } from './Expectations.tsx';
import { FindingItem } from './FindingItem.tsx';
import { groupsOf, keyOf, linesOf, shown, SOURCES, type Filter, type GroupedBy } from './groups.ts';
import { LeftFindings } from './LeftFindings.tsx';
import { MendAll } from './MendAll.tsx';

const ALL = 'all';

/** Goes to the finding before or after the one that has the focus. */
function step(list: HTMLElement, by: 1 | -1): void {
  const items = [...list.querySelectorAll<HTMLElement>('[data-finding]')];
  const index = items.findIndex((item) => item.contains(document.activeElement));
  items[index < 0 ? 0 : Math.min(items.length - 1, Math.max(0, index + by))]?.focus();
}

/** Everything found, in groups, each with its reason, the way to its place and what can be done about it. */
export function FindingsDrawer() {
  const project = useProject();
  const { open, left } = useAllFindings();
  const known = useHaveFindingsCome();
  const dispatch = useAppDispatch();
  const [by, setBy] = useState<GroupedBy>('severity');
  const [filter, setFilter] = useState<Filter>({});
  const list = useRef<HTMLDivElement>(null);
  const listed = shown(open, filter);
  const groups = groupsOf(listed, by, project);
  useEffect(() => list.current?.querySelector<HTMLElement>('[data-finding]')?.focus(), []);

  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    event.preventDefault();
    step(event.currentTarget, event.key === 'ArrowDown' ? 1 : -1);
  };

  return (
    <Drawer title="Findings" keys="F" onClose={() => dispatch(drawerOpened(null))}>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-4 pb-2.5">
        <Segmented
          label="Grouped by"
          value={by}
          options={[
            { value: 'severity', label: 'By severity' },
            { value: 'level', label: 'By level' },
            { value: 'class', label: 'By class' },
          ]}
          onChange={(value) => setBy(value as GroupedBy)}
        />
        <span className="say">
          <ChoiceChip
            label="Which severities are shown"
            value={filter.severity ?? ALL}
            choices={[
              { value: ALL, label: 'all severities' },
              ...SEVERITIES.map((severity) => ({ value: severity, label: `only “${severity}”` })),
            ]}
            onChoose={(value) =>
              setFilter(withPart(filter, 'severity', value === ALL ? undefined : (value as Severity)))
            }
          />
          <ChoiceChip
            label="Which sources are shown"
            value={filter.source ?? ALL}
            choices={[
              { value: ALL, label: 'from anywhere' },
              ...Object.entries(SOURCES).map(([value, label]) => ({ value, label })),
            ]}
            onChoose={(value) => setFilter(withPart(filter, 'source', value === ALL ? undefined : (value as Source)))}
          />
        </span>
      </div>
      <div ref={list} className="grow overflow-y-auto px-4 pt-2 pb-4" onKeyDown={onKeyDown}>
        {open.length === 0 ? (
          <p className="text-ink-2">
            {known ? 'Nothing is wrong as far as Stadion can see.' : 'The project is being looked through.'}
          </p>
        ) : null}
        {open.length > 0 && listed.length === 0 ? (
          <p className="text-ink-2">None of the {open.length} findings is of this sort.</p>
        ) : null}
        {groups.map(({ key, title, findings }) => (
          <section key={key} aria-label={title} className="mb-3">
            <div className="mb-1.5 flex flex-wrap items-center gap-2">
              <h3 className="grow text-[13px]">
                {title} <span className="font-normal text-ink-3">{findings.length}</span>
              </h3>
              {by === 'class' ? <MendAll title={title} findings={findings} /> : null}
            </div>
            <ul>
              {(by === 'severity' ? linesOf(findings) : findings.map((finding) => ({ finding }))).map((line) =>
                'findings' in line ? (
                  <BundleItem key={line.code} title={line.title} findings={line.findings} by={by} />
                ) : (
                  <FindingItem key={keyOf(line.finding)} finding={line.finding} by={by} />
                ),
              )}
            </ul>
          </section>
        ))}
        {listed.length > 0 ? (
          <p className="mb-2 text-[12px] text-ink-3">
            <kbd>↓</kbd> <kbd>↑</kbd> next and before, <kbd>Enter</kbd> go there, <kbd>M</kbd> mend, <kbd>L</kbd> leave
            it so, <kbd>W</kbd> watch
          </p>
        ) : null}
        <LeftFindings findings={left} />
        <Expectations />
      </div>
    </Drawer>
  );
}

function withPart<P extends keyof Filter>(filter: Filter, part: P, value: Filter[P] | undefined): Filter {
  const { [part]: _before, ...rest } = filter;
  return value === undefined ? rest : { ...rest, [part]: value };
}

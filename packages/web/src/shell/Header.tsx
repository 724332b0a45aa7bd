import { History, Play, Radio, Redo2, Search, TriangleAlert, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { useGamesQuery } from '../api/stadionApi.ts';
import { counted } from '@stadion/core/basics/wording';
import { countsOf } from '../features/findings/groups.ts';
import { nameRefused, Button, Mark, Menu, TextInPlace, Tip } from '../ui/index.ts';
import { at, replaceAt } from '@stadion/core/authoring/edits';
import { addressOf, useGoto, useSelection, type Screen } from '../address/address.ts';
import {
  useAppDispatch,
  useDocument,
  useAppSelector,
  useEdit,
  useNextUndoRedo,
  useUndoRedo,
  useProject,
} from '../store/hooks.ts';
import type { DocumentState } from '../store/documentSlice.ts';
import { useExpectations } from '../answers/useExpectations.ts';
import { useHaveFindingsCome, useFindings } from '../answers/useFindings.ts';
import { lastCast } from '../store/useKept.ts';
import { drawerOpened } from '../store/viewSlice.ts';
import { screenAt, SCREENS } from './screens.ts';
import { useState } from 'react';
import { useNavigate } from 'react-router';

/** The screens with tabs, and the screen that each tab stands for. */
const TABS = SCREENS.flatMap(({ path, tab }) => (tab === undefined ? [] : [{ path, tab }]));
const isShown = (tab: Screen, screen: Screen): boolean => tab === (screenAt(screen).under ?? screen);

const SAVED = 'All edits saved';

/** Where the edits made here are, in words. */
function savedWords({ connection, open, clash, diverged, kept }: DocumentState): string {
  const waiting = open?.pending.length ?? 0;
  if (diverged) return 'Another history: see below';
  if (clash) return 'Conflict: see below';
  if (connection !== 'offline') return waiting > 0 ? 'Saving…' : SAVED;
  if (waiting === 0) return 'Offline: the server does not answer';
  // A browser may refuse to keep anything, or be full.
  return `Offline: ${waiting} edit${waiting === 1 ? '' : 's'} ${kept ? 'kept here' : 'in this page only, do not close it'}`;
}

function Saved() {
  const state = useDocument();
  const { diverged, clash, connection } = state;
  const words = savedWords(state);
  const isSaved = words === SAVED;
  return (
    <span
      role="status"
      className={`text-[12px] ${isSaved ? 'shrink-0' : 'truncate'} ${diverged || clash || connection === 'offline' ? 'font-semibold text-mark' : 'text-bar-ink-2'}`}
    >
      <span className={isSaved ? 'max-[1100px]:sr-only' : ''}>{words}</span>
      {isSaved ? (
        <span aria-hidden className="min-[1101px]:hidden">
          Saved
        </span>
      ) : null}
    </span>
  );
}

/** Games that listen now. */
function Playing() {
  const { projectId } = useSelection();
  const { data } = useGamesQuery(projectId);
  const connected = data?.connected ?? [];
  if (connected.length === 0) return null;
  return (
    <Tip text={`Connected: ${connected.map(({ game }) => game).join(', ')}`}>
      <span className="flex shrink-0 items-center gap-1 text-[12px] text-bar-ink-2">
        <Radio size={14} aria-hidden />
        {connected.length}
        <span className="max-[1600px]:sr-only"> game{connected.length === 1 ? '' : 's'} connected</span>
      </span>
    </Tip>
  );
}

/** How many findings there are; by itself, since forecasts that come may change that. */
function FindingsButton() {
  const dispatch = useAppDispatch();
  const isOpen = useAppSelector((state) => state.view.drawer === 'findings');
  // An expected clear rate that is not met counts as a finding; expected verdicts are among the findings themselves.
  const unmet = useExpectations().filter(({ expectation, met }) => expectation.is === 'clearRate' && met === false);
  const { wrong, doubts } = countsOf(useFindings());
  const known = useHaveFindingsCome();
  const count = known ? String(wrong + unmet.length) : '…';
  return (
    <Button look="bar" aria-expanded={isOpen} onClick={() => dispatch(drawerOpened(isOpen ? null : 'findings'))}>
      <TriangleAlert size={14} />
      {count} <span className="max-[1100px]:sr-only">finding{count === '1' ? '' : 's'}</span>
      {known && doubts > 0 ? (
        <span className="font-normal opacity-75" title={counted(doubts, 'doubt')}>
          <span className="sr-only">and </span>
          <span aria-hidden>+ </span>
          {doubts} <span className="max-[1320px]:sr-only">doubt{doubts === 1 ? '' : 's'}</span>
        </span>
      ) : null}
    </Button>
  );
}

interface Props {
  onListShortcuts: () => void;
  onFind: () => void;
}

export function Header({ onListShortcuts, onFind }: Props) {
  const project = useProject();
  const { projectId, screen, slotId, position, compared } = useSelection();
  const goto = useGoto();
  const navigate = useNavigate();
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const historyOpen = useAppSelector((state) => state.view.drawer === 'history');
  const { undo, redo } = useNextUndoRedo();
  const { undoLast, redoLast } = useUndoRedo();
  const [renaming, setRenaming] = useState(false);
  return (
    <header className="flex h-[46px] shrink-0 items-center gap-3 bg-bar px-3.5 max-[1100px]:gap-2 text-bar-ink">
      <Link
        to="/projects"
        className="flex w-[146px] shrink-0 items-center gap-2 text-[15px] font-bold tracking-[.01em] [font-stretch:112%] max-[1320px]:w-auto"
        aria-label="Stadion: all projects"
      >
        <Mark />
        Stadion
      </Link>
      {renaming ? (
        <TextInPlace
          label="Name of the project"
          value={project.name}
          editing
          onEditingChange={setRenaming}
          refuse={(text) => nameRefused(text, 'A project')}
          onCommit={(name) => edit({ label: `Rename the project to ${name}`, patch: [replaceAt(at('name'), name)] })}
        />
      ) : (
        <Menu
          trigger={
            <button type="button" className="max-w-52 min-w-20 truncate rounded-r px-1 font-[550] hover:bg-bar-2">
              {project.name} <span aria-hidden>▾</span>
            </button>
          }
          entries={[
            { label: 'Rename the project', onSelect: () => setTimeout(() => setRenaming(true)) },
            { label: 'Keys on this screen', keys: '?', onSelect: onListShortcuts },
            { label: 'All projects', onSelect: () => void navigate('/projects') },
          ]}
        />
      )}
      <nav aria-label="Screens" className="flex h-full">
        {TABS.map(({ path, tab }) => (
          <Link
            key={path}
            to={addressOf(projectId, path === 'kinds' ? lastCast.screen : path, slotId, { compared })}
            aria-current={isShown(path, screen) ? 'page' : undefined}
            className={`flex items-center border-y-[3px] border-transparent px-3.5 font-medium whitespace-nowrap max-[1320px]:px-2.5 max-[1100px]:px-2 ${isShown(path, screen) ? 'border-b-mark bg-bar-2 text-white' : 'text-bar-ink-2 hover:text-white'}`}
          >
            {tab}
          </Link>
        ))}
      </nav>
      <div className="grow" />
      <Playing />
      <Saved />
      <Tip text={undo ? `Undo: ${undo.edit.label}` : 'Nothing to undo'}>
        <Button
          look="bar"
          aria-label={undo ? `Undo: ${undo.edit.label}` : 'Undo'}
          aria-disabled={!undo}
          onClick={undoLast}
          className={undo ? '' : 'opacity-50'}
        >
          <Undo2 size={15} />
        </Button>
      </Tip>
      <Tip text={redo ? `Redo: ${redo.edit.label}` : 'Nothing to redo'}>
        <Button
          look="bar"
          aria-label={redo ? `Redo: ${redo.edit.label}` : 'Redo'}
          aria-disabled={!redo}
          onClick={redoLast}
          className={redo ? '' : 'opacity-50'}
        >
          <Redo2 size={15} />
        </Button>
      </Tip>
      <Button look="bar" onClick={onFind}>
        <Search size={14} />
        <span className="max-[1320px]:sr-only">Find</span> <kbd className="max-[1500px]:hidden">Ctrl K</kbd>
      </Button>
      <Tip text="History of the project">
        <Button
          look="bar"
          aria-label="History"
          aria-expanded={historyOpen}
          onClick={() => dispatch(drawerOpened(historyOpen ? null : 'history'))}
        >
          <History size={15} />
        </Button>
      </Tip>
      <FindingsButton />
      <Button look="main" disabled={slotId === undefined} onClick={() => goto({ screen: 'play' })}>
        <Play size={13} fill="currentColor" />
        Play {position === 0 ? '' : `level ${position}`} <kbd className="max-[1100px]:hidden">P</kbd>
      </Button>
    </header>
  );
}

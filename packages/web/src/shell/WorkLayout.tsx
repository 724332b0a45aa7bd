import { Suspense, useEffect, useMemo, useState } from 'react';
import { Outlet } from 'react-router';
import { NewFindings } from '../features/findings/NewFindings.tsx';
import { useKeepFindings } from '../answers/useFindings.ts';
import { DivergedNotice } from '../features/history/DivergedNotice.tsx';
import { ConflictNotice } from '../features/history/ConflictNotice.tsx';
import { RefusalNotice } from '../features/history/RefusalNotice.tsx';
import { Track } from '../features/track/Track.tsx';
import { addLevel, duplicateLevel, moveSlot } from '@stadion/core/authoring/edits';
import { useGoto, useSelection, useSequenceEdit } from '../address/address.ts';
import { useAppDispatch, useAppSelector, useProjectNow, useUndoRedo } from '../store/hooks.ts';
import { loadProblemSchema } from '../api/http.ts';
import { Header } from './Header.tsx';
import { loadParts, part } from './parts.ts';
import { screenAt, SCREENS } from './screens.ts';
import { useShortcuts, type Shortcut } from '../ui/shortcuts.ts';
import { ShortcutList } from './ShortcutList.tsx';
import { mintId } from '../store/mintId.ts';
import { drawerOpened, renamingStarted } from '../store/viewSlice.ts';

// Parts that are opened now and then are loaded when they first open.
const FindingsDrawer = part(async () => (await import('../features/findings/FindingsDrawer.tsx')).FindingsDrawer);
const HistoryDrawer = part(async () => (await import('../features/history/HistoryDrawer.tsx')).HistoryDrawer);
const FindPalette = part(async () => (await import('../features/find/FindPalette.tsx')).FindPalette);

/** Keeps the findings; by itself, so that arriving forecasts do not draw all the rest again. */
function KeepFindings() {
  useKeepFindings();
  return null;
}

const NO_SHORTCUTS: readonly Shortcut[] = [];

/** Header, track, and one screen below them. */
export function WorkLayout() {
  const now = useProjectNow();
  const { slotId, position, screen, view } = useSelection();
  const goto = useGoto();
  const change = useSequenceEdit();
  const dispatch = useAppDispatch();
  const drawer = useAppSelector((state) => state.view.drawer);
  const [finding, setFinding] = useState(false);
  const { undoLast, redoLast } = useUndoRedo();
  const [listing, setListing] = useState(false);

  const shortcuts = useMemo((): Shortcut[] => {
    // From the address, which is ahead of the picture when keys come quickly.
    const step = (by: number) => (): void => {
      const { pathname } = window.location;
      const { slots } = now();
      const index = slots.findIndex((slot) => pathname.endsWith(`/${slot.id}`));
      const next = slots[(index < 0 ? position - 1 : index) + by];
      if (next) goto({ slotId: next.id });
    };
    return [
      { keys: '[', does: 'Level before', run: step(-1) },
      { keys: ']', does: 'Level after', run: step(1) },
      {
        keys: '{',
        does: 'Move the level earlier',
        run: () => slotId && change(moveSlot(now(), slotId, position - 1)),
      },
      { keys: '}', does: 'Move the level later', run: () => slotId && change(moveSlot(now(), slotId, position + 1)) },
      { keys: 'N', does: 'Add a level after this one', run: () => change(addLevel(now(), position, mintId)) },
      { keys: 'D', does: 'Duplicate the level', run: () => slotId && change(duplicateLevel(now(), slotId, mintId)) },
      {
        keys: 'F2',
        does: 'Rename the level',
        run: () => {
          if (!slotId) return;
          // The name is written where it stands: over the level.
          if (screen !== 'level') goto({ screen: 'level' });
          dispatch(renamingStarted(slotId));
        },
      },
      ...SCREENS.map(({ path, key, does }): Shortcut => ({
        keys: key,
        does,
        run: () => (path !== 'play' || slotId) && goto({ screen: path }),
      })),
      {
        keys: 'G',
        does: 'Ground or rules of the level',
        run: () => {
          // While the side that was asked for is being made ready, another press asks for the same.
          const asked = new URLSearchParams(window.location.search).get('view') === 'ground' ? 'ground' : 'rules';
          if (screen === 'level' && asked !== view) return;
          goto({ screen: 'level', view: screen === 'level' && view === 'ground' ? 'rules' : 'ground' });
        },
      },
      {
        keys: 'F',
        does: 'Findings',
        run: () => dispatch(drawerOpened(drawer === 'findings' ? null : 'findings')),
      },
      {
        keys: 'H',
        does: 'History',
        run: () => dispatch(drawerOpened(drawer === 'history' ? null : 'history')),
      },
      { keys: 'Ctrl K', does: 'Find', run: () => setFinding(true) },
      { keys: 'Ctrl Z', does: 'Undo', run: undoLast },
      { keys: 'Ctrl Shift Z', does: 'Redo', run: redoLast },
      { keys: '?', does: 'This list', run: () => setListing((shown) => !shown) },
    ];
  }, [now, slotId, position, screen, view, goto, change, dispatch, drawer, undoLast, redoLast]);
  // Letters typed while the palette is still being loaded are meant for it.
  useShortcuts(finding ? NO_SHORTCUTS : shortcuts);
  useEffect(() => loadParts([loadProblemSchema]), []);

  return (
    <div className="flex h-full flex-col">
      <Header onListShortcuts={() => setListing(true)} onFind={() => setFinding(true)} />
      <Suspense>
        {finding ? <FindPalette open commands={shortcuts} onClose={() => setFinding(false)} /> : null}
      </Suspense>
      <Track />
      <KeepFindings />
      <NewFindings />
      <DivergedNotice />
      <ConflictNotice />
      <RefusalNotice />
      <div className="relative flex min-h-0 grow">
        <Outlet />
        <Suspense>
          {drawer === 'findings' ? <FindingsDrawer /> : null}
          {drawer === 'history' ? <HistoryDrawer /> : null}
        </Suspense>
      </div>
      <ShortcutList
        open={listing}
        onClose={() => setListing(false)}
        shortcuts={shortcuts}
        parts={screenAt(screen).partKeys}
      />
    </div>
  );
}

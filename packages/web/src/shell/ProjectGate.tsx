import { useEffect } from 'react';
import { useStore } from 'react-redux';
import { Link, Outlet, useParams } from 'react-router';
import { useAppSelector } from '../store/hooks.ts';
import type { Store } from '../store/store.ts';
import { projectLeft } from '../store/viewSlice.ts';
import { startSync } from '../store/sync/startSync.ts';

/** Opens the project that the address names; everything below it can count on an open document. */
export function ProjectGate() {
  const store = useStore() as Store;
  const { projectId = '' } = useParams();
  const phase = useAppSelector((state) => state.document.phase);
  const openId = useAppSelector((state) => state.document.open?.projectId);
  useEffect(() => {
    const stop = startSync(store, projectId);
    return () => {
      stop();
      store.dispatch(projectLeft());
    };
  }, [store, projectId]);
  if (phase === 'open' && openId === projectId) return <Outlet />;
  return (
    <main className="mx-auto mt-24 max-w-xl">
      {phase === 'missing' ? (
        <>
          <h1>There is no such project</h1>
          <p className="my-2 text-ink-2">It may be on another server, or the address has a slip in it.</p>
          <Link className="link" to="/projects">
            All projects
          </Link>
        </>
      ) : phase === 'unreachable' ? (
        <>
          <h1>The server cannot be reached</h1>
          <p className="my-2 text-ink-2">
            Start it with <code className="font-mono">npm start</code>; this page opens the project as soon as it
            answers. Edits made before are kept in this browser.
          </p>
        </>
      ) : (
        <p role="status" className="text-ink-3">
          Opening the project…
        </p>
      )}
    </main>
  );
}

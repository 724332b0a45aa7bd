import { useRouteError } from 'react-router';
import { Button } from '../ui/index.ts';

/** Page after a screen breaks: it says that edits are kept, and offers a way on. */
export function Failure() {
  const error = useRouteError();
  return (
    <main className="mx-auto mt-24 max-w-xl">
      <h1>Something broke in Stadion</h1>
      <p className="my-2 text-ink-2">
        Every edit that was acknowledged is on the server, and those that were not are kept in this browser: they are
        sent when the project is opened again.
      </p>
      <pre className="mb-3 max-h-40 overflow-auto font-mono text-[12px] text-loss">
        {error instanceof Error ? error.message : String(error)}
      </pre>
      <Button look="main" onClick={() => window.location.reload()}>
        Load again
      </Button>
    </main>
  );
}

import { useEffect, useState } from 'react';

/** A part that loads within this time shows nothing before, ms. */
const UNNOTICED_MS = 1500;

/** Stands in for a part of the page that is still being loaded. */
export function Waiting() {
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsLong(true), UNNOTICED_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div role="status" className="min-w-0 grow p-6 text-ink-2">
      {isLong ? 'Waiting for the server. This opens as soon as it answers.' : null}
    </div>
  );
}

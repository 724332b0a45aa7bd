/** Time between two checks of the limit, ms. */
const LOOK_EVERY_MS = 250;

/**
 * Returns a signal that aborts once some work has had `ms` of time to compute.
 * A busy machine gives this process less than the wall clock says, so the limit counts the CPU time of
 * the whole process, and never ends work earlier than the wall clock would.
 * @param ms limit in milliseconds
 * @param used returns the CPU time of this process, ms
 */
export function timeLimit(ms: number, used: () => number = cpuMs): { signal: AbortSignal; end: () => void } {
  const abort = new AbortController();
  const began = { wall: performance.now(), cpu: used() };
  const timer = setInterval(() => {
    if (performance.now() - began.wall < ms || used() - began.cpu < ms) return;
    clearInterval(timer);
    abort.abort();
  }, LOOK_EVERY_MS);
  timer.unref();
  return { signal: abort.signal, end: () => clearInterval(timer) };
}

function cpuMs(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}

/** The parts of React's tree that counting needs. */
interface Fiber {
  tag: number;
  flags: number;
  alternate: Fiber | null;
  child: Fiber | null;
  sibling: Fiber | null;
  type: { displayName?: string; name?: string; type?: { name?: string } } | null;
}

/** Tags of components: function, forwarded reference, memo, simple memo. */
const COMPONENTS = new Set([0, 11, 14, 15]);
/** Set on a component that was called in this commit. */
const PERFORMED_WORK = 1;

const counts = new Map<string, number>();

function count(fiber: Fiber | null): void {
  for (let at = fiber; at; at = at.sibling) {
    const isNew = at.alternate === null;
    if (COMPONENTS.has(at.tag) && (isNew || (at.flags & PERFORMED_WORK) !== 0)) {
      const name = at.type?.displayName ?? at.type?.name ?? at.type?.type?.name ?? '?';
      counts.set(name, (counts.get(name) ?? 0) + 1);
    }
    // A subtree that is the same object was not looked at.
    if (isNew || at.child !== at.alternate?.child) count(at.child);
  }
}

/**
 * Counts the components that React draws, by React's own report of each commit. To be imported before React.
 * @returns the number of drawings by component name, since the last call
 */
export function drawn(): Record<string, number> {
  const known = Object.fromEntries([...counts].toSorted());
  counts.clear();
  return known;
}

Object.assign(globalThis, {
  __REACT_DEVTOOLS_GLOBAL_HOOK__: {
    isDisabled: false,
    supportsFiber: true,
    inject: () => 1,
    onCommitFiberRoot: (_id: number, { current }: { current: Fiber }) => count(current),
    onCommitFiberUnmount() {},
    onPostCommitFiberRoot() {},
    checkDCE() {},
  },
});

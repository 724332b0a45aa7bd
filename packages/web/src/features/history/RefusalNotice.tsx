import { refusalsRead, type Refusal } from '../../store/documentSlice.ts';
import { useAppDispatch, useDocument } from '../../store/hooks.ts';
import { Button } from '../../ui/index.ts';

/** Number of refusals that are shown one by one. */
const MOST_TOLD = 5;

/** Edits that were not made: says which, why and what was kept. */
export function RefusalNotice() {
  const { refusals } = useDocument();
  const dispatch = useAppDispatch();
  if (refusals.length === 0) return null;
  const more = refusals.length - MOST_TOLD;
  return (
    <section
      role="alert"
      aria-label="Refused edits"
      className="flex items-center gap-4 border-b border-line-strong bg-loss-soft px-4 py-2"
    >
      <ul className="grow">
        {refusals.slice(0, MOST_TOLD).map((refusal, index) => (
          <li key={index}>{toldOf(refusal)}</li>
        ))}
        {more > 0 ? <li>And {more} more.</li> : null}
        <li className="text-ink-2">Everything else is kept.</li>
      </ul>
      <Button onClick={() => dispatch(refusalsRead())}>Understood</Button>
    </section>
  );
}

function toldOf({ label, problem }: Refusal) {
  const place = problem.places?.[0];
  return (
    <>
      <b>“{label}” was refused.</b> {place?.message ?? problem.detail}{' '}
      {place?.pointer === undefined ? null : <code className="font-mono text-[12px]">{place.pointer}</code>}
    </>
  );
}

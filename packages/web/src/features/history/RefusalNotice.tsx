import { refusalRead } from '../../project/documentSlice.ts';
import { useAppDispatch, useDocument } from '../../project/hooks.ts';
import { Button } from '../../ui/index.ts';

/** An edit that the server would not have: says which, why and what was kept. */
export function RefusalNotice() {
  const { refusal } = useDocument();
  const dispatch = useAppDispatch();
  if (!refusal) return null;
  const place = refusal.problem.places?.[0];
  return (
    <section
      role="alert"
      aria-label="Refused edit"
      className="flex items-center gap-4 border-b border-line-strong bg-loss-soft px-4 py-2"
    >
      <p className="grow">
        <b>“{refusal.label}” was refused.</b> {place?.message ?? refusal.problem.detail}{' '}
        {place?.pointer === undefined ? null : <code className="font-mono text-[12px]">{place.pointer}</code>}{' '}
        Everything else is kept.
      </p>
      <Button onClick={() => dispatch(refusalRead())}>Understood</Button>
    </section>
  );
}

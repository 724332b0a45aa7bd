import { useGamesQuery } from '../../api/stadionApi.ts';
import { useSelection } from '../../address/address.ts';
import { useProject } from '../../store/hooks.ts';
import { formatMoment } from '../../ui/index.ts';

/** Games that are connected now, and what they have told. */
export function Games() {
  const { projectId, position } = useSelection();
  const { slots } = useProject();
  const { data } = useGamesQuery(projectId, { refetchOnMountOrArgChange: true });
  const nameOf = (slot: string): string => {
    const at = slots.findIndex(({ id }) => id === slot) + 1;
    return at > 0 ? `level ${at}` : slot;
  };
  const connected = data?.connected ?? [];
  const last = data?.last;
  return (
    <section aria-label="Games" className="mb-5">
      <h2>Games</h2>
      <p className="mb-2 text-ink-2">
        A running game hears of every edit, and tells how it is played. Try it with the sample game.
      </p>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        {position === 0 ? (
          <span className="text-ink-2">There is no level to play yet.</span>
        ) : (
          <a className="btn" href={`/sample/?project=${projectId}&level=${position}`} target="stadion-sample">
            Play level {position} in the sample game
          </a>
        )}
        <span>
          {connected.length === 0
            ? 'No game is connected.'
            : `Connected: ${connected.map(({ game, slot }) => (slot === undefined ? game : `${game} (${nameOf(slot)})`)).join(', ')}`}
        </span>
        <span>
          <b>{data?.attemptsToday ?? 0}</b> attempt{data?.attemptsToday === 1 ? '' : 's'} today
        </span>
        <span>
          <b>{data?.events ?? 0}</b> event{data?.events === 1 ? '' : 's'}
          {last
            ? `, the last one ${formatMoment(last.at)}: ${last.type}${last.slot === null ? '' : ` at ${nameOf(last.slot)}`}`
            : ''}
        </span>
        {(data?.events ?? 0) > 0 ? (
          <a className="link" href={`/api/projects/${projectId}/events.jsonl`} download>
            Download events.jsonl
          </a>
        ) : null}
      </div>
    </section>
  );
}

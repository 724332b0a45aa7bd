import type { TuningName } from '@stadion/core/forecast/tuning';
import { Button } from '../ui/index.ts';
import type { AskedByHand } from './useSearch.ts';

/** Stops what is being found out, and lets it go on. */
export function StopAndGo<Name extends TuningName>({ of }: { of: AskedByHand<Name> }) {
  const { question, isRunning, isAll, stop, goOn } = of;
  if (isRunning) return <Button onClick={stop}>Stop</Button>;
  return question !== null && !isAll ? <Button onClick={goOn}>Go on</Button> : null;
}

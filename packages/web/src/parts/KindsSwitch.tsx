import { useEffect } from 'react';
import { useGoto } from '../address/address.ts';
import { lastCast } from '../store/useKept.ts';
import { Segmented } from '../ui/index.ts';

/** The two sides of the cast: what stands on grounds, and who fights by turns. */
export function KindsSwitch({ shows }: { shows: 'kinds' | 'bouts' }) {
  const goto = useGoto();
  useEffect(() => void (lastCast.screen = shows), [shows]);
  return (
    <Segmented
      label="Kinds shown"
      value={shows}
      options={[
        { value: 'kinds', label: 'On grounds' },
        { value: 'bouts', label: 'In bouts' },
      ]}
      onChange={(screen) => goto({ screen: screen === 'bouts' ? 'bouts' : 'kinds' })}
    />
  );
}

import type { Pacer, Project } from '@stadion/core/document/model';
import { everyPacer } from '@stadion/core/forecast/pacers';
import { seedOf } from '@stadion/core/forecast/trials';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** The attempt of a forecast that the address asks to watch: whose it is, and its seed. */
export function useWatchedAttempt({ pacers }: Pick<Project, 'pacers'>): { pacer: Pacer; seed: number } | undefined {
  const [query] = useSearchParams();
  const asked = query.get('attempt');
  return useMemo(() => {
    const [pacerId, number] = asked?.split('.') ?? [];
    const pacer = everyPacer({ pacers }).find(({ id }) => id === pacerId);
    return pacer && number !== undefined && /^\d+$/.test(number) ? { pacer, seed: seedOf(Number(number)) } : undefined;
  }, [asked, pacers]);
}

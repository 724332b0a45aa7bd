/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { describe, expect, it } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { emptyTally, forecastOf } from '@stadion/core/forecast/trials';
import { useMemo } from 'react';
import { useSelection } from '../../address/address.ts';
import type { LiveForecast } from '../../answers/useForecast.ts';
import { levelHere } from '../../readings/levelContext.ts';
import { useAppSelector, useProject } from '../../store/hooks.ts';
import { prefersForecastPaused } from '../../store/preferences.ts';
import { openProject } from '../../testing/openProject.tsx';
import { forecastStatus } from './forecastStatus.ts';
import { ForecastPanel } from './ForecastPanel.tsx';

function Panel({ live }: { live: Partial<LiveForecast> }) {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  const paused = useAppSelector((state) => state.view.forecastPaused);
  const shown = { forecast: null, stale: false, done: false, milliseconds: 0, paused, ...live };
  return here ? <ForecastPanel here={here} live={shown} /> : null;
}
const said = (): string => screen.getByRole('status').textContent;
const forecast = forecastOf({ ...emptyTally(), attempts: 240 });

describe('the forecast of a level', () => {
  it('is paused and goes on by hand, and the browser keeps which', async () => {
    await openProject(<Panel live={{}} />);
    expect(said()).toBe('The first attempts are being played…');
    fireEvent.click(screen.getByRole('button', { name: 'Pause the forecast' }));
    expect(said()).toBe('Paused: no attempts have been played at this level.');
    expect(prefersForecastPaused()).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Go on with the forecast' }));
    expect(said()).toBe('The first attempts are being played…');
    expect(prefersForecastPaused()).toBe(false);
  });

  it.each([
    [{ paused: true, stale: true }, 'Paused: these numbers are from before the edit.'],
    [{ stale: true }, 'Trying the edit…'],
    [{ milliseconds: 1500, paused: true }, /^240 attempts in 1\.5 s, paused · /],
    [{ milliseconds: 1500 }, /^240 attempts in 1\.5 s, more are coming · a comparison between edits/],
    [{ milliseconds: 1500, done: true }, /^240 attempts in 1\.5 s · a comparison between edits/],
  ])('says how it stands: %o', (live, words) => {
    expect(forecastStatus({ forecast, stale: false, done: false, milliseconds: 0, paused: false, ...live })).toMatch(
      words,
    );
  });
});

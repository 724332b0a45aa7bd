import { createBrowserRouter, Navigate } from 'react-router';
import { BoutsScreen } from '../features/bouts/BoutsScreen.tsx';
import { HandoffScreen } from '../features/handoff/HandoffScreen.tsx';
import { KindsScreen } from '../features/kinds/KindsScreen.tsx';
import { MoversList } from '../features/movers/MoversList.tsx';
import { PlayScreen } from '../features/play/PlayScreen.tsx';
import { ProjectsScreen } from '../features/projects/ProjectsScreen.tsx';
import { RampsScreen } from '../features/ramps/RampsScreen.tsx';
import { SequenceScreen } from '../features/sequence/SequenceScreen.tsx';
import { TrialsScreen } from '../features/trials/TrialsScreen.tsx';
import { Failure } from './Failure.tsx';
import { LevelPage } from './LevelPage.tsx';
import { ProjectGate } from './ProjectGate.tsx';
import { WorkLayout } from './WorkLayout.tsx';
import { useSelection } from '../project/hooks.ts';

/** One route for all screens below the track, so that going from one to another keeps the track as it stands. */
function WorkScreen() {
  const { screen } = useSelection();
  if (screen === 'sequence') return <SequenceScreen />;
  if (screen === 'kinds') return <KindsScreen />;
  if (screen === 'bouts') return <BoutsScreen />;
  if (screen === 'ramps') return <RampsScreen movers={<MoversList />} />;
  if (screen === 'trials') return <TrialsScreen />;
  if (screen === 'hand-off') return <HandoffScreen />;
  return <LevelPage />;
}

/** The address tells project, screen, slot and open lane; a link opens the same view. */
export const makeRouter = () =>
  createBrowserRouter([
    {
      errorElement: <Failure />,
      children: [
        { path: '/', element: <ProjectsScreen openTheOnly /> },
        { path: '/projects', element: <ProjectsScreen /> },
        {
          path: '/projects/:projectId',
          element: <ProjectGate />,
          children: [
            { index: true, element: <Navigate to="level" replace /> },
            { path: 'play/:slotId', element: <PlayScreen /> },
            { path: ':screen/:slotId?', element: <WorkLayout />, children: [{ index: true, element: <WorkScreen /> }] },
          ],
        },
        { path: '*', element: <Navigate to="/projects" replace /> },
      ],
    },
  ]);

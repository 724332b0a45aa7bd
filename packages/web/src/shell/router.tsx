import { Suspense } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { useSelection } from '../address/address.ts';
import { Failure } from './Failure.tsx';
import { ProjectGate } from './ProjectGate.tsx';
import { part } from './parts.ts';
import { Waiting } from './Waiting.tsx';
import { screenAt } from './screens.ts';

const ProjectsScreen = part(async () => (await import('../features/projects/ProjectsScreen.tsx')).ProjectsScreen);
const WorkLayout = part(async () => (await import('./WorkLayout.tsx')).WorkLayout);
const { Screen: PlayScreen } = screenAt('play');

/** One route for all screens below the track, so that going from one to another keeps the track as it stands. */
function WorkScreen() {
  const { screen } = useSelection();
  const { Screen } = screenAt(screen);
  return (
    <Suspense fallback={<Waiting />}>
      <Screen />
    </Suspense>
  );
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

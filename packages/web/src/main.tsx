import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { makeRouter } from './shell/router.tsx';
import { makeStore } from './store/store.ts';
import { StadionProviders } from './ui/index.ts';
import './styles.css';

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <Provider store={makeStore()}>
      <StadionProviders>
        <RouterProvider router={makeRouter()} />
      </StadionProviders>
    </Provider>
  </StrictMode>,
);

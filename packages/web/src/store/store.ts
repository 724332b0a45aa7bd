import { configureStore } from '@reduxjs/toolkit';
import { stadionApi } from '../api/stadionApi.ts';
import { documentReducer } from './documentSlice.ts';
import { viewReducer } from './viewSlice.ts';

export const makeStore = () =>
  configureStore({
    reducer: { document: documentReducer, view: viewReducer, [stadionApi.reducerPath]: stadionApi.reducer },
    // The document is plain JSON of several megabytes at 500 levels: walking it at every action would be slower than the action.
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false }).concat(stadionApi.middleware),
  });

export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<Store['getState']>;
export type Dispatch = Store['dispatch'];

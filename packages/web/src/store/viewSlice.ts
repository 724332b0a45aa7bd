import { prefersAllActs, prefersForecastPaused } from './preferences.ts';
import type { Stretch } from '@stadion/core/document/ramps';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** State shared between parts of the screen that has no place in the address. */
export interface ViewState {
  /** Id of the pacer chosen by hand. */
  pacer: string | null;
  /** The open drawer beside the screen. */
  drawer: Drawer | null;
  /** Track and lanes scroll as one, by the first column in sight; whole or not. */
  firstColumn: number;
  /** The slot whose name is being typed. */
  renaming: string | null;
  /** Levels shown past the end of the sequence, on Ramps. */
  levelsPastEnd: number;
  /** Levels marked for an edit of all of them, both ends included. */
  stretch: Stretch | null;
  /** The open panel below the open lane. */
  lanePanel: LanePanel | null;
  /** Is it being worked out what moves the selected level? */
  moversOpen: boolean;
  /** Acts stand in the sentences at all times, not only where the pointer or the focus is. */
  allActs: boolean;
  /** No attempts are played for the forecast of the level that is open. */
  forecastPaused: boolean;
}

export type Drawer = 'findings' | 'history';

export type LanePanel = 'uses' | 'range' | 'table' | 'bounds';

const initialState: ViewState = {
  pacer: null,
  drawer: null,
  firstColumn: 0,
  renaming: null,
  levelsPastEnd: 0,
  stretch: null,
  lanePanel: null,
  moversOpen: false,
  allActs: prefersAllActs(),
  forecastPaused: prefersForecastPaused(),
};

const slice = createSlice({
  name: 'view',
  initialState,
  reducers: {
    pacerChosen(state, { payload }: PayloadAction<string>) {
      state.pacer = payload;
    },
    drawerOpened(state, { payload }: PayloadAction<Drawer | null>) {
      state.drawer = payload;
    },
    scrolledTo(state, { payload }: PayloadAction<number>) {
      state.firstColumn = payload;
    },
    renamingStarted(state, { payload }: PayloadAction<string | null>) {
      state.renaming = payload;
    },
    levelsPastEndSet(state, { payload }: PayloadAction<number>) {
      state.levelsPastEnd = payload;
    },
    stretchMarked(state, { payload }: PayloadAction<Stretch | null>) {
      state.stretch = payload && { from: Math.min(payload.from, payload.to), to: Math.max(payload.from, payload.to) };
    },
    /** Marks and open parts of one project mean nothing in another. */
    projectLeft(state) {
      state.stretch = null;
      state.lanePanel = null;
      state.renaming = null;
      state.firstColumn = 0;
      state.levelsPastEnd = 0;
    },
    allActsShown(state, { payload }: PayloadAction<boolean>) {
      state.allActs = payload;
    },
    forecastPaused(state, { payload }: PayloadAction<boolean>) {
      state.forecastPaused = payload;
    },
    moversToggled(state, { payload }: PayloadAction<boolean>) {
      state.moversOpen = payload;
    },
    lanePanelOpened(state, { payload }: PayloadAction<LanePanel | null>) {
      state.lanePanel = payload;
    },
  },
});

export const viewReducer = slice.reducer;
export const {
  pacerChosen,
  drawerOpened,
  scrolledTo,
  renamingStarted,
  levelsPastEndSet,
  stretchMarked,
  lanePanelOpened,
  moversToggled,
  allActsShown,
  forecastPaused,
  projectLeft,
} = slice.actions;

import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What is shared between parts of the screen and not worth a place in the address. */
export interface ViewState {
  pacer: string;
  findingsOpen: boolean;
  /** Track and lanes scroll as one, by the first column in sight; whole or not. */
  firstColumn: number;
  /** The slot whose name is being typed. */
  renaming: string | null;
}

const initialState: ViewState = { pacer: 'steady', findingsOpen: false, firstColumn: 0, renaming: null };

const slice = createSlice({
  name: 'view',
  initialState,
  reducers: {
    pacerChosen(state, { payload }: PayloadAction<string>) {
      state.pacer = payload;
    },
    findingsToggled(state, { payload }: PayloadAction<boolean>) {
      state.findingsOpen = payload;
    },
    scrolledTo(state, { payload }: PayloadAction<number>) {
      state.firstColumn = payload;
    },
    renamingStarted(state, { payload }: PayloadAction<string | null>) {
      state.renaming = payload;
    },
  },
});

export const viewReducer = slice.reducer;
export const { pacerChosen, findingsToggled, scrolledTo, renamingStarted } = slice.actions;

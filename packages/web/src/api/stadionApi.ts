import type {
  Books,
  CreateHandOff,
  CreateProject,
  CreateSnapshot,
  ForecastEvent,
  ForecastList,
  GameLink,
  HandOffChecks,
  HandOffList,
  HandOffSummary,
  ImportedProject,
  KeptHandOff,
  Problem,
  ProjectList,
  Snapshot,
  SnapshotList,
  SnapshotSummary,
  TrialsChange,
  TrialsState,
} from '@stadion/core/exchange/contract';
import { original } from '@reduxjs/toolkit';
import { createApi, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import { fetchJson, HttpProblem, jsonBody } from './http.ts';

export interface Ask {
  address: string;
  init?: RequestInit;
}

const query: BaseQueryFn<Ask, unknown, Problem> = async ({ address, init }) => {
  try {
    return { data: await fetchJson(address, init) };
  } catch (error) {
    if (error instanceof HttpProblem) return { error: error.problem };
    return {
      error: {
        type: 'about:blank',
        title: 'The server cannot be reached',
        status: 0,
        detail: 'The server cannot be reached. Start it with npm start, then try again.',
        code: 'unreachable',
        kept: 'Your edits are kept in this browser.',
      },
    };
  }
};

/** Requests to the server beside the open document. */
export const stadionApi = createApi({
  reducerPath: 'api',
  baseQuery: query,
  tagTypes: ['Projects', 'Snapshots', 'HandOffs'],
  endpoints: (build) => ({
    projects: build.query<ProjectList, void>({
      query: () => ({ address: '/api/projects' }),
      providesTags: ['Projects'],
    }),
    createProject: build.mutation<ImportedProject, CreateProject>({
      query: (body) => ({ address: '/api/projects', init: jsonBody('POST', body) }),
      invalidatesTags: ['Projects'],
    }),
    renameProject: build.mutation<void, { projectId: string; name: string }>({
      query: ({ projectId, name }) => ({
        address: `/api/projects/${projectId}/name`,
        init: jsonBody('PUT', { name }),
      }),
      invalidatesTags: ['Projects'],
    }),
    /** Puts a project into the bin, or takes it out. */
    binProject: build.mutation<void, { projectId: string; binned: boolean }>({
      query: ({ projectId, binned }) => ({
        address: `/api/projects/${projectId}${binned ? '' : '/restore'}`,
        init: { method: binned ? 'DELETE' : 'POST' },
      }),
      invalidatesTags: ['Projects'],
    }),
    /** The bytes as they are: the server says where they cannot be read. */
    importProject: build.mutation<ImportedProject, Blob>({
      query: (file) => ({
        address: '/api/projects/import',
        init: { method: 'POST', headers: { 'Content-Type': 'text/plain' }, body: file },
      }),
      invalidatesTags: ['Projects'],
    }),
    snapshots: build.query<SnapshotList, string>({
      query: (projectId) => ({ address: `/api/projects/${projectId}/snapshots` }),
      providesTags: ['Snapshots'],
    }),
    snapshot: build.query<Snapshot, { projectId: string; snapshotId: string }>({
      query: ({ projectId, snapshotId }) => ({ address: `/api/projects/${projectId}/snapshots/${snapshotId}` }),
    }),
    createSnapshot: build.mutation<SnapshotSummary, CreateSnapshot & { projectId: string }>({
      query: ({ projectId, ...body }) => ({
        address: `/api/projects/${projectId}/snapshots`,
        init: jsonBody('POST', body),
      }),
      invalidatesTags: ['Snapshots'],
    }),
    renameSnapshot: build.mutation<void, { projectId: string; snapshotId: string; name: string }>({
      query: ({ projectId, snapshotId, name }) => ({
        address: `/api/projects/${projectId}/snapshots/${snapshotId}/name`,
        init: jsonBody('PUT', { name }),
      }),
      invalidatesTags: ['Snapshots'],
    }),
    removeSnapshot: build.mutation<void, { projectId: string; snapshotId: string }>({
      query: ({ projectId, snapshotId }) => ({
        address: `/api/projects/${projectId}/snapshots/${snapshotId}`,
        init: { method: 'DELETE' },
      }),
      invalidatesTags: ['Snapshots'],
    }),
    handOffs: build.query<HandOffList, string>({
      query: (projectId) => ({ address: `/api/projects/${projectId}/hand-offs` }),
      providesTags: ['HandOffs'],
    }),
    handOff: build.query<KeptHandOff, { projectId: string; handOffId: string }>({
      query: ({ projectId, handOffId }) => ({ address: `/api/projects/${projectId}/hand-offs/${handOffId}` }),
    }),
    /** Reasons against handing over. @param state of the project: another one is checked again */
    handOffChecks: build.query<HandOffChecks, { projectId: string; state: string }>({
      query: ({ projectId }) => ({ address: `/api/projects/${projectId}/checks` }),
    }),
    createHandOff: build.mutation<HandOffSummary, CreateHandOff & { projectId: string }>({
      query: ({ projectId, ...body }) => ({
        address: `/api/projects/${projectId}/hand-offs`,
        init: jsonBody('POST', body),
      }),
      invalidatesTags: ['HandOffs'],
    }),
    /** Connected games; kept up to date by events. */
    games: build.query<GameLink, string>({
      query: (projectId) => ({ address: `/api/projects/${projectId}/games` }),
    }),
    snapshotForecasts: build.query<ForecastList, { projectId: string; snapshotId: string; pacer: string }>({
      query: ({ projectId, snapshotId, pacer }) => ({
        address: `/api/projects/${projectId}/snapshots/${snapshotId}/forecasts/${pacer}`,
      }),
    }),
    /** Attempt records for runs, by the keys of their questions: the records of a key never change. */
    books: build.query<Books, readonly string[]>({
      query: (keys) => ({ address: '/api/trials/books', init: jsonBody('POST', { keys }) }),
    }),
    trialsState: build.query<TrialsState, string>({
      query: (projectId) => ({ address: `/api/projects/${projectId}/trials` }),
    }),
    changeTrials: build.mutation<TrialsState, TrialsChange & { projectId: string }>({
      query: ({ projectId, ...body }) => ({
        address: `/api/projects/${projectId}/trials`,
        init: jsonBody('POST', body),
      }),
      async onQueryStarted({ projectId }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled;
        dispatch(stadionApi.util.upsertQueryData('trialsState', projectId, data));
      },
    }),
    forecasts: build.query<ForecastList, { projectId: string; pacer: string }>({
      query: ({ projectId, pacer }) => ({ address: `/api/projects/${projectId}/forecasts/${pacer}` }),
    }),
  }),
});

export const {
  useProjectsQuery,
  useBinProjectMutation,
  useCreateProjectMutation,
  useRenameProjectMutation,
  useRenameSnapshotMutation,
  useImportProjectMutation,
  useForecastsQuery,
  useTrialsStateQuery,
  useChangeTrialsMutation,
  useSnapshotsQuery,
  useSnapshotQuery,
  useCreateSnapshotMutation,
  useRemoveSnapshotMutation,
  useSnapshotForecastsQuery,
  useCreateHandOffMutation,
  useGamesQuery,
  useHandOffQuery,
  useHandOffChecksQuery,
  useHandOffsQuery,
} = stadionApi;

/** Replaces the known state of games by the reported one. */
export const gamesTold = (projectId: string, link: GameLink) =>
  stadionApi.util.upsertQueryData('games', projectId, link);

/** Puts forecasts that came beside those that there are. */
function mergeForecasts(list: ForecastList, entries: readonly ForecastEvent[]): void {
  // Looked up in the list as it stands: going over it as a draft costs a proxy for every slot.
  const { entries: standing } = original(list) ?? list;
  const known = new Map(standing.map((entry, index) => [entry.slotId, index]));
  for (const entry of entries) {
    const index = known.get(entry.slotId);
    const before = index === undefined ? undefined : standing[index];
    // Until the new question has a first answer, the old one stays, marked as not done.
    const merged = entry.summary === null && before ? { ...entry, summary: before.summary } : entry;
    if (index === undefined) list.entries.push(merged);
    else list.entries[index] = merged;
  }
}

/** Puts forecasts that came as events beside those that were asked for: of the project, and of snapshots of it. */
export function forecastsArrived(projectId: string, entries: readonly ForecastEvent[]) {
  const lists = new Map<string, ForecastEvent[]>();
  for (const entry of entries) {
    const list = `${entry.pacer} ${entry.snapshot ?? ''}`;
    lists.set(list, [...(lists.get(list) ?? []), entry]);
  }
  return [...lists.values()].map((list) => {
    const { pacer, snapshot } = list[0] as ForecastEvent;
    return snapshot === undefined
      ? stadionApi.util.updateQueryData('forecasts', { projectId, pacer }, (known) => mergeForecasts(known, list))
      : stadionApi.util.updateQueryData('snapshotForecasts', { projectId, snapshotId: snapshot, pacer }, (known) =>
          mergeForecasts(known, list),
        );
  });
}

import type {
  CreateProject,
  ForecastEvent,
  ForecastList,
  ImportedProject,
  Problem,
  ProjectList,
} from '@stadion/core/contract';
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

/** What is asked of the server besides the open document. */
export const stadionApi = createApi({
  reducerPath: 'api',
  baseQuery: query,
  tagTypes: ['Projects'],
  endpoints: (build) => ({
    projects: build.query<ProjectList, void>({
      query: () => ({ address: '/api/projects' }),
      providesTags: ['Projects'],
    }),
    createProject: build.mutation<ImportedProject, CreateProject>({
      query: (body) => ({ address: '/api/projects', init: jsonBody('POST', body) }),
      invalidatesTags: ['Projects'],
    }),
    importProject: build.mutation<ImportedProject, string>({
      query: (text) => ({
        address: '/api/projects/import',
        init: { method: 'POST', headers: { 'Content-Type': 'text/plain' }, body: text },
      }),
      invalidatesTags: ['Projects'],
    }),
    forecasts: build.query<ForecastList, { projectId: string; pacer: string }>({
      query: ({ projectId, pacer }) => ({ address: `/api/projects/${projectId}/forecasts/${pacer}` }),
    }),
  }),
});

export const { useProjectsQuery, useCreateProjectMutation, useImportProjectMutation, useForecastsQuery } = stadionApi;

/** Puts forecasts that came as events beside those that were asked for. */
export const forecastsArrived = (projectId: string, entries: readonly ForecastEvent[]) => {
  const pacers = [...new Set(entries.map((entry) => entry.pacer))];
  return pacers.map((pacer) =>
    stadionApi.util.updateQueryData('forecasts', { projectId, pacer }, (list) => {
      const known = new Map(list.entries.map((entry, index) => [entry.slotId, index]));
      for (const entry of entries) {
        if (entry.pacer !== pacer) continue;
        const index = known.get(entry.slotId);
        const before = index === undefined ? undefined : list.entries[index];
        // Until the new question has a first answer, the old one stays, marked as not done.
        const merged = entry.summary === null && before ? { ...entry, summary: before.summary } : entry;
        if (index === undefined) list.entries.push(merged);
        else list.entries[index] = merged;
      }
    }),
  );
};

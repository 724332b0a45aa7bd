export { Edit, MAX_EDITS_IN_A_REQUEST, MAX_OPERATIONS_IN_AN_EDIT, PatchOperation, Revision } from './edit.ts';
export { historyTag, placeOfTag, type HistoryPlace } from './history.ts';
export { FaultyPlace, Problem } from './problem.ts';
export { CreateProject, ImportedProject, OpenProject, ProjectList, ProjectSummary, RenameProject } from './projects.ts';
export { PatchRequest, PatchResponse, RevisionList } from './revisions.ts';
export {
  ForecastEvent,
  ForecastList,
  ForecastSummary,
  RevisionEvent,
  ServerEventName,
  forecastDone,
  summarize,
} from './events.ts';
export { CreateSnapshot, RenameSnapshot, Snapshot, SnapshotList, SnapshotSummary } from './snapshots.ts';
export { EventReceipt, GameEvent, GameLink, MOST_EVENTS_IN_A_BATCH } from './gameEvents.ts';
export { CreateHandOff, HandOffList, HandOffSummary, KeptHandOff } from './handOffs.ts';
export { Books, BooksRequest, MOST_BOOKS, TrialsChange, TrialsState } from './trials.ts';

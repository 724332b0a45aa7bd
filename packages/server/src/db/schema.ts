import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** One project: its document as JSON text, at a revision. */
export const projects = sqliteTable('projects', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  document: text('document').notNull(),
  revision: integer('revision').notNull(),
  /** The revision that the document's text is of; edits after it stand among the revisions. */
  documentRevision: integer('document_revision').notNull().default(0),
  slots: integer('slots').notNull(),
  createdAt: text('created_at').notNull(),
  updatedAt: text('updated_at').notNull(),
  /** Since when it is in the bin. */
  binnedAt: text('binned_at'),
  /** Clear rates as they were last forecast: a JSON list of numbers and nulls, by slot. */
  rates: text('rates'),
});

/** Every edit ever made, with what takes it back. */
export const revisions = sqliteTable(
  'revisions',
  {
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    editId: text('edit_id').notNull(),
    /** The edit without its id, as JSON text. */
    edit: text('edit').notNull(),
    inverse: text('inverse').notNull(),
    at: text('at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.projectId, table.revision] }),
    uniqueIndex('revisions_by_edit').on(table.projectId, table.editId),
  ],
);

/** Answers by the hash of everything they depend on. */
export const forecasts = sqliteTable('forecasts', {
  key: text('key').primaryKey(),
  forecast: text('forecast').notNull(),
  at: text('at').notNull(),
});

/** How far questions have come that are not answered yet, by the hash of everything they depend on. */
export const trialParts = sqliteTable('trial_parts', {
  key: text('key').primaryKey(),
  tally: text('tally').notNull(),
  at: text('at').notNull(),
});

/** States of a project kept under names, each with its whole document as JSON text. */
export const snapshots = sqliteTable(
  'snapshots',
  {
    id: text('id').primaryKey(),
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    revision: integer('revision').notNull(),
    document: text('document').notNull(),
    at: text('at').notNull(),
  },
  (table) => [index('snapshots_by_project').on(table.projectId, table.at)],
);

/** Events of games: CloudEvents, each once by its source and id. */
export const gameEvents = sqliteTable(
  'game_events',
  {
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    source: text('source').notNull(),
    id: text('id').notNull(),
    type: text('type').notNull(),
    /** Id of the slot it is about, if any. */
    slot: text('slot'),
    /** When it happened, as the game says; else when it came. */
    at: text('at').notNull(),
    /** The event's data as JSON text. */
    data: text('data').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.projectId, table.source, table.id] }),
    index('game_events_by_slot').on(table.projectId, table.slot, table.at),
    index('game_events_by_time').on(table.projectId, table.at, table.source, table.id),
  ],
);

/** Numbers of the events of a day, so that no request has to count rows. */
export const gameEventCounts = sqliteTable(
  'game_event_counts',
  {
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    /** Day on which they happened, as YYYY-MM-DD. */
    day: text('day').notNull(),
    /** All events that ever came, and the ended attempts among them. */
    events: integer('events').notNull(),
    attempts: integer('attempts').notNull(),
    /** Events that are still kept, and the length of their data in characters. */
    kept: integer('kept').notNull(),
    characters: integer('characters').notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.day] })],
);

/** States of a project that were handed over, each with its whole document as JSON text. */
export const handOffs = sqliteTable(
  'hand_offs',
  {
    id: text('id').primaryKey(),
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    label: text('label').notNull(),
    revision: integer('revision').notNull(),
    at: text('at').notNull(),
    /** Why it was handed over although checks failed. */
    reason: text('reason'),
    failed: integer('failed').notNull(),
    document: text('document').notNull(),
  },
  (table) => [index('hand_offs_by_project').on(table.projectId, table.at)],
);

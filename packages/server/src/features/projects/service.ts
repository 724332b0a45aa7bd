import type {
  CreateProject,
  Edit,
  ImportedProject,
  OpenProject,
  PatchResponse,
  ProjectSummary,
  Revision,
  RevisionList,
  HistoryPlace,
} from '@stadion/core/exchange/contract';
import { applyWithInverse, patchBetween, PatchMisfit, type PatchOperation } from '@stadion/core/basics/patch';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { importProject, problemsAfterEdit } from '@stadion/core/exchange/formats';
import { startProject } from '@stadion/core/authoring/building';
import {
  documentOf,
  emptyProject,
  pointerOf,
  projectOf,
  PROJECT_VERSION,
  type Project,
  type ProjectDocument,
} from '@stadion/core/document/model';
import { nanoid } from 'nanoid';
import type { Storage } from '../../db/client.ts';
import { storageTrouble } from '../../db/trouble.ts';
import { StadionError } from '../../http/errors.ts';
import { DocumentWriter } from './documentWriter.ts';
import { OpenProjects } from './openProjects.ts';
import * as store from './store.ts';

/** As far back as can be undone after opening a project. */
const RECENT_REVISIONS = 200;
/** Missed revisions sent at once. */
const MOST_REVISIONS = 500;
/** Days that a project stays in the bin. */
const KEPT_IN_BIN_DAYS = 30;

interface Dependencies {
  storage: Storage;
  now: () => Date;
  /** Called after a commit, never before. */
  onRevisions: (projectId: string, revisions: readonly Revision[]) => void;
}

export type ProjectService = ReturnType<typeof makeProjectService>;

const missing = (id: string): StadionError => new StadionError('not-found', `There is no project “${id}”.`);

/** Applies one edit to a copy. @throws StadionError with the operation that does not fit, or what would not be whole */
function applyEdit(document: ProjectDocument, edit: Edit): { document: ProjectDocument; inverse: PatchOperation[] } {
  let applied: { document: unknown; inverse: PatchOperation[] };
  try {
    applied = applyWithInverse<unknown>(document, edit.patch);
  } catch (error) {
    if (!(error instanceof PatchMisfit)) throw error;
    throw new StadionError(
      'bad-patch',
      `“${edit.label}” does not fit: operation ${error.index + 1}. ${error.message}`,
      { places: [{ message: 'The operation cannot be carried out here.', pointer: error.pointer }] },
    );
  }
  // An edit may have taken the whole document away.
  const { version } = (applied.document ?? {}) as { version?: unknown };
  if (version !== PROJECT_VERSION)
    throw new StadionError('bad-document', `“${edit.label}” was refused: an edit does not change the version.`, {
      places: [{ message: `The version is ${PROJECT_VERSION}.`, pointer: '/version' }],
    });
  // Parts that the edit does not touch stay the same objects, so that results that are kept by object stay valid.
  const edited = applied.document as ProjectDocument;
  const problems = problemsAfterEdit(edited);
  if (problems.length > 0) {
    const places = problems.map(({ path, message }) => ({ message, pointer: pointerOf(path) }));
    throw new StadionError('bad-document', `“${edit.label}” was refused: ${places[0]?.message ?? ''}`, { places });
  }
  return { document: edited, inverse: applied.inverse };
}

/** Is a place one of this history's? A copy of the database that was put back has another from some revision on. @throws StadionError where it is not */
async function checkHistory(
  db: Parameters<typeof store.editIdAt>[0],
  id: string,
  { revision, editId }: HistoryPlace,
  latest: number,
): Promise<void> {
  const isOurs =
    revision <= latest &&
    (revision === 0 || editId === undefined || (await store.editIdAt(db, id, revision)) === editId);
  if (isOurs) return;
  throw new StadionError(
    'history-other',
    `What was made on revision ${revision} belongs to another history of this project: a copy of the database may have been put back.`,
    { revision: latest, kept: 'Nothing was changed; what the page has is still with it.' },
  );
}

/** The document with its entries in the order of the schema, so that the same document is always the same text. */
function inSchemaOrder(document: ProjectDocument): ProjectDocument {
  const checked = importProject(document);
  if (!checked.ok) throw new StadionError('bad-document', checked.problems[0]?.message ?? 'The project is not whole.');
  return checked.document;
}

/** Everything that can be done with projects. */
export function makeProjectService({ storage, now, onRevisions }: Dependencies) {
  const open = new OpenProjects();
  const writer = new DocumentWriter(async ({ id, document, revision }) => {
    await storage.write((transaction) => store.writeDocument(transaction, id, document, revision));
    const known = open.at(id, revision);
    if (known) open.keep({ ...known, documentRevision: revision });
  });
  /** Why projects cannot be read, by id: damaged text, or written by a newer Stadion. */
  const unreadable = new Map<string, string>();

  /** A project, unless it cannot be read: then the reason is kept. */
  async function readable(
    id: string,
    read: () => Promise<store.StoredProject | undefined>,
  ): Promise<store.StoredProject | undefined> {
    if (unreadable.has(id)) return undefined;
    const project = await read().catch((error: unknown) => {
      if (storageTrouble(error)) throw error;
      unreadable.set(id, 'What is stored of it is damaged.');
      return undefined;
    });
    const version: unknown = (project?.document as { version?: unknown } | null | undefined)?.version;
    if (project && !(typeof version === 'number' && version <= PROJECT_VERSION)) {
      unreadable.set(
        id,
        typeof version === 'number'
          ? `It is of version ${version}, from a newer Stadion: bring this one up to date.`
          : 'What is stored of it is no project.',
      );
      return undefined;
    }
    return project;
  }

  const refusal = (id: string): StadionError => {
    const why = unreadable.get(id);
    return why === undefined
      ? missing(id)
      : new StadionError('unreadable', why, { kept: 'It is left as it is; its text can be downloaded.' });
  };

  const insert = async (given: ProjectDocument): Promise<string> => {
    const id = nanoid(10);
    const document = inSchemaOrder(given);
    await storage.write((transaction) => store.insertProject(transaction, id, document, now().toISOString()));
    return id;
  };

  return {
    /** Writes what has not been written as a whole yet. */
    close: (): Promise<void> => writer.close(),

    async list(): Promise<ProjectSummary[]> {
      const all = await store.listProjects(storage.db);
      return all.map((project) => {
        const why = unreadable.get(project.id);
        return why === undefined ? project : { ...project, unreadable: why };
      });
    },

    async create(wanted: CreateProject): Promise<ImportedProject> {
      const document = documentOf(await this.begun(wanted));
      if (wanted.name !== undefined) document.name = wanted.name;
      return this.add(document);
    },

    /** Returns the document of a new project. */
    async begun(wanted: CreateProject): Promise<Project> {
      switch (wanted.from) {
        case 'demo':
          return homeBeforeDusk();
        case 'empty':
          return emptyProject('New project');
        case 'start':
          return startProject(wanted);
        case 'copy': {
          const project = projectOf((await this.read(wanted.of)).document);
          return { ...project, name: `${project.name.slice(0, 70)} copy` };
        }
      }
    },

    /** Renames a project, as an edit of its own. */
    async rename(id: string, name: string): Promise<void> {
      const { revision } = await this.read(id);
      const patch: PatchOperation[] = [{ op: 'replace', path: '/name', value: name }];
      await this.edit(id, { revision }, [{ id: nanoid(), label: `Rename the project to ${name}`, patch }]);
    },

    /** Puts a project into the bin; it can be taken out again for 30 days. */
    async bin(id: string): Promise<void> {
      const at = now().toISOString();
      if (!(await storage.write((transaction) => store.setBinned(transaction, id, at)))) throw missing(id);
    },

    async restore(id: string): Promise<void> {
      if (!(await storage.write((transaction) => store.setBinned(transaction, id, null)))) throw missing(id);
    },

    /** Takes out for good what has been in the bin for longer than it is kept there. */
    emptyBin(): Promise<string[]> {
      const before = new Date(now().getTime() - KEPT_IN_BIN_DAYS * 24 * 3600 * 1000).toISOString();
      return storage.write((transaction) => store.emptyBin(transaction, before));
    },

    /** Keeps the rates that the list of projects shows. @param rates clear rates by slot */
    async keepRates(id: string, rates: readonly (number | null)[]): Promise<void> {
      await storage.write((transaction) => store.writeRates(transaction, id, rates));
    },

    /** Store a document that has been checked. */
    async add(document: ProjectDocument): Promise<ImportedProject> {
      const slots = Object.keys(document.slots).length;
      return { id: await insert(document), name: document.name, slots };
    },

    /** Brings every stored document of an earlier version up to this one, each as an edit of its own. One that cannot be read is left as it is. */
    async bringUpToDate(): Promise<{ upgraded: string[]; unreadable: { id: string; why: string }[] }> {
      const upgraded: string[] = [];
      for (const { id } of await store.listProjects(storage.db)) {
        await storage.write(async (transaction) => {
          const project = await readable(id, () => store.readProject(transaction, id));
          if (!project || project.document.version === PROJECT_VERSION) return;
          const before: unknown = project.document;
          const checked = importProject(before);
          if (!checked.ok) return void unreadable.set(id, checked.problems[0]?.message ?? 'The project is not whole.');
          const patch = patchBetween(before as object, checked.document);
          const { inverse } = applyWithInverse(before, patch);
          const edit: Edit = { id: nanoid(), label: `Bring the project up to version ${PROJECT_VERSION}`, patch };
          const revision: Revision = { revision: project.revision + 1, edit, inverse, at: now().toISOString() };
          await store.appendRevisions(transaction, id, checked.document, [revision]);
          await store.writeDocument(transaction, id, checked.document, revision.revision);
          upgraded.push(id);
        });
      }
      return { upgraded, unreadable: [...unreadable].map(([id, why]) => ({ id, why })) };
    },

    /** A project's document as it is stored, whatever it is: to be looked at, or brought elsewhere. */
    async text(id: string): Promise<{ name: string; document: string }> {
      const found = await store.readText(storage.db, id);
      if (!found) throw missing(id);
      return found;
    },

    async read(id: string): Promise<store.StoredProject> {
      const revision = await store.readRevision(storage.db, id);
      if (revision === undefined) throw missing(id);
      const known = open.at(id, revision);
      if (known) return known;
      const project = await readable(id, () => store.readProject(storage.db, id));
      if (!project) throw refusal(id);
      open.keep(project);
      return project;
    },

    async open(id: string): Promise<OpenProject> {
      const { documentRevision: _written, ...project } = await this.read(id);
      const recent = await store.latestRevisions(storage.db, id, RECENT_REVISIONS);
      // A revision between the two reads is sent as an event.
      return { ...project, recent: recent.filter((entry) => entry.revision <= project.revision) };
    },

    async revisionsAfter(id: string, place: HistoryPlace): Promise<RevisionList> {
      const after = place.revision;
      const revision = await store.readRevision(storage.db, id);
      if (revision === undefined) throw missing(id);
      await checkHistory(storage.db, id, place, revision);
      return {
        revision,
        revisions: await store.revisionsAfter(storage.db, id, after, MOST_REVISIONS),
      };
    },

    /** Every revision after one, up to another, oldest first. @throws StadionError where the history does not reach back to it */
    async historyAfter(id: string, after: number, upTo: number): Promise<Revision[]> {
      const found: Revision[] = [];
      while (after + found.length < upTo) {
        const next = await store.revisionsAfter(storage.db, id, after + found.length, MOST_REVISIONS);
        if (next.length === 0)
          throw new StadionError('bad-request', `The history does not reach back to revision ${after}.`);
        found.push(...next);
      }
      return found.slice(0, upTo - after);
    },

    /** Makes all edits on the named revision, in one transaction, or none. */
    async edit(id: string, place: HistoryPlace, edits: readonly Edit[]): Promise<PatchResponse> {
      const on = place.revision;
      const { document, documentRevision, answer } = await storage.write(async (transaction) => {
        const revision = await store.readRevision(transaction, id);
        const project = open.at(id, revision ?? -1) ?? (await readable(id, () => store.readProject(transaction, id)));
        if (!project) throw refusal(id);
        await checkHistory(transaction, id, place, project.revision);
        if (project.revision !== on) {
          throw new StadionError(
            'revision-behind',
            `The edits were made on revision ${on}; the project is at ${project.revision}. Fetch what was missed, then send them again.`,
            {
              revision: project.revision,
              kept: 'Nothing was changed; your edits are still with you.',
            },
          );
        }
        const ids = edits.map((edit) => edit.id);
        const known = await store.knownEdits(transaction, id, ids);
        if (known.length > 0 || new Set(ids).size < ids.length) {
          throw new StadionError('edit-known', 'An edit with this id has been made before; fetch the revisions.', {
            places: known.map((editId) => ({ message: editId })),
          });
        }
        let { document } = project;
        const at = now().toISOString();
        const added: Revision[] = edits.map((edit, index) => {
          const applied = applyEdit(document, edit);
          document = applied.document;
          return { revision: on + index + 1, edit, inverse: applied.inverse, at };
        });
        await store.appendRevisions(transaction, id, document, added);
        return {
          document,
          documentRevision: project.documentRevision,
          answer: { revision: on + added.length, revisions: added },
        };
      });
      const project = { id, revision: answer.revision, documentRevision, document };
      open.keep(project);
      writer.edited(project);
      onRevisions(id, answer.revisions);
      return answer;
    },
  };
}

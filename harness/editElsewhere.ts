import type { ProjectDocument } from '@stadion/core/document/model';

/** An operation of a JSON Patch, as somebody else may send it. */
interface Operation {
  op: string;
  path: string;
  value?: unknown;
}

/**
 * An edit that somebody else makes, on the latest revision.
 *
 * @param address of the project
 * @param patch operations, or what makes them of the document
 */
export async function editElsewhere(
  address: string,
  label: string,
  patch: readonly Operation[] | ((document: ProjectDocument) => Operation[]),
): Promise<void> {
  const { document, revision } = (await (await fetch(address)).json()) as {
    document: ProjectDocument;
    revision: number;
  };
  const operations = typeof patch === 'function' ? patch(document) : patch;
  const answer = await fetch(address, {
    method: 'PATCH',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
    body: JSON.stringify({ edits: [{ id: `elsewhere-${revision}`, label, patch: operations }] }),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

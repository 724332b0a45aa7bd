import { projectOf, type Project, type ProjectDocument } from '@stadion/core/model';

/**
 * Leaves only some slots in a project made from the demo, so that its forecasts take seconds.
 *
 * @param address of the project
 * @param besides more operations on the document
 */
export async function keepSlots(
  address: string,
  ids: readonly string[],
  besides: (project: Project) => { op: string; path: string; value?: unknown }[] = () => [],
): Promise<void> {
  const { document, revision } = (await (await fetch(address)).json()) as {
    document: ProjectDocument;
    revision: number;
  };
  const project = projectOf(document);
  const patch = [
    // What is expected of other slots goes with them.
    { op: 'replace', path: '/expectations', value: {} },
    ...project.slots.flatMap(({ id }) => (ids.includes(id) ? [] : [{ op: 'remove', path: `/slots/${id}` }])),
    ...besides(project),
  ];
  const answer = await fetch(address, {
    method: 'PATCH',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
    body: JSON.stringify({ edits: [{ id: `shorter-${revision}`, label: 'Shorter', patch }] }),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

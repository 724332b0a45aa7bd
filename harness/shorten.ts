import { projectOf, type Project } from '@stadion/core/document/model';
import { editElsewhere } from './editElsewhere.ts';

/**
 * Leaves only some slots in a project made from the demo, so that its forecasts take seconds.
 *
 * @param address of the project
 * @param besides more operations on the document
 */
export const keepSlots = (
  address: string,
  ids: readonly string[],
  besides: (project: Project) => { op: string; path: string; value?: unknown }[] = () => [],
): Promise<void> =>
  editElsewhere(address, 'Shorter', (document) => {
    const project = projectOf(document);
    return [
      // Expectations of other slots are removed with them.
      { op: 'replace', path: '/expectations', value: {} },
      ...project.slots.flatMap(({ id }) => (ids.includes(id) ? [] : [{ op: 'remove', path: `/slots/${id}` }])),
      ...besides(project),
    ];
  });

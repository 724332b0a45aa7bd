import { freshId, positionOf, type Expectation, type Project } from '../../document/model/index.ts';
import { at, removeAt, type NamedEdit } from './edit.ts';
import { insertEntry } from './order.ts';

/** Holds a slot's forecast to its present interval, rounded outwards to whole percents. */
export function expectClearRate(
  project: Project,
  slotId: string,
  pacer: { id: string; name: string },
  interval: { low: number; high: number },
): NamedEdit {
  const expectation: Expectation = {
    id: freshId(`rate-${slotId}`, new Set(project.expectations.map((entry) => entry.id))),
    is: 'clearRate',
    slotId,
    pacer: pacer.id,
    low: Math.floor(interval.low * 100) / 100,
    high: Math.ceil(interval.high * 100) / 100,
  };
  return {
    label: `Expect what ${pacer.name} clears at ${positionOf(project, slotId)}`,
    patch: insertEntry(['expectations'], project.expectations, expectation),
  };
}

export const dropExpectation = (id: string): NamedEdit => ({
  label: 'Drop an expectation',
  patch: [removeAt(at('expectations', id))],
});

import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { documentOf, type ProjectDocument } from '@stadion/core/document/model';
import { applyWithInverse } from '@stadion/core/basics/patch';
import { byMinutes, documentAfter, type PastEdit } from './past.ts';

const first = documentOf(homeBeforeDusk());
const names = ['Dawn', 'Noon', 'Dusk'];
const states: ProjectDocument[] = [first];
const edits = names.map((name, index): PastEdit => {
  const patch = [{ op: 'replace' as const, path: '/name', value: name }];
  const { document, inverse } = applyWithInverse(states[index]!, patch);
  states.push(document);
  const at = `2026-03-01T10:0${index === 2 ? 1 : 0}:30.000Z`;
  return { id: `edit-${index}`, label: name, patch, inverse, at, revision: index + 1, by: index === 0 ? 'Ada' : 'Bo' };
});

describe('the past of a project', () => {
  it.each([0, 1, 2, 3])('is played back to after edit %i', (after) => {
    expect(documentAfter(states.at(-1)!, edits.slice(after))).toEqual(states[after]);
  });

  it('is listed newest first, by person and minute', () => {
    const told = byMinutes([...edits, { id: 'unsent', label: 'On its way', patch: [], inverse: [], by: 'Bo' }]);
    expect(told.map((minute) => [minute.by, minute.edits.map(({ label }) => label)])).toEqual([
      ['Bo', ['On its way']],
      ['Bo', ['Dusk']],
      ['Bo', ['Noon']],
      ['Ada', ['Dawn']],
    ]);
  });
});

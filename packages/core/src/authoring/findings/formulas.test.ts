import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Project } from '../../document/model/index.ts';
import { findingsOf, type Finding } from './index.ts';

function withFormulas(formulas: Record<string, string>): Project {
  const project = homeBeforeDusk();
  for (const parameter of project.parameters) {
    const text = formulas[parameter.key];
    if (text !== undefined) parameter.ramp = { shape: { type: 'formula', text } };
  }
  return project;
}
const found = (project: Project): Finding[] =>
  findingsOf(project).filter(({ code }) => code === 'formula-error' || code === 'formula-cycle');

describe('formulas', () => {
  it('that can be worked out everywhere are no finding', () => {
    expect(found(withFormulas({ clock: 'hornetSpeed * 10 + if(level % 4 == 0, 5, 0)' }))).toEqual([]);
  });

  it('that cannot be read are reported once, with the column', () => {
    expect(found(withFormulas({ clock: '2 + hornetSped' }))).toMatchObject([
      {
        code: 'formula-error',
        slotId: 'slot-1',
        path: '/parameters/clock/ramp/shape/text',
        sentence: 'The formula of Clock gives no number.',
        reason: expect.stringContaining('Column 5: There is no parameter called hornetSped; did you mean hornetSpeed?'),
      },
    ]);
  });

  it('that divide by zero are reported where they do, with the values in them', () => {
    const findings = found(withFormulas({ clock: '100 / (level - 5)' }));
    expect(findings.map(({ slotId }) => slotId)).toEqual(['slot-5']);
    expect(findings[0]!.reason).toBe(
      '“100 / (level - 5)” divides by zero here. Until it does, it counts as 120, an end of its sane range.',
    );
  });

  it('that go round in a circle are named, once', () => {
    const findings = found(withFormulas({ clock: 'nestRest * 5', nestRest: 'clock / 5' }));
    expect(findings).toMatchObject([
      {
        code: 'formula-cycle',
        sentence: 'The formulas of Clock and Rest between hornets need one another.',
        reason: expect.stringContaining('clock → nestRest → clock'),
      },
    ]);
  });

  it('that need themselves are a circle of one', () => {
    expect(found(withFormulas({ clock: 'clock + 1' }))).toMatchObject([
      { code: 'formula-cycle', sentence: 'The formula of Clock needs its own value.' },
    ]);
  });
});

import { describe, expect, it } from '@jest/globals';
import { exportSlot, handOffOf } from '@stadion/core/exchange/formats';
import { makeJudge, READINGS, startVerdicts, judgeTick } from '@stadion/core/play/rules';
import jsonLogic from 'json-logic-js';
import { depth } from '../../core/src/testing/index.ts';
import { openHandOff } from './index.ts';
import { judgingOf } from './judging.ts';
import { readingsOf } from './subjects.ts';
import { condition, drawing, randomProject } from './testing/randomRules.ts';

describe('a condition as JsonLogic', () => {
  it('says what the judge says over random states, where it needs no memory', () => {
    let count = 0;
    const truths = new Set<boolean>();
    for (let seed = 1; count < depth(10_000, 1500); seed++) {
      const draw = drawing(seed);
      const project = randomProject(draw);
      const level = project.levels['clover-steps']!;
      level.rules = [{ id: 'one', when: condition(draw, 'c', 3, false), then: [{ effect: 'win' }], fires: 'once' }];
      const handOff = handOffOf(project);
      const slot = handOff.slots['slot-1']!;
      const readings = readingsOf(slot, handOff);
      const { judging } = judgingOf(slot, handOff, readings);
      const judge = makeJudge(judging.rules, 'win');
      for (let state = 0; state < 20; state++) {
        const observed = readings.empty();
        observed.limitTicks = 120;
        const data: Record<string, unknown> = {};
        for (const name of slot.readings) {
          const { reading, subject } = readings.find(name)!;
          const isOnOff = READINGS[reading].unit === 'on/off';
          READINGS[reading].write(observed, subject, isOnOff ? draw(2) : draw(30));
        }
        for (const name of slot.readings) {
          const { reading, subject } = readings.find(name)!;
          const [list, about] = name.split('.') as [string, string | undefined];
          const value = READINGS[reading].read(observed, subject);
          if (about === undefined) data[list] = value;
          else data[list] = { ...(data[list] as object | undefined), [about]: value };
        }
        const verdicts = startVerdicts(judge);
        judgeTick(judge, observed, verdicts);
        const said = Boolean(jsonLogic.apply(slot.rules[0]!.when as jsonLogic.RulesLogic, data));
        if (said !== verdicts.truth[0])
          expect({ seed, when: slot.rules[0]!.when, data, said }).toEqual({ said: verdicts.truth[0] });
        truths.add(said);
        count++;
      }
    }
    expect(truths.size).toBe(2);
  });

  it('has what it remembers beside it, by its place', () => {
    const project = randomProject(drawing(1));
    const level = project.levels['clover-steps']!;
    const home = (id: string) =>
      ({
        id,
        is: 'onOff',
        reading: { reading: 'inside', zone: 'hive' },
        on: true,
        heldSeconds: { from: 'number', value: 0.5 },
      }) as const;
    level.rules = [
      {
        id: 'won',
        when: {
          id: 'all',
          is: 'all',
          of: [home('a'), { id: 'b', is: 'inOrder', of: [home('c'), { ...home('d'), on: false }] }],
        },
        then: [{ effect: 'win' }],
        fires: 'once',
      },
    ];
    const { when, memory } = exportSlot(project, 1)!.rules[0]!;
    const inside = { var: 'inside.hive' };
    expect(when).toEqual({ and: [{ '!!': [inside] }, { and: [{ '!!': [inside] }, { '!': [inside] }] }] });
    expect(memory).toEqual([
      { at: [0], heldSeconds: 0.5 },
      { at: [1], inOrder: true },
      { at: [1, 0], heldSeconds: 0.5 },
      { at: [1, 1], heldSeconds: 0.5 },
    ]);
  });

  it('is refused where it is none of a hand-off', () => {
    const handOff = handOffOf(randomProject(drawing(1)));
    const broken = (when: unknown) => {
      const copy = structuredClone(handOff) as { slots: Record<string, { rules: { when: unknown }[] }> };
      copy.slots['slot-1']!.rules[0]!.when = when;
      return () => openHandOff(copy).level(1).judge();
    };
    expect(broken({ in: [1, 2] })).toThrow(/not one of a hand-off: {"in":\[1,2\]}/);
    expect(broken({ '>=': [{ var: 'nothing.at-all' }, 2] })).toThrow('There is no reading “nothing.at-all”.');
  });
});

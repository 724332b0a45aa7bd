import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { Condition } from '@stadion/core/document/model';
import { levelHere, type LevelContext } from '../readings/levelContext.ts';
import { takenConditions } from '@stadion/core/authoring/edits';
import { choiceOf, conditionOn, groupOn, readingChoices } from './conditions.ts';

const here = levelHere(homeBeforeDusk(), 7) as LevelContext;

describe('what can be read at a level', () => {
  const { choices, readingOf } = readingChoices(here);

  it('is offered in words, each once', () => {
    const labels = choices.map((choice) => choice.label);
    expect(labels).toEqual(
      expect.arrayContaining([
        'nectar gathered',
        'royal bloom gathered',
        'pieces left',
        'lives',
        'time left',
        'the bee is inside Hive mouth',
        'a wasp touches the bee',
      ]),
    );
    expect(new Set(labels).size).toBe(labels.length);
  });

  it('makes a condition that the document takes, with an id of its own', () => {
    const taken = takenConditions(here.level);
    for (const { value } of choices) {
      const condition = conditionOn(readingOf(value), here);
      expect(Condition.safeParse(condition).error).toBeUndefined();
      expect(taken.has(condition.id)).toBe(false);
      expect(choiceOf(readingOf(value))).toBe(value);
    }
  });

  it('starts from the likely comparison', () => {
    expect(conditionOn({ reading: 'lives' }, here)).toMatchObject({ comparison: 'atMost', amount: { value: 0 } });
    expect(conditionOn({ reading: 'worth', of: 'any' }, here)).toMatchObject({
      comparison: 'atLeast',
      amount: { from: 'share' },
    });
    expect(conditionOn({ reading: 'touching', kind: 'wasp' }, here)).toMatchObject({ is: 'onOff', on: true });
  });
});

describe('a group', () => {
  it('comes with one condition in it', () => {
    const group = groupOn({ reading: 'lives' }, here);
    expect(Condition.safeParse(group).success).toBe(true);
    expect('of' in group && group.of).toHaveLength(1);
  });
});

describe('the level at a position', () => {
  it('comes with its values and what is placed', () => {
    expect(here.values['clock']).toBe(46);
    expect(here.placed.worth['any']).toBe(138);
    expect(here.names.pieces['hive']).toBe('Hive mouth');
  });

  it('is missing beyond the sequence', () => {
    expect(levelHere(homeBeforeDusk(), 25)).toBeUndefined();
    expect(levelHere(homeBeforeDusk(), 0)).toBeUndefined();
  });
});

import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { importProject } from '@stadion/core/exchange/formats';
import { documentOf, emptyProject, newLevel, projectOf, type Project } from '@stadion/core/document/model';
import { applyPatch } from '@stadion/core/basics/patch';
import type { NamedEdit } from '@stadion/core/authoring/edits';
import { levelHere } from '../readings/levelContext.ts';
import { intentsFor, ownWaysToWin, sayIntent } from './intents.ts';
import { shownRules, topicOf, type Topic } from './ruleTopics.ts';

const TOPICS: Topic[] = ['won', 'lost', 'milestone'];
const done = (project: Project, { patch }: NamedEdit): Project => {
  const result = importProject(applyPatch(documentOf(project), patch));
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.project;
};

/** The demo with one of its levels only: whole documents are slow to check by the thousand. */
function only(position: number): Project {
  const project = homeBeforeDusk();
  const slot = project.slots[position - 1]!;
  project.slots = [slot];
  project.levels = { [slot.levelId]: project.levels[slot.levelId]! };
  project.tiers = project.tiers.slice(0, 1);
  project.expectations = [];
  return project;
}

describe('what can be said', () => {
  it.each(homeBeforeDusk().slots.map((_, index) => index + 1))(
    'at slot %d makes a whole project, every line of it',
    (position) => {
      const here = levelHere(only(position), 1)!;
      for (const topic of TOPICS) {
        // All lines of a heading in one document: a document takes long to check. Intents never share an id.
        let document = documentOf(here.project);
        let count = here.level.rules.length;
        for (const intent of intentsFor(here, topic)) {
          const now = levelHere(projectOf(document), 1)!;
          document = applyPatch(document, sayIntent(now, intent).patch);
          const added = levelHere(projectOf(document), 1)!.level.rules.slice(count);
          expect([intent.say, added.length]).toEqual([intent.say, intent.rules.length]);
          if (added[0]) expect(topicOf(added[0])).toBe(topic);
          count += added.length;
        }
        const whole = importProject(document);
        expect(whole.ok ? [] : whole.problems.filter(({ message }) => !/At most \d+/.test(message))).toEqual([]);
      }
    },
  );

  it('replaces the level’s own ways to win in one edit, and keeps its other rules', () => {
    const project = only(1);
    const here = levelHere(project, 1)!;
    const survive = intentsFor(here, 'won').find(({ say }) => say.startsWith('Survive'))!;
    const beside = levelHere(done(project, sayIntent(here, survive)), 1)!;
    expect(ownWaysToWin(beside).map(({ id }) => id)).toEqual(ownWaysToWin(here).map(({ id }) => id));
    const reach = intentsFor(beside, 'won').find(({ say }) => say.startsWith('Reach'))!;
    const after = levelHere(done(beside.project, sayIntent(beside, reach, true)), 1)!;
    expect(ownWaysToWin(after)).toHaveLength(1);
    expect(after.level.clock.atExpiry).toBe('lose');
    const others = (of: typeof here) => of.level.rules.flatMap((rule) => (topicOf(rule) === 'won' ? [] : [rule.id]));
    expect(others(after)).toEqual(others(here));
    const timed = levelHere(done(after.project, sayIntent(after, survive, true)), 1)!;
    expect(ownWaysToWin(timed)).toEqual([]);
    expect(timed.level.clock.atExpiry).toBe('win');
  });

  it('has no line twice under one heading', () => {
    const here = levelHere(homeBeforeDusk(), 24)!;
    for (const topic of TOPICS) {
      const lines = intentsFor(here, topic).map((intent) => intent.say);
      expect(new Set(lines).size).toBe(lines.length);
    }
  });

  it('is something even where there is next to nothing', () => {
    const project = emptyProject('Quiet Garden');
    project.levels = { first: newLevel(project, 'first', 'First') };
    project.slots = [{ id: 'slot-1', levelId: 'first' }];
    const here = levelHere(project, 1)!;
    for (const topic of TOPICS) {
      const intents = intentsFor(here, topic);
      expect(intents.length).toBeGreaterThan(5);
      for (const intent of intents) done(project, sayIntent(here, intent));
    }
  });

  it('names only what the level has', () => {
    const lines = intentsFor(levelHere(homeBeforeDusk(), 1)!, 'milestone').map((intent) => intent.say);
    expect(lines.some((line) => line.includes('gate'))).toBe(false);
    expect(lines).toContain('At half of the nectar, change “Hornet speed”');
  });
});

describe('the rules a level shows', () => {
  it('are the standing ones, replaced or off as they are here, then its own', () => {
    const project = homeBeforeDusk();
    const shown = (slot: string) => shownRules(project, project.levels[slot]!);
    expect(shown('clover-steps').map(({ rule }) => rule.id)).toEqual([
      'out-of-lives',
      'hornet-touch',
      'wasp-touch',
      'worn-out',
      'won',
    ]);
    expect(shown('long-shadows').find(({ rule }) => rule.id === 'wasp-touch')?.state).toBe('off here');
    const robbed = shown('garden-walls').find(({ insteadOf }) => insteadOf?.id === 'hornet-touch');
    expect([robbed?.rule.id, robbed?.standing]).toEqual(['hornet-robs', false]);
    expect(shown('home-before-dusk').find(({ rule }) => rule.id === 'too-far')?.state).toBe('off');
  });
});

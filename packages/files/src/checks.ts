import {
  checkExpectation,
  findingsOf,
  leftBecause,
  type Finding,
  type KnownForecast,
} from '@stadion/core/authoring/findings';
import { HandOff, handOffOf } from '@stadion/core/exchange/formats';
import { projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { create } from 'xmlbuilder2';

/** One thing that was checked, and what is wrong with it, if anything. */
export interface Check {
  /** Its group: a level, or the whole. */
  group: string;
  name: string;
  /** Does it fail the whole? */
  fails: boolean;
  /** Empty where all is well. */
  said: string;
}

const levelName = (project: Project, slotId: string): string => {
  const position = project.slots.findIndex(({ id }) => id === slotId) + 1;
  const name = project.levels[project.slots[position - 1]?.levelId ?? '']?.name;
  return position === 0 || name === undefined ? project.name : `${position} ${name}`;
};

/** Forecasts of clear rates that are expected, by the id of the expectation. */
export type KnownForecasts = ReadonlyMap<string, KnownForecast>;

/** Every finding, every level without one, and every expectation. @param forecasts as far as they are known */
export function checksOf(
  project: Project,
  forecasts: KnownForecasts = new Map(),
  findings: readonly Finding[] = findingsOf(project),
): Check[] {
  const found = findings.map((finding) => {
    const why = leftBecause(project, finding);
    return {
      group: levelName(project, finding.slotId),
      name: finding.code,
      fails: finding.severity === 'stops play' && why === undefined,
      said: `${finding.severity}: ${finding.sentence} ${finding.reason}${why === undefined ? '' : ` Left so: ${why}`}`.trim(),
    };
  });
  const clean = project.slots.flatMap(({ id }) =>
    findings.some(({ slotId }) => slotId === id)
      ? []
      : [{ group: levelName(project, id), name: 'no finding', fails: false, said: '' }],
  );
  const expected = project.expectations.map((expectation) => {
    const { met, said } = checkExpectation(project, expectation, forecasts.get(expectation.id));
    return {
      group: levelName(project, expectation.slotId),
      name: `expectation ${expectation.id}`,
      fails: met === false,
      said: met === true ? '' : said,
    };
  });
  return [...found, ...clean, ...expected];
}

/** The checks that fail, one sentence each. */
export const failing = (checks: readonly Check[]): string[] =>
  checks.flatMap(({ fails, group, said }) => (fails ? [`${group}: ${said}`] : []));

/** Reasons against handing a project over, one sentence each. */
export function failuresOf(document: ProjectDocument, forecasts: KnownForecasts = new Map()): string[] {
  const project = projectOf(document);
  const shape = HandOff.safeParse(handOffOf(project));
  return [
    ...failing(checksOf(project, forecasts)),
    ...(shape.success ? [] : [`The hand-off is not as its schema says: ${shape.error.issues[0]?.message ?? ''}`]),
  ];
}

/** The text without characters that XML cannot hold. */
const xmlText = (text: string): string => text.replaceAll(/[^\P{Cc}\n\t]|\p{Cs}/gu, '');

/** Checks as JUnit XML: one suite a group, one case a check; a check that passes with a remark writes it as output. */
export function junitFile(project: Project, checks: readonly Check[]): string {
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('testsuites', {
    name: xmlText(project.name),
    tests: checks.length,
    failures: checks.filter(({ fails }) => fails).length,
    errors: 0,
  });
  for (const group of new Set(checks.map((check) => check.group))) {
    const list = checks.filter((check) => check.group === group);
    const failures = list.filter(({ fails }) => fails).length;
    const suite = root.ele('testsuite', {
      name: xmlText(group),
      tests: list.length,
      failures,
      errors: 0,
      skipped: 0,
      time: 0,
    });
    for (const { name, fails, said: all } of list) {
      const said = xmlText(all);
      const testcase = suite.ele('testcase', { name, classname: xmlText(group), time: 0 });
      if (fails) testcase.ele('failure', { message: said, type: name }).txt(said);
      else if (said !== '') testcase.ele('system-out').txt(said);
    }
  }
  return `${root.end({ prettyPrint: true })}\n`;
}

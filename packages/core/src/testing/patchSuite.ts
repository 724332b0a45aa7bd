import { alike, applyWithInverse, type PatchOperation } from '../basics/patch/index.ts';

/** One test of the JSON Patch test suite. */
export interface PatchSuiteTest {
  comment?: string;
  doc: unknown;
  patch: unknown[];
  expected?: unknown;
  error?: string;
  disabled?: boolean;
}

/** Cases that differ from the suite or are not undone by their inverse; empty where all is right. */
export function patchSuiteFailures(tests: readonly PatchSuiteTest[]): string[] {
  return tests.flatMap((test) => {
    if (test.disabled) return [];
    const say = (what: string): string[] => [`${test.comment ?? JSON.stringify(test.patch)}: ${what}`];
    try {
      const { document, inverse } = applyWithInverse(test.doc, test.patch as PatchOperation[]);
      if (test.error !== undefined) return say(`accepted, though ${test.error}`);
      if (test.expected !== undefined && !alike(document, test.expected)) return say(JSON.stringify(document));
      return alike(applyWithInverse(document, inverse).document, test.doc) ? [] : say('not taken back');
    } catch (error) {
      return test.error === undefined ? say(String(error)) : [];
    }
  });
}

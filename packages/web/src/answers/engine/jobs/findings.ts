import {
  withoutEchoes,
  checkExpectation,
  evidenceIn,
  FindingBook,
  type AttemptsSeen,
  type ExpectationCheck,
  type Finding,
} from '@stadion/core/authoring/findings';
import { projectOf, type ProjectDocument } from '@stadion/core/document/model';
import { applyPatch, type PatchOperation } from '@stadion/core/basics/patch';
import type { Job, Work } from '../answering.ts';

/** The changes since the last question. */
export interface FindingsQuestion {
  /** Leads from the document of the last question to the present one; from an empty one at the beginning. */
  patch: PatchOperation[];
  anew: boolean;
  /** Id of the slot that is looked at: what has to be played is played there first. */
  slotId: string;
  /** Forecasts that have come, by pacer and slot; null for what no longer holds. */
  forecasts: [pacer: string, slotId: string, forecast: AttemptsSeen | null][];
}

export interface FindingsAnswer {
  findings: Finding[];
  /** Expected verdicts, held to the judge. */
  verdicts: ExpectationCheck[];
}

const NOTHING = {} as ProjectDocument;
let document = NOTHING;
let book = new FindingBook();
const known = new Map<string, Map<string, AttemptsSeen>>();

function learn(forecasts: FindingsQuestion['forecasts']): void {
  for (const [pacer, slotId, forecast] of forecasts) {
    const slots = known.get(pacer) ?? new Map<string, AttemptsSeen>();
    known.set(pacer, slots);
    if (forecast) slots.set(slotId, forecast);
    else slots.delete(slotId);
  }
}

/** Time that it plays before it lets a later question in, ms. */
const AT_ONCE_MS = 20;

function begin({ anew, patch, forecasts, slotId }: FindingsQuestion): Work<FindingsAnswer> {
  if (anew) {
    document = NOTHING;
    book = new FindingBook();
    known.clear();
  }
  // Parts that the patch does not touch stay the same objects, so they are not checked again.
  document = applyPatch(document, patch);
  learn(forecasts);
  const project = projectOf(document);
  const verdicts = project.expectations.flatMap((expectation) =>
    expectation.is === 'verdict' ? [checkExpectation(project, expectation, undefined)] : [],
  );
  let begun = false;
  return {
    step() {
      const end = performance.now() + AT_ONCE_MS;
      if (!begun) book.begin(project, slotId);
      begun = true;
      while (performance.now() < end) if (!book.goOn()) return false;
      return true;
    },
    read() {
      const found = book.findings();
      return {
        findings: [...found, ...withoutEchoes(found, evidenceIn(project, known, book.checked))],
        verdicts,
      };
    },
  };
}

/** Everything found in a project. Findings that need no play come at once; the others stay as they were until they are checked again. */
export const findings: Job<FindingsQuestion, FindingsAnswer> = { everyMs: 250, firstMs: 0, begin };

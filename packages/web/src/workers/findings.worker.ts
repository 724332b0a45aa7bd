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
import { answering, type Work } from './answering.ts';

/** The changes since the last request. */
export interface FindingsRequest {
  id: number;
  /** Leads from the document of the last request to the present one; from an empty one at the beginning. */
  patch: PatchOperation[];
  anew: boolean;
  /** Id of the slot that is looked at: what has to be played is played there first. */
  slotId: string;
  /** Forecasts that have come, by pacer and slot; null for what no longer holds. */
  forecasts: [pacer: string, slotId: string, forecast: AttemptsSeen | null][];
}

export interface FindingsAnswer {
  id: number;
  /** All is looked at; before, what has to be played stands as it was found last. */
  done: boolean;
  findings: Finding[];
  /** Expected verdicts, held to the judge. */
  verdicts: ExpectationCheck[];
}

const NOTHING = {} as ProjectDocument;
let document = NOTHING;
let book = new FindingBook();
const known = new Map<string, Map<string, AttemptsSeen>>();

function learn(forecasts: FindingsRequest['forecasts']): void {
  for (const [pacer, slotId, forecast] of forecasts) {
    const slots = known.get(pacer) ?? new Map<string, AttemptsSeen>();
    known.set(pacer, slots);
    if (forecast) slots.set(slotId, forecast);
    else slots.delete(slotId);
  }
}

/** So long it plays before it lets a later question in. */
const AT_ONCE_MS = 20;
/** Interval of the answers, ms. Findings that need no play come at once. */
const ANSWER_EVERY_MS = 250;

function begin({ anew, patch, forecasts, slotId }: FindingsRequest): Work<Omit<FindingsAnswer, 'id' | 'done'>> {
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
      const findings = book.findings();
      return {
        findings: [...findings, ...withoutEchoes(findings, evidenceIn(project, known, book.checked))],
        verdicts,
      };
    },
  };
}

answering(begin, ANSWER_EVERY_MS, 0);

import {
  besides,
  checkExpectation,
  evidenceIn,
  FindingBook,
  type AttemptsSeen,
  type ExpectationCheck,
  type Finding,
} from '@stadion/core/findings';
import { projectOf, type ProjectDocument } from '@stadion/core/model';
import { applyPatch, type PatchOperation } from '@stadion/core/patch';

/** What has changed since the last request. */
export interface FindingsRequest {
  id: number;
  /** Leads from the document before to the one of now; from an empty one where it begins anew. */
  patch: PatchOperation[];
  anew: boolean;
  /** Forecasts that have come, by pacer and slot; null for what no longer holds. */
  forecasts: [pacer: string, slotId: string, forecast: AttemptsSeen | null][];
}

export interface FindingsAnswer {
  id: number;
  done: true;
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

self.addEventListener('message', ({ data }: MessageEvent<FindingsRequest>) => {
  if (data.anew) {
    document = NOTHING;
    book = new FindingBook();
    known.clear();
  }
  // What the patch does not touch stays the same object: it is not looked at again.
  document = applyPatch(document, data.patch);
  learn(data.forecasts);
  const project = projectOf(document);
  const verdicts = project.expectations.flatMap((expectation) =>
    expectation.is === 'verdict' ? [checkExpectation(project, expectation, undefined)] : [],
  );
  const findings = book.of(project);
  const answer: FindingsAnswer = {
    id: data.id,
    done: true,
    findings: [...findings, ...besides(findings, evidenceIn(project, known, book.checked))],
    verdicts,
  };
  self.postMessage(answer);
});

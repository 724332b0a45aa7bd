import {
  checkExpectation,
  evidenceIn,
  FindingBook,
  withChanges,
  type AttemptsSeen,
  type DocumentChanges,
  type ExpectationCheck,
  type Finding,
} from '@stadion/core/findings';
import { projectOf, type ProjectDocument } from '@stadion/core/model';

/** What has changed since the last request. */
export interface FindingsRequest {
  id: number;
  /** Undefined for a document that has nothing to do with the one before. */
  changes: DocumentChanges;
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

let document: ProjectDocument | undefined;
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
    document = undefined;
    book = new FindingBook();
    known.clear();
  }
  document = withChanges(document, data.changes);
  learn(data.forecasts);
  const project = projectOf(document);
  const verdicts = project.expectations.flatMap((expectation) =>
    expectation.is === 'verdict' ? [checkExpectation(project, expectation, undefined)] : [],
  );
  const answer: FindingsAnswer = {
    id: data.id,
    done: true,
    findings: [...book.of(project), ...evidenceIn(project, known)],
    verdicts,
  };
  self.postMessage(answer);
});

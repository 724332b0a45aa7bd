import type { Check } from '../finding.ts';
import type { Scope } from '../scopes.ts';
import { alreadyTrue } from './alreadyTrue.ts';
import { expectationNotMet } from './expectationNotMet.ts';
import { formulaCycle } from './formulaCycle.ts';
import { formulaWrong } from './formulaError.ts';
import { starUnreachable } from './starUnreachable.ts';
import { tightGap } from './tightGap.ts';
import { targetBeyondPlaced } from './targetBeyondPlaced.ts';

/** Every check. At one slot findings come in this order. */
export const CHECKS = [
  alreadyTrue,
  targetBeyondPlaced,
  starUnreachable,
  formulaWrong,
  formulaCycle,
  expectationNotMet,
  tightGap,
] as unknown as readonly Check<Scope>[];

export { AddRule } from './AddRule.tsx';
export { AmountChip } from './AmountChip.tsx';
export { ConditionSentence } from './ConditionSentence.tsx';
export { conditionOn, readingChoices, readingsHere } from './conditions.ts';
export { CaseTable } from './EdgeTable.tsx';
export { verdictInWords, valueInWords, type EdgeRow } from './edgeWords.ts';
export { NoteOf } from './NoteOf.tsx';
export { RuleSentence } from './RuleSentence.tsx';
export { shownRules, topicOf, type ShownRule, type Topic } from './ruleTopics.ts';

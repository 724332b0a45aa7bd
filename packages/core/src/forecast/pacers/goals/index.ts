export { emptyNeeds, needsToOpenTheWay, pendingNeeds, type Needs } from './goals.ts';

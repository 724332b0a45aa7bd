export { PatchMisfit, type PatchOperation } from './operation.ts';
export { applyPatch, applyWithInverse, invert } from './apply.ts';
export { patchesConflict, touchedPaths } from './conflicts.ts';
export { patchBetween } from './between.ts';
export { alike } from './alike.ts';

export * from './garden.ts';
export { finalHashes } from './finalHashes.ts';
export { patchSuiteFailures, type PatchSuiteTest } from './patchSuite.ts';
export { after } from './after.ts';
export { kindHashes } from './kindHashes.ts';
export { withStandingHazards } from './standingHazards.ts';
export { cornersOf } from './corners.ts';
export { Dice, mistakenProject, PLANTS, soundProject } from './randomProjects.ts';
export { groupOf, hiveBout, hiveBouts } from './hiveBouts.ts';

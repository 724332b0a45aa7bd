export { JUMP, run, RUN_ON, SLIDE, USUAL_RUN } from './run.ts';
export { tierAt } from './sections.ts';
export type { RunMotion, RunOwn } from './state.ts';

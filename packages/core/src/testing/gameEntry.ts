/** Code that a game bundles to judge by the same rules and ramps: bundled by the tests, to see what comes with it. */
export { readyRampValue } from '../document/ramps/index.ts';
export { judgeTick, liveRampAt, makeJudge, starsFor, startVerdicts } from '../play/rules/index.ts';

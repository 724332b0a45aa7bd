export { drawGround } from './ground.ts';
export { homeBeforeDusk } from './homeBeforeDusk.ts';
export { manyLevels } from './manyLevels.ts';
export { eachTime, gathered, group, home, lost, nectarAtLeast, needed, on, once, won } from './rules.ts';

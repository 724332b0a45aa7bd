export { drawGround } from './ground.ts';
export { homeBeforeDusk } from './homeBeforeDusk.ts';
export { manyLevels } from './manyLevels.ts';

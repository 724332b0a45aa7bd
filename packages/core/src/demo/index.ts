export { homeBeforeDusk } from './homeBeforeDusk.ts';
export { manyLevels } from './manyLevels.ts';

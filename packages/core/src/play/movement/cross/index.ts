export { cross, STEPS, USUAL_CROSS, type CrossMotion, type CrossOwn } from './cross.ts';

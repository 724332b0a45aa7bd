export { headingInput, roam, type RoamMotion, type RoamOwn } from './roam.ts';

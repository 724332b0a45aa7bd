export type { RoamMemory } from './decide.ts';
export { roamDriver } from './driver.ts';

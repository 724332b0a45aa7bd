export type { RoamMemory } from './memory.ts';
export { roamDriver } from './driver.ts';

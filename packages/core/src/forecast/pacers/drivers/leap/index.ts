export { leapDriver } from './driver.ts';

export { roamDriver } from './driver.ts';

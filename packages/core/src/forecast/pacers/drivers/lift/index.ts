export { liftDriver } from './driver.ts';

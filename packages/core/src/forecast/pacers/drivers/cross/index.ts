export { crossDriver } from './driver.ts';

export { runDriver } from './driver.ts';

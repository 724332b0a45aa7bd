export { counted } from './counted.ts';

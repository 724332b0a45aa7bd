export { changesBetween, type Change } from './changesBetween.ts';

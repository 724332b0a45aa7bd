export { changesBetween, type Change, type ChangeOperation } from './changesBetween.ts';

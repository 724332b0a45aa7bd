export { letGoOldest } from './letGoOldest.ts';
export { remembered } from './remembered.ts';

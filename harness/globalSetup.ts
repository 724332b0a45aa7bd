export { startShared as default } from './shared.ts';

export { stopShared as default } from './shared.ts';

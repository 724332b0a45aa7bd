export * from './garden.ts';
export { finalHashes } from './finalHashes.ts';

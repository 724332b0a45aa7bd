export * from './garden.ts';

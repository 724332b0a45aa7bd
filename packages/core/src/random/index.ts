export { drawAt } from './drawAt.ts';
export { makeStream, type Stream } from './stream.ts';
export { mix, mixFloat } from './mix.ts';

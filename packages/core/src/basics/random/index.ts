export { drawAt } from './drawAt.ts';
export { makeStream, type Stream } from './stream.ts';
export { mix, mixFloat, mixText } from './mix.ts';

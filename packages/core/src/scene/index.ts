export type { Figure, Mark, Places, Tone } from '../attempt/index.ts';
export { sceneOf, sceneOfAttempt } from './scene.ts';
export { placesOf, remember } from './places.ts';
export { happeningInWords } from './happeningWords.ts';

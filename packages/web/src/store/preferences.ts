import { keepText, keptText } from './browserKeeps.ts';

const ALL_ACTS = 'stadion-all-acts';

/** Does the person who uses this browser want acts in sight at all times? */
export const prefersAllActs = (): boolean => keptText(ALL_ACTS) === 'yes';
export const preferAllActs = (all: boolean): boolean => keepText(ALL_ACTS, all ? 'yes' : 'no');

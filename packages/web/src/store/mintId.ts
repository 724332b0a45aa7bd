import { freshId, slugOf, type MintId } from '@stadion/core/document/model';
import { customAlphabet } from 'nanoid';

const ending = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 4);

/** An id that no one else makes at the same time: two people who add something at once add two things. @example 'new-level-x3f9' */
export const mintId: MintId = (wanted, taken) => freshId(`${slugOf(wanted)}-${ending()}`, taken);

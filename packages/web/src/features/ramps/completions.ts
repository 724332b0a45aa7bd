import type { Parameter } from '@stadion/core/document/model';
import { FUNCTIONS, OWN_NAMES, READING_NAME } from '@stadion/core/document/ramps';

/** A word that can stand in a formula, and what it is. */
export interface Completion {
  word: string;
  /** The inserted text; the caret then stands behind it. */
  insert: string;
  does: string;
}

/** Every word that can stand in a formula of a project: names, then parameters, then functions. */
export function wordsFor(parameters: readonly Parameter[], own: Parameter): Completion[] {
  return [
    ...Object.entries(OWN_NAMES).map(([word, does]) => ({ word, insert: word, does })),
    ...(own.ramp.axis === undefined
      ? []
      : [{ word: READING_NAME, insert: READING_NAME, does: 'what this ramp goes along' }]),
    ...parameters
      .filter(({ key }) => key !== own.key && /^[a-z_]\w*$/i.test(key))
      .map(({ key, label, unit }) => ({ word: key, insert: key, does: unit === '' ? label : `${label}, ${unit}` })),
    { word: 'if', insert: 'if(', does: 'if(condition, then, otherwise)' },
    ...FUNCTIONS.map(({ name, takes, does, many }) => ({
      word: name,
      insert: `${name}(`,
      does: `${name}(${takes.join(', ')}${many ? ', …' : ''}): ${does}`,
    })),
  ];
}

/** The word being typed before a caret, from where. */
export function wordBefore(text: string, caret: number): { word: string; from: number } {
  const word = /[a-z_]\w*$/i.exec(text.slice(0, caret))?.[0] ?? '';
  return { word, from: caret - word.length };
}

const MOST = 7;

/** The words that what is being typed may become; none once it is whole. */
export function completionsOf(text: string, caret: number, words: readonly Completion[]): Completion[] {
  const { word } = wordBefore(text, caret);
  if (word === '') return [];
  const typed = word.toLowerCase();
  const begins = words.filter((entry) => entry.word.toLowerCase().startsWith(typed));
  const holds = words.filter((entry) => !begins.includes(entry) && entry.word.toLowerCase().includes(typed));
  const all = [...begins, ...holds].slice(0, MOST);
  return all.length === 1 && all[0]?.word === word && all[0].insert === word ? [] : all;
}

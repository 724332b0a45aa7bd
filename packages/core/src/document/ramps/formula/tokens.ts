import { Unreadable } from './unreadable.ts';

/** A piece of a formula's text and where it begins. */
export type Token =
  | { is: 'number'; text: string; at: number; value: number }
  | { is: 'name'; text: string; at: number }
  | { is: 'sign'; text: string; at: number }
  | { is: 'end'; text: ''; at: number };

const NUMBER = /(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?/y;
const NAME = /[A-Za-z_$][\w$]*/y;
/** Longer ones first, so that <= is not read as < and =. */
const SIGN = /==|!=|<=|>=|&&|\|\||[-+*/%^<>(),=.?!:]/y;
const SPACE = /\s*/y;

/** Common spellings of things that are written otherwise here. */
const OTHERWISE: Readonly<Record<string, string>> = {
  '×': 'To multiply, write *.',
  '·': 'To multiply, write *.',
  '÷': 'To divide, write /.',
  '−': 'For minus, write -.',
  '–': 'For minus, write -.',
  '"': 'Only numbers and names stand in a formula.',
  "'": 'Only numbers and names stand in a formula.',
  '“': 'Only numbers and names stand in a formula.',
  '²': 'To square, write ^ 2.',
  '≤': 'To compare, write <=.',
  '≥': 'To compare, write >=.',
  '≠': 'To compare, write !=.',
};

/** Takes a formula's text apart. @throws Unreadable at what is no part of the language */
export function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  const match = (pattern: RegExp, at: number): string | undefined => {
    pattern.lastIndex = at;
    return pattern.exec(text)?.[0];
  };
  for (let at = match(SPACE, 0)?.length ?? 0; at < text.length; at += match(SPACE, at)?.length ?? 0) {
    const number = match(NUMBER, at);
    const name = match(NAME, at);
    const found = number ?? name ?? match(SIGN, at);
    if (found === undefined) {
      const sign = String.fromCodePoint(text.codePointAt(at) as number);
      throw new Unreadable(at, sign.length, OTHERWISE[sign] ?? `“${sign}” cannot stand here.`);
    }
    tokens.push(
      number !== undefined
        ? { is: 'number', text: found, at, value: Number(found) }
        : { is: name === undefined ? 'sign' : 'name', text: found, at },
    );
    at += found.length;
  }
  return [...tokens, { is: 'end', text: '', at: text.length }];
}

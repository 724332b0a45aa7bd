/** Why a text cannot be a name, or undefined. @param what needs it @param most characters */
export function nameRefused(text: string, what = 'This', most = 80): string | undefined {
  if (text === '') return `${what} needs a name.`;
  return text.length > most ? `A name has at most ${most} characters.` : undefined;
}

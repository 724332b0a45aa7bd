// Lint rules of our own.
import plainEnglish from './plainEnglish.mjs';
import sameEverywhere from './sameEverywhere.mjs';

export default {
  meta: { name: 'stadion' },
  rules: { 'plain-english': plainEnglish, 'same-everywhere': sameEverywhere },
};

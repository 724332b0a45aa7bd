// A lint rule: comments and names of tests are written in plain English. CONTRIBUTING.md, How it reads.

const HABITS = [
  [/\bso (many|often|far)\b/i, 'say the number, the limit, or “until now”'],
  [/\b(is|are|was|were) told\b|\btold (again|once|by|of)\b/i, 'say reported, sent or shown'],
  [/\bcomes? of (it|them)\b|\bcame of\b/i, 'say result'],
  [/\banew\b|\blets? go of\b|\bmanieth\b/i, 'say again, or releases'],
];
const FIRST_WORD = [
  /^(What|Who|Of|By|So many|As far as|Where nobody|Where nothing)\b/,
  'begin with a noun or with a verb in the third person',
];
const TESTS = new Set(['describe', 'it', 'test']);

/** Returns the text of a comment as one line, without its stars. */
const said = (text) =>
  text
    .replace(/\s*\n\s*\*?\s*/g, ' ')
    .replace(/^\*/, '')
    .trim();

export default {
  meta: { type: 'suggestion', schema: [] },
  create: (context) => {
    const check = (node, text, habits) => {
      const habit = habits.find(([pattern]) => pattern.test(text));
      if (habit) context.report({ node, message: `Plain English: ${habit[1]}.` });
    };
    return {
      Program() {
        for (const comment of context.sourceCode.getAllComments())
          check(comment, said(comment.value), [FIRST_WORD, ...HABITS]);
      },
      CallExpression({ callee, arguments: [name] }) {
        const caller = callee.type === 'CallExpression' ? callee.callee.object : callee;
        if (TESTS.has(caller?.name) && name?.type === 'Literal') check(name, String(name.value), HABITS);
      },
    };
  },
};

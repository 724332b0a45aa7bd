// A lint rule for the core: an attempt is the same, bit for bit, in every engine, at every time, with no randomness of its own.

const ROUNDED = new Set(['sin', 'cos', 'tan', 'exp', 'log', 'log2', 'log10', 'pow', 'hypot', 'atan2', 'cbrt']);
const BITS = 'Not equal bit for bit in every engine: use + - * / and sqrt.';
const TIME = 'Time is an argument.';

/** Returns what is wrong with reading this property, or nothing. */
const wrongWith = (object, property) => {
  if (object === 'Math' && property === 'random') return 'Randomness is an argument.';
  if (object === 'Math' && ROUNDED.has(property)) return BITS;
  return object === 'Date' && property === 'now' ? TIME : undefined;
};

export default {
  meta: { type: 'problem', schema: [] },
  create: (context) => {
    const report = (node, message) => message && context.report({ node, message });
    return {
      MemberExpression: (node) => report(node, wrongWith(node.object.name, node.property.name ?? node.property.value)),
      NewExpression: (node) => report(node, node.callee.name === 'Date' && TIME),
      BinaryExpression: (node) => report(node, node.operator === '**' && BITS),
    };
  },
};

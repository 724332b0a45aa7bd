import type { Node } from './types.ts';

/** A node as one would write it. */
export function written(node: Node): string {
  switch (node.is) {
    case 'number':
      return String(node.value);
    case 'name':
      return node.name;
    case 'statistic':
      return `${node.of}(${node.name})`;
    case 'minus':
      return `-${bracketed(node.of)}`;
    case 'operation':
      return `${bracketed(node.left)} ${node.operation} ${bracketed(node.right)}`;
    case 'if':
      return `if(${[node.condition, node.then, node.otherwise].map(written).join(', ')})`;
    case 'call':
      return `${node.name}(${node.of.map(written).join(', ')})`;
  }
}

const TIGHT = new Set(['*', '/', '%', '^']);
/** Brackets only where the order could be mistaken. */
const bracketed = (node: Node): string =>
  node.is === 'operation' && !TIGHT.has(node.operation) ? `(${written(node)})` : written(node);

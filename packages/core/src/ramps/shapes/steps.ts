import type { ShapeDefinition } from './types.ts';

/** from + add × ⌊max(0, n − startingAt) / every⌋ */
export const steps: ShapeDefinition<'steps'> = {
  type: 'steps',
  label: 'Steps',
  fields: [
    { name: 'from', before: 'starting at', measure: 'value' },
    { name: 'add', before: 'adding', measure: 'value' },
    { name: 'every', before: 'every', after: 'levels', measure: 'levels' },
    { name: 'startingAt', before: 'from level', measure: 'position' },
  ],
  handles: () => [
    {
      name: 'from',
      label: 'Start',
      at: (shape) => ({ position: shape.startingAt, value: shape.from }),
      moveTo: (shape, position, value) => ({ ...shape, from: value, startingAt: Math.max(1, Math.round(position)) }),
    },
    {
      name: 'add',
      label: 'First step',
      at: (shape) => ({ position: shape.startingAt + shape.every, value: shape.from + shape.add }),
      moveTo: (shape, position, value) => ({
        ...shape,
        add: value - shape.from,
        every: Math.max(1, Math.round(position) - shape.startingAt),
      }),
    },
  ],
  valueAt: (shape, position) =>
    shape.from + shape.add * Math.floor(Math.max(0, position - shape.startingAt) / shape.every),
  fromValues: (values) => {
    const first = values[0] as number;
    const steps = values.length - 1;
    const add = steps > 0 ? ((values[steps] as number) - first) / steps : 0;
    return { type: 'steps', from: first, add, every: 1, startingAt: 1 };
  },
  inWords: (shape, say) =>
    `from ${say(shape.from)}, ${shape.add < 0 ? '−' : '+'}${say(Math.abs(shape.add))} every ${shape.every === 1 ? 'level' : `${shape.every} levels`}${shape.startingAt > 1 ? ` from level ${shape.startingAt}` : ''}`,
};

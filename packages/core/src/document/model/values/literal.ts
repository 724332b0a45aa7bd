import type { Amount, ParameterAmount } from '../schema/amount.ts';

export const literal = (value: number): Amount & { from: 'number' } => ({ from: 'number', value });

export const fromParameter = (parameter: string): ParameterAmount => ({ from: 'parameter', parameter });

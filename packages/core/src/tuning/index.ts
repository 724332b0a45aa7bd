export { moversOf, type Mover, type Movers, type MoverTrials } from './whatMovesIt.ts';

/** A clear rate this far below the wanted one is shown as below it. */
const BELOW_BY = 0.05;

export const isBelow = (clearRate: number, wanted: number | undefined): boolean =>
  wanted !== undefined && clearRate < wanted - BELOW_BY;

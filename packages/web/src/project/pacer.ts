import type { Pacer, Project } from '@stadion/core/model';

/** The pacer whose forecasts are looked at: the chosen one, else the middle one of the project's. */
export const pacerOf = ({ pacers }: Pick<Project, 'pacers'>, chosen: string | null): Pacer =>
  pacers.find(({ id }) => id === chosen) ?? (pacers[Math.floor(pacers.length / 2)] as Pacer);

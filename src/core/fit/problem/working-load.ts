import type { FitInputs } from './inputs';

/** Clothing over the measured mass, kg (common practice). */
export const CLOTHING_KG = 3;

/**
 * What a seat carries: the sitter in working clothes with tools, kg.
 * @param massKg body mass, kg
 * @returns kg. Assumed for clothes.
 */
export const workingLoadKg = ({ work }: Pick<FitInputs, 'work'>, massKg: number): number =>
  massKg + CLOTHING_KG + work.toolsKg;

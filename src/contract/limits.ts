/** Limits that forms and schemas share; by themselves, so that a page can know them without the schemas. */

/** Nobody sits with more, kg. */
export const MOST_TOOLS_KG = 100;

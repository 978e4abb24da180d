/** The version of links to a state; by itself, so that a page can write one without the schema that reads them. */
export const STATE_LINK_VERSION = 1;

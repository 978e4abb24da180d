/** Where the JSON Schemas of files are published; by themselves, so that a page can say it without the schema. */
export const PEOPLE_SCHEMA_PATH = '/api/v1/people.schema.json';
export const SEATS_SCHEMA_PATH = '/api/v1/seats.schema.json';

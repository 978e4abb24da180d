/** Where the JSON Schema of a file of people is published; by itself, so that a page can say it without the schema. */
export const PEOPLE_SCHEMA_PATH = '/api/v1/people.schema.json';

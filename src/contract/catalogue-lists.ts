/** Closed lists of the catalogue; by themselves, so that a page can know them without the schemas. */

/** Records of which every version is kept. */
export const DOCUMENT_KINDS = ['seat', 'place', 'method', 'table'] as const;
export type DocumentKind = (typeof DOCUMENT_KINDS)[number];

/** How far a record has come: only entered, compared with the thing itself by somebody, or not offered any more. */
export const RECORD_STATES = ['draft', 'checked', 'retired'] as const;
export type RecordState = (typeof RECORD_STATES)[number];

export const SEAT_SORTS = ['name', 'class', 'height', 'width', 'load', 'price'] as const;
export type SeatSort = (typeof SEAT_SORTS)[number];

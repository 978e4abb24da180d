/** The version that somebody edited; `any` where they said that whatever stands now will do. */
export type EditedVersion = number | 'any';

/** Returns whether what was edited is what stands now. */
export const isEdited = (edited: EditedVersion, now: number): boolean => edited === 'any' || edited === now;

/** What a reading is taken with. Simulated ones stand in for a device that is not there, and are marked as such. */
export const INSTRUMENTS = {
  tape: { isSimulated: false },
  calliper: { isSimulated: false },
  scale: { isSimulated: false },
  simulatedCalliper: { isSimulated: true },
  simulatedScale: { isSimulated: true },
  recording: { isSimulated: true },
} as const satisfies Record<string, { readonly isSimulated: boolean }>;

export type Instrument = keyof typeof INSTRUMENTS;
export const INSTRUMENT_IDS = Object.keys(INSTRUMENTS) as Instrument[];

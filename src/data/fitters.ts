/** Fitters of the practice, each with the hand that is slid behind the knee. */
import { eq, sql } from 'drizzle-orm';
import type { Fitter, Hand, NewFitter } from '../contract';
import type { Queries } from './client';
import { fitters } from './schema';

export async function listFitters(q: Queries): Promise<Fitter[]> {
  const rows = await q.select().from(fitters).orderBy(fitters.name);
  return rows.map(({ id, name, version, threeFingers, fourFingers }) => ({
    id,
    name,
    version,
    ...(threeFingers === null && fourFingers === null
      ? {}
      : { hand: { threeFingersMm: inMm(threeFingers), fourFingersMm: inMm(fourFingers) } }),
  }));
}

/** Hands are kept in tenths of a millimetre. */
const PER_MM = 10;
const inMm = (tenths: number | null): number | null => (tenths === null ? null : tenths / PER_MM);
const inTenths = (mm: number | null): number | null => (mm === null ? null : Math.round(mm * PER_MM));

export async function updateHand(q: Queries, id: string, hand: Hand): Promise<void> {
  await q
    .update(fitters)
    .set({
      threeFingers: inTenths(hand.threeFingersMm),
      fourFingers: inTenths(hand.fourFingersMm),
      version: sql`${fitters.version} + 1`,
    })
    .where(eq(fitters.id, id));
}

export async function insertFitter(q: Queries, fitter: NewFitter, at: string): Promise<void> {
  await q
    .insert(fitters)
    .values({
      id: fitter.id,
      name: fitter.name,
      threeFingers: inTenths(fitter.hand?.threeFingersMm ?? null),
      fourFingers: inTenths(fitter.hand?.fourFingersMm ?? null),
      createdAt: at,
    })
    .onConflictDoNothing();
}

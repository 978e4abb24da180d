import { readRows } from './read-database';

/** The open demo fitting on the task chair, with its sitter: everything measured, at a desk. */
export async function taskFitting(
  folder: string,
): Promise<{ readonly fittingId: string; readonly sitterId: string }> {
  const [row] = await readRows(
    folder,
    "select f.id, f.sitter_id from fittings f join seat_versions v on v.id = f.seat_version_id where f.state = 'open' and json_extract(v.document, '$.seatClass') = 'task' limit 1",
  );
  return { fittingId: String(row?.id), sitterId: String(row?.sitter_id) };
}

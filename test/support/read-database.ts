import { createClient } from '@libsql/client';
import { fileUrl } from './context';

/** Reads rows straight from a running server's database file, past the program. */
export async function readRows(
  folder: string,
  sql: string,
  args: (string | number)[] = [],
): Promise<Record<string, unknown>[]> {
  const client = createClient({ url: fileUrl(folder), timeout: 5000 });
  try {
    const result = await client.execute({ sql, args });
    return result.rows.map((row) =>
      Object.fromEntries(result.columns.map((column) => [column, row[column]])),
    );
  } finally {
    client.close();
  }
}

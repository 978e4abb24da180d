/**
 * What a measuring device says: one JSON object a line, UTF-8, ended by a line feed. Real devices and their simulated
 * stand-ins speak the same.
 *
 *     {"velto":1,"device":"calliper","simulated":true,"value":445.2,"unit":"mm","settled":true}
 */
import { z } from 'zod';

export const DEVICE_KINDS = ['calliper', 'scale'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** The version of the format that is spoken here. */
export const DEVICE_FORMAT = 1;

export const DeviceMessageSchema = z.object({
  velto: z.literal(DEVICE_FORMAT),
  device: z.enum(DEVICE_KINDS),
  /** Whether the reading is made up. */
  simulated: z.boolean(),
  value: z.number().min(0).max(10_000),
  unit: z.enum(['mm', 'kg']),
  /** A scale that has not come to rest says so; only what has settled is taken. */
  settled: z.boolean(),
});
export type DeviceMessage = z.infer<typeof DeviceMessageSchema>;

export const DEVICE_FAULTS = ['notJson', 'otherVersion', 'notMessage', 'tooLong'] as const;
export type DeviceFault = (typeof DEVICE_FAULTS)[number];

export type Heard =
  | { readonly ok: true; readonly message: DeviceMessage }
  | { readonly ok: false; readonly fault: DeviceFault };

/** A longer line is no message. */
const MOST_CHARACTERS = 500;

/** What a line says. An empty line says nothing and is not handed in. */
export function heard(line: string): Heard {
  if (line.length > MOST_CHARACTERS) return { ok: false, fault: 'tooLong' };
  let raw: unknown;
  try {
    raw = JSON.parse(line);
  } catch {
    return { ok: false, fault: 'notJson' };
  }
  const parsed = DeviceMessageSchema.safeParse(raw);
  if (parsed.success) return { ok: true, message: parsed.data };
  const version = z.object({ velto: z.number() }).safeParse(raw).data?.velto;
  return {
    ok: false,
    fault: version === undefined || version === DEVICE_FORMAT ? 'notMessage' : 'otherVersion',
  };
}

export const lineOf = (message: DeviceMessage): string => JSON.stringify(message);

/** Cuts what comes in into lines, however it is broken up on the way. */
export class Lines {
  private rest = '';

  /** @returns the lines that are whole now, without empty ones */
  push(chunk: string): string[] {
    const parts = (this.rest + chunk).split('\n');
    this.rest = parts.pop() ?? '';
    // Without an end in sight it is not kept forever.
    if (this.rest.length > 2 * MOST_CHARACTERS) this.rest = this.rest.slice(0, MOST_CHARACTERS + 1);
    return parts.map((part) => part.trim()).filter((part) => part !== '');
  }
}

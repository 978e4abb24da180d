import { useCallback, useEffect, useRef, useState } from 'react';
import { DIMENSIONS, DIMENSION_IDS, rangeDoubt, type DimensionId } from '../../core/body';
import {
  formatLength,
  formatLengthNumber,
  formatMass,
  formatMassNumber,
  parseLength,
  parseMass,
  type Parsed,
} from '../../core/units';
import type { SitterDetail } from '../../contract';
import { api, explain } from '../../ui/client';
import type { Saving } from '../../ui/SaveState';
import { word, type Reading } from '../../words';

const RETRY_MS = 4000;

export const unitOf = (dimension: DimensionId, reading: Reading): string =>
  DIMENSIONS[dimension].unit === 'kg' ? reading.mass : reading.length;

/** A stored value as it is typed in this reader's unit. */
export function typed(dimension: DimensionId, value: number, reading: Reading): string {
  return DIMENSIONS[dimension].unit === 'kg'
    ? formatMassNumber(value, reading.mass)
    : formatLengthNumber(value, reading.length);
}

const parse = (dimension: DimensionId, text: string, reading: Reading): Parsed =>
  DIMENSIONS[dimension].unit === 'kg' ? parseMass(text, reading.mass) : parseLength(text, reading.length);

const sayIn = (dimension: DimensionId, value: number, reading: Reading): string =>
  DIMENSIONS[dimension].unit === 'kg' ? formatMass(value, reading.mass) : formatLength(value, reading.length);

/** Why a typed measure was not taken, in words; null where it was, or where nothing is typed. */
export function faultOf(dimension: DimensionId, text: string, reading: Reading): string | null {
  const parsed = parse(dimension, text, reading);
  if (!parsed.ok) {
    if (parsed.reason === 'empty') return null;
    const [first = 0, second = 0] = parsed.readings ?? [];
    return word(`measure.fault.${parsed.reason}`)
      .replace('{first}', sayIn(dimension, first, reading))
      .replace('{second}', sayIn(dimension, second, reading));
  }
  if (!rangeDoubt(dimension, parsed.value)) return null;
  const { lowest, highest } = DIMENSIONS[dimension];
  return word('measure.fault.range')
    .replace('{low}', sayIn(dimension, lowest, reading))
    .replace('{high}', sayIn(dimension, highest, reading));
}

/** The values that an ambiguous entry can mean and a body can have, as they would be typed. */
export function readingsOf(dimension: DimensionId, text: string, reading: Reading): string[] {
  const parsed = parse(dimension, text, reading);
  if (parsed.ok) return [];
  return (parsed.readings ?? [])
    .filter((value) => rangeDoubt(dimension, value) === null)
    .map((value) => typed(dimension, value, reading));
}

type Drafts = Partial<Record<DimensionId, string>>;
const draftKey = (sitterId: string) => `velto-measures-${sitterId}`;

function storedDrafts(sitterId: string): Drafts {
  try {
    return JSON.parse(localStorage.getItem(draftKey(sitterId)) ?? '{}') as Drafts;
  } catch {
    return {};
  }
}

/**
 * The measures of a sitter while they are being typed. What was typed and not (or not yet) taken stays as a draft
 * in this browser; what was taken is sent at once and again until the server has it.
 */
export function useMeasures(sitter: SitterDetail, reading: Reading, onSaved: (sitter: SitterDetail) => void) {
  const [drafts, setDrafts] = useState<Drafts>({});
  const [saving, setSaving] = useState<Saving>({ state: 'saved', at: null });
  const latest = useRef(drafts);
  const busy = useRef(false);
  const sitterId = sitter.id;

  const put = useCallback(
    (next: Drafts) => {
      latest.current = next;
      setDrafts(next);
      localStorage.setItem(draftKey(sitterId), JSON.stringify(next));
    },
    [sitterId],
  );

  useEffect(() => put(storedDrafts(sitterId)), [put, sitterId]);

  /** Sends every draft that can be taken, one after the other. */
  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      for (const dimension of DIMENSION_IDS) {
        const text = latest.current[dimension];
        if (text === undefined || faultOf(dimension, text, reading) !== null) continue;
        setSaving({ state: 'saving' });
        const parsed = parse(dimension, text, reading);
        const saved = await api.takeReading(sitterId, { dimension, value: parsed.ok ? parsed.value : null });
        const { [dimension]: sent, ...rest } = latest.current;
        if (sent === text) put(rest);
        onSaved(saved);
      }
      const open = DIMENSION_IDS.some((d) => latest.current[d] !== undefined);
      setSaving(open ? { state: 'invalid' } : { state: 'saved', at: new Date().toISOString() });
    } catch (error) {
      setSaving({ state: 'failed', why: explain(error) });
      setTimeout(() => void flush(), RETRY_MS);
    } finally {
      busy.current = false;
    }
  }, [onSaved, put, reading, sitterId]);

  const type = useCallback(
    (dimension: DimensionId, text: string) => put({ ...latest.current, [dimension]: text }),
    [put],
  );

  const leave = useCallback(
    (dimension: DimensionId) => {
      if (latest.current[dimension] !== undefined) void flush();
    },
    [flush],
  );

  const textOf = (dimension: DimensionId): string =>
    drafts[dimension] ??
    (sitter.body[dimension] ? typed(dimension, sitter.body[dimension].value, reading) : '');

  return {
    textOf,
    type,
    leave,
    saving,
    /** What an ambiguous draft could mean. */
    readingsOf: (d: DimensionId) => readingsOf(d, drafts[d] ?? '', reading),
    faultOf: (d: DimensionId) => (drafts[d] === undefined ? null : faultOf(d, drafts[d], reading)),
  };
}

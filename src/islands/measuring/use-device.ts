import { useCallback, useEffect, useRef, useState } from 'react';
import { type DimensionId, DIMENSIONS } from '../../core/body';
import type { Instrument } from '../../core/measuring';
import { Lines, heard, openSerial, type DeviceMessage } from '../../devices';
import { sayWith, word } from '../../words';

/** Where readings come from beside the keys. */
export const SOURCES = ['none', 'simulated', 'recording', 'serial'] as const;
export type SourceId = (typeof SOURCES)[number];

function instrumentOf({ device, simulated }: DeviceMessage, isRecorded: boolean): Instrument {
  if (isRecorded) return 'recording';
  if (device === 'scale') return simulated ? 'simulatedScale' : 'scale';
  return simulated ? 'simulatedCalliper' : 'calliper';
}

/**
 * A device that is heard while somebody is measured: what it says that has settled is taken as the next reading.
 * @param dimension what is measured now; null: nothing
 */
export function useDevice(
  dimension: DimensionId | null,
  take: (value: number, instrument: Instrument) => Promise<boolean>,
) {
  const [source, setSource] = useState<SourceId>('none');
  const [saying, setSaying] = useState<DeviceMessage | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const now = useRef({ dimension, take });
  const close = useRef<(() => Promise<void>) | null>(null);
  // Lines are taken one after the other, each for what is measured when its turn comes.
  const tail = useRef<Promise<unknown>>(Promise.resolve());
  useEffect(() => {
    now.current = { dimension, take };
  });
  useEffect(() => () => void close.current?.(), []);

  const hear = useCallback((line: string, isRecorded = false): Promise<void> => {
    const listen = async (): Promise<void> => {
      const said = heard(line);
      if (!said.ok) return setFault(word(`device.fault.${said.fault}`));
      const { message } = said;
      setSaying(message);
      if (!message.settled) return setFault(null);
      // A drawing between two lines: what is measured next has to be known first.
      await new Promise((drawn) => setTimeout(drawn, 0));
      const { dimension: wanted, take: takeNow } = now.current;
      if (!wanted) return setFault(word('device.fault.nothing'));
      if (DIMENSIONS[wanted].unit !== message.unit)
        return setFault(sayWith(`device.fault.${message.unit}`, { name: word(`dimension.${wanted}`) }));
      setFault(null);
      await takeNow(message.value, instrumentOf(message, isRecorded));
    };
    const turn = tail.current.then(listen);
    tail.current = turn.catch(() => undefined);
    return turn;
  }, []);

  const choose = async (next: SourceId): Promise<void> => {
    await close.current?.();
    close.current = null;
    setSaying(null);
    setFault(null);
    setSource(next);
    if (next !== 'serial') return;
    try {
      close.current = await openSerial(navigator, (line) => void hear(line));
      if (!close.current) setSource('none');
    } catch {
      setFault(word('device.fault.port'));
      setSource('none');
    }
  };

  const play = async (file: File): Promise<void> => {
    for (const line of new Lines().push(`${await file.text()}\n`)) await hear(line, true);
  };

  return { source, choose, saying, fault, hear, play };
}

import { FileInput } from '@mantine/core';
/** Devices that send readings: simulated ones, a recording, or a real one on a serial port. */
import { useMemo, useSyncExternalStore } from 'react';
import { DIMENSIONS, type DimensionId } from '../../core/body';
import { calliperPress, hasSerial, scaleSteps, seededRandom } from '../../devices';
import { InlineSelect } from '../../ui/InlineSelect';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayValue, sayWith, word } from '../../words';
import type { TourInHand } from './use-tour';
import { SOURCES, useDevice, type SourceId } from './use-device';
import styles from './measuring.module.css';

const SWING_MS = 160;
const wait = (ms: number) => new Promise((after) => setTimeout(after, ms));

/** A number of its own for each sitter, so that a simulated device says the same again. */
const seedOf = (id: string): number => [...id].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) | 0, 7);

function Simulated({
  tour,
  trueOf,
  hear,
}: {
  readonly tour: TourInHand;
  /** What the body is taken to measure, mm or kg. */
  readonly trueOf: (dimension: DimensionId) => number;
  readonly hear: (line: string) => Promise<void>;
}) {
  const random = useMemo(() => seededRandom(seedOf(tour.sitter.id)), [tour.sitter.id]);
  const now = tour.step?.dimension ?? null;
  const wantsKg = now !== null && DIMENSIONS[now].unit === 'kg';
  const stepOn = async () => {
    for (const line of scaleSteps(trueOf('bodyMass'), random)) {
      await hear(line);
      await wait(SWING_MS);
    }
  };
  return (
    <div className={styles.acts}>
      <button
        type="button"
        className={parts.strongButton}
        disabled={now === null || wantsKg}
        onClick={() => now && void hear(calliperPress(now, trueOf(now), random))}
      >
        {word('device.press')}
      </button>
      <button type="button" className={parts.strongButton} disabled={!wantsKg} onClick={() => void stepOn()}>
        {word('device.stepOn')}
      </button>
    </div>
  );
}

const never = (): (() => void) => () => undefined;

export function Devices({
  tour,
  trueOf,
}: {
  readonly tour: TourInHand;
  readonly trueOf: (dimension: DimensionId) => number;
}) {
  const reading = useReading();
  const device = useDevice(tour.step?.dimension ?? null, tour.take);
  const canSerial = useSyncExternalStore(
    never,
    () => hasSerial(navigator),
    () => false,
  );
  const { saying, source } = device;
  return (
    <section className={styles.device} aria-label={word('device.title')}>
      <InlineSelect
        label={word('device.title')}
        value={source}
        onChange={(e) => void device.choose(e.currentTarget.value as SourceId)}
        data={SOURCES.filter((id) => id !== 'serial' || canSerial).map((id) => ({
          value: id,
          label: word(`device.${id}`),
        }))}
      />
      {source === 'simulated' && (
        <>
          <p role="note">{word('device.simulated.note')}</p>
          <Simulated tour={tour} trueOf={trueOf} hear={device.hear} />
        </>
      )}
      {source === 'recording' && (
        <FileInput
          label={word('device.file')}
          accept=".jsonl,.ndjson,.txt"
          onChange={(file) => {
            if (file) void device.play(file);
          }}
        />
      )}
      {saying && (
        <p role="status">
          {sayWith(saying.settled ? 'device.says' : 'device.swings', {
            value: sayValue(saying.unit === 'kg' ? { kg: saying.value } : { mm: saying.value }, reading),
          })}
        </p>
      )}
      {device.fault && (
        <p role="alert" className={styles.fault}>
          {device.fault}
        </p>
      )}
    </section>
  );
}

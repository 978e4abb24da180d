import '../../words/pages';
import { Button } from '@mantine/core';
import { useState } from 'react';
import type { PlaceSummary, Unreadable } from '../../contract';
import { deskOf, type Place } from '../../core/place';
import { endsOf, isFixed, isStepped, valuesOf } from '../../core/seat';
import { Frame } from '../../ui/Frame';
import { UnreadableNote } from '../../ui/UnreadableNote';
import { useReading, type PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayLength, sayRange, sayWith, word, type Reading } from '../../words';
import { PlaceForm } from './PlaceForm';
import styles from './places.module.css';

function topOf(place: Place, reading: Reading): string {
  const desk = deskOf(place);
  if (!desk) return word('places.desk.none');
  const { lowest, highest } = endsOf(desk.travel);
  if (isFixed(desk)) return `${sayLength(lowest, reading)}, ${word('places.desk.fixed')}`;
  if (isStepped(desk)) {
    return valuesOf(desk)
      .map((v) => sayLength(v, reading))
      .join(' · ');
  }
  return sayRange(sayLength(lowest, reading), sayLength(highest, reading));
}

function PlaceRows({
  places,
  onEdit,
}: {
  readonly places: readonly PlaceSummary[];
  readonly onEdit: (place: PlaceSummary) => void;
}) {
  const reading = useReading();
  return (
    <table className={parts.table}>
      <thead>
        <tr>
          <th scope="col">{word('places.name')}</th>
          <th scope="col">{word('places.task')}</th>
          <th scope="col">{word('places.height')}</th>
          <th scope="col">{word('places.underside')}</th>
          <th scope="col">
            <span className="visually-hidden">{word('places.edit')}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {places.map((summary) => (
          <tr key={summary.place.id}>
            <td>
              <strong>{summary.place.name}</strong>
              {summary.place.notes && <div className={parts.soft}>{summary.place.notes}</div>}
            </td>
            <td>{word(`task.${summary.place.task}`)}</td>
            <td>{topOf(summary.place, reading)}</td>
            <td>
              {deskOf(summary.place) &&
                sayWith('places.below', { by: sayLength(summary.place.deskThicknessMm, reading) })}
            </td>
            <td>
              <button
                type="button"
                className={parts.plainButton}
                onClick={() => onEdit(summary)}
                aria-label={`${word('places.edit')}: ${summary.place.name}`}
              >
                {word('places.edit')}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Places({ initial }: { readonly initial: readonly PlaceSummary[] }) {
  const [places, setPlaces] = useState(initial);
  const [form, setForm] = useState<{ readonly existing: PlaceSummary | null } | null>(null);
  const [saved, setSaved] = useState<string | null>(null);
  const onSaved = (place: PlaceSummary) => {
    const others = places.filter((p) => p.place.id !== place.place.id);
    setPlaces([...others, place].sort((a, b) => a.place.name.localeCompare(b.place.name, 'en')));
    setSaved(sayWith('places.saved', { n: place.version }));
    setForm(null);
  };
  const open = (existing: PlaceSummary | null) => {
    setSaved(null);
    setForm({ existing });
  };
  return (
    <>
      <div className={parts.head}>
        <h1>{word('places.title')}</h1>
        {!form && <Button onClick={() => open(null)}>{word('places.new')}</Button>}
      </div>
      {saved && (
        <p role="status" className={parts.soft}>
          {saved}
        </p>
      )}
      <div className={form ? styles.columns : undefined}>
        {places.length > 0 ? (
          <PlaceRows places={places} onEdit={open} />
        ) : (
          <div className={parts.empty}>
            <p>{word('places.empty')}</p>
          </div>
        )}
        {form && (
          <PlaceForm
            key={form.existing?.place.id ?? 'new'}
            existing={form.existing}
            onSaved={onSaved}
            onCancel={() => setForm(null)}
          />
        )}
      </div>
    </>
  );
}

export default function PlacesPage({
  page,
  places,
  unreadable,
}: {
  readonly page: PageProps;
  readonly places: readonly PlaceSummary[];
  readonly unreadable: readonly Unreadable[];
}) {
  return (
    <Frame page={page} area="places">
      <UnreadableNote records={unreadable} />
      <Places initial={places} />
    </Frame>
  );
}

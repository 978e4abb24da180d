import { Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Sitter } from '../../contract';
import type { Page } from '../../contract/paging';
import { api } from '../../ui/client';
import { useReading } from '../../ui/preferences';
import { sayWith, word } from '../../words';

/** Somebody out of everybody, by words of the name; how many more there are than are shown is said. */
export function PersonPicker({
  first,
  chosen,
  onChoose,
  fault,
}: {
  readonly first: Page<Sitter>;
  readonly chosen: string | null;
  readonly onChoose: (sitterId: string | null) => void;
  readonly fault: string | null;
}) {
  const { locale } = useReading();
  const [typed, setTyped] = useState('');
  const [known, setKnown] = useState<{ value: string; label: string } | null>(null);
  // What stands in the field once somebody is chosen is a name, and not a search.
  const search = typed === known?.label ? '' : typed;
  const found = useQuery({
    queryKey: ['people-picker', search],
    queryFn: () => api.sitters(search),
    ...(search === '' ? { initialData: first } : {}),
    placeholderData: (before) => before,
  });
  const { items, total } = found.data ?? first;
  const people = items.map(({ id, name }) => ({ value: id, label: name }));
  const isKnownListed = known === null || people.some((p) => p.value === known.value);
  const hidden = total - items.length;
  return (
    <Select
      label={word('fittings.for')}
      placeholder={word('fittings.for.hint')}
      description={
        hidden > 0 ? sayWith('fittings.for.more', { n: hidden.toLocaleString(locale) }) : undefined
      }
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      data={isKnownListed ? people : [known, ...people]}
      value={chosen}
      onChange={(value, option) => {
        setKnown(value === null || option === null ? null : { value, label: option.label });
        onChoose(value);
      }}
      searchable
      searchValue={typed}
      onSearchChange={setTyped}
      // The server has searched already, by every word and without accents.
      filter={({ options }) => options}
      nothingFoundMessage={found.isError ? word('fault.load') : word('people.none')}
      error={fault}
      clearable={false}
    />
  );
}

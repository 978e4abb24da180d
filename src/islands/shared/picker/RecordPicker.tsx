import { Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Page } from '../../../contract/paging';
import { useReading } from '../../../ui/preferences';
import { t, word } from '../../../words';

interface Named {
  readonly id: string;
  readonly name: string;
  /** Listed, and not to be chosen. */
  readonly isOff?: boolean;
}

interface Props {
  readonly label: string;
  readonly placeholder: string;
  readonly hint?: string;
  /** Key of the line that says how many more there are; takes `n`. */
  readonly moreKey: string;
  readonly noneFound: string;
  /** Names the list among what is fetched. */
  readonly of: string;
  /** What is shown before anything is typed; null where it has to be fetched. */
  readonly first: Page<Named> | null;
  readonly search: (words: string) => Promise<Page<Named>>;
  readonly chosen: string | null;
  /** The chosen one, where it may be none of those listed. */
  readonly current?: Named | null;
  readonly disabled?: boolean;
  readonly clearable?: boolean;
  readonly onChoose: (id: string | null, name: string) => void;
  readonly fault: string | null;
}

/** One record out of all, by words of its name; how many more there are than are shown is said. */
export function RecordPicker(props: Props) {
  const { of, first, search, chosen, onChoose, current = null } = props;
  const { locale } = useReading();
  const [typed, setTyped] = useState(current?.name ?? '');
  const [known, setKnown] = useState(current && { value: current.id, label: current.name });
  // What stands in the field once somebody is chosen is a name, and not a search.
  const asked = typed === known?.label ? '' : typed;
  const found = useQuery({
    queryKey: [of, asked],
    queryFn: () => search(asked),
    ...(asked === '' && first ? { initialData: first } : {}),
    placeholderData: (before) => before,
  });
  const { items = [], total = 0 } = found.data ?? first ?? {};
  const options = items.map(({ id, name, isOff }) => ({
    value: id,
    label: name,
    disabled: isOff === true && id !== chosen,
  }));
  const isKnownListed = known === null || options.some((o) => o.value === known.value);
  const hidden = total - items.length;
  return (
    <Select
      label={props.label}
      placeholder={props.placeholder}
      description={hidden > 0 ? t(props.moreKey, { n: hidden.toLocaleString(locale) }) : props.hint}
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      data={isKnownListed ? options : [known, ...options]}
      value={chosen}
      onChange={(value, option) => {
        setKnown(value === null || option === null ? null : { value, label: option.label });
        onChoose(value, option?.label ?? '');
      }}
      searchable
      searchValue={typed}
      onSearchChange={setTyped}
      // The server has searched already, by every word and without accents.
      filter={({ options: all }) => all}
      nothingFoundMessage={found.isError ? word('fault.load') : props.noneFound}
      error={props.fault}
      clearable={props.clearable ?? false}
      disabled={props.disabled ?? false}
    />
  );
}

type PersonProps = Pick<Props, 'first' | 'chosen' | 'onChoose' | 'fault' | 'search'> & {
  readonly label: string;
};

/** Somebody out of everybody. */
export const PersonPicker = (props: PersonProps) => (
  <RecordPicker
    {...props}
    of="people-picker"
    placeholder={word('fittings.for.hint')}
    moreKey="fittings.for.more"
    noneFound={word('people.none')}
  />
);

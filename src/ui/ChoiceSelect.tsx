import { NativeSelect, type NativeSelectProps } from '@mantine/core';
import { useRef, useState, type KeyboardEvent } from 'react';
import { word } from '../words';

interface Props extends Omit<NativeSelectProps, 'onChange' | 'onBlur' | 'onKeyDown' | 'value'> {
  readonly value: string;
  /** Keeps the choice; until that is settled, the field shows what was chosen. */
  readonly onTake: (value: string) => Promise<unknown>;
}

/**
 * A choice that is kept as soon as it is made: by pointer at once, by keyboard on Enter or on leaving the field, so
 * that arrow keys go through the list without keeping each entry on the way. Escape goes back.
 */
export function ChoiceSelect({ value, onTake, description, ...rest }: Props) {
  const [wanted, setWanted] = useState<string | null>(null);
  const [isTaking, setTaking] = useState(false);
  const isByKey = useRef(false);
  const take = async (next: string | null) => {
    if (isTaking || next === null) return;
    if (next === value) return setWanted(null);
    setWanted(next);
    setTaking(true);
    try {
      await onTake(next);
    } finally {
      setTaking(false);
      setWanted(null);
    }
  };
  const key = (event: KeyboardEvent) => {
    isByKey.current = true;
    if (event.key === 'Enter' && wanted !== null) {
      // Else the list would open.
      event.preventDefault();
      void take(wanted);
    } else if (event.key === 'Escape' && !isTaking) setWanted(null);
  };
  const isWaiting = wanted !== null && wanted !== value && !isTaking;
  return (
    <NativeSelect
      {...rest}
      value={wanted ?? value}
      aria-busy={isTaking}
      description={isWaiting ? word('choice.enter') : description}
      onPointerDown={() => (isByKey.current = false)}
      onKeyDown={key}
      onChange={(event) => {
        const next = event.currentTarget.value;
        if (isTaking) return;
        if (isByKey.current) setWanted(next);
        else void take(next);
      }}
      onBlur={() => {
        isByKey.current = false;
        void take(wanted);
      }}
    />
  );
}

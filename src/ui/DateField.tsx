import '@mantine/dates/styles.css';
import { ActionIcon, Popover, TextInput, type TextInputProps } from '@mantine/core';
import { DatePicker } from '@mantine/dates';
import { useState } from 'react';
import { sayWith, word } from '../words';
import { useReading } from './preferences';
import { isDate, readDate, writeDate } from './read-date';

interface Props extends Omit<TextInputProps, 'value' | 'onChange' | 'type' | 'label'> {
  readonly label: string;
  /** `YYYY-MM-DD`, empty, or what was typed and is no date. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** The last day that can be picked, `YYYY-MM-DD`. */
  readonly last?: string;
}

/** Shows the reader’s order: no day of it could be a month. */
const EXAMPLE = '1987-12-28';

/** A date, typed in the reader's order or picked from a calendar; what is no date stays as it was typed, and says so. */
export function DateField({ label, value, onChange, last, error, ...rest }: Props) {
  const { locale } = useReading();
  const [typed, setTyped] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(false);
  const date = isDate(value) ? value : null;
  const fault =
    typed === null && value !== '' && date === null
      ? sayWith('date.fault', { example: writeDate(EXAMPLE, locale) })
      : undefined;
  const put = (text: string) => {
    setTyped(text);
    onChange(readDate(text, locale) ?? text);
  };
  return (
    <TextInput
      {...rest}
      label={label}
      value={typed ?? writeDate(value, locale)}
      inputMode="numeric"
      autoComplete="off"
      placeholder={sayWith('date.example', { example: writeDate(EXAMPLE, locale) })}
      onChange={(event) => put(event.currentTarget.value)}
      onBlur={() => setTyped(null)}
      error={fault ?? error}
      rightSectionWidth="var(--touch)"
      rightSection={
        <Popover opened={isOpen} onChange={setOpen} trapFocus returnFocus>
          <Popover.Target>
            <ActionIcon
              variant="subtle"
              size="var(--touch)"
              aria-label={sayWith('date.open', { field: label })}
              onClick={() => setOpen((is) => !is)}
            >
              <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
                <path
                  d="M3 5h14v12H3zM3 9h14M7 3v4M13 3v4"
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="1.5"
                />
              </svg>
            </ActionIcon>
          </Popover.Target>
          <Popover.Dropdown>
            <DatePicker
              value={date}
              {...(date ? { defaultDate: date } : last ? { defaultDate: last } : {})}
              {...(last ? { maxDate: last } : {})}
              hideOutsideDates
              weekendDays={[]}
              ariaLabels={{
                nextMonth: word('date.nextMonth'),
                previousMonth: word('date.previousMonth'),
                nextYear: word('date.nextYear'),
                previousYear: word('date.previousYear'),
                nextDecade: word('date.nextDecade'),
                previousDecade: word('date.previousDecade'),
                monthLevelControl: word('date.toYear'),
                yearLevelControl: word('date.toDecade'),
              }}
              onChange={(picked) => {
                setTyped(null);
                setOpen(false);
                onChange(picked ?? '');
              }}
            />
          </Popover.Dropdown>
        </Popover>
      }
    />
  );
}

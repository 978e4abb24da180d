/** Fields of the form of a seat: what is wrong stands at the field, with what may have been meant to tap. */
import { NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import parts from '../../ui/parts.module.css';
import { sayWith } from '../../words';
import type { FieldFault } from '../../ui/in-unit';
import type { SeatTextFaults } from './read-numbers';
import styles from './seat-form.module.css';

/** What every field needs to know of the form. */
export interface FormState {
  readonly faults: SeatTextFaults;
  /** Whether saving was tried: then what is missing is said as well. */
  readonly hasTried: boolean;
}

export function Fault({
  fault,
  onFix,
}: {
  readonly fault: FieldFault | undefined;
  readonly onFix?: ((meant: string) => void) | undefined;
}): ReactNode {
  if (!fault) return null;
  const { meant } = fault;
  return (
    <>
      {fault.text}
      {meant !== undefined && onFix && (
        <button type="button" className={parts.plainButton} onClick={() => onFix(meant)}>
          {sayWith('seatForm.fix', { meant })}
        </button>
      )}
    </>
  );
}

interface TextFieldProps {
  readonly path: string;
  readonly label: string;
  readonly value: string;
  readonly form: FormState;
  readonly onChange: (text: string) => void;
  readonly unit?: string | undefined;
  readonly placeholder?: string | undefined;
  /** The label is said, not shown: where the place shows it. */
  readonly isLabelHidden?: boolean;
  readonly isText?: boolean;
  readonly isFirst?: boolean;
}

/** A text or number as typed. Enter goes on to the next field. */
export function TextField({
  path,
  label,
  value,
  form,
  onChange,
  unit,
  placeholder,
  isLabelHidden = false,
  isText = false,
  isFirst = false,
}: TextFieldProps) {
  const [hasFocus, setFocus] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  // Only once the page listens: what is typed before would be lost.
  useEffect(() => {
    if (isFirst) field.current?.focus();
  }, [isFirst]);
  const fault = form.faults[path];
  const isShown = fault && (form.hasTried || (!hasFocus && value.trim() !== ''));
  return (
    <TextInput
      ref={field}
      label={isLabelHidden ? undefined : label}
      aria-label={isLabelHidden ? label : undefined}
      value={value}
      data-field={path}
      onChange={(e) => onChange(e.currentTarget.value)}
      onFocus={() => setFocus(true)}
      onBlur={() => setFocus(false)}
      error={isShown ? <Fault fault={fault} onFix={onChange} /> : undefined}
      placeholder={placeholder}
      rightSection={unit ? <span className={parts.soft}>{unit}</span> : undefined}
      inputMode={isText ? 'text' : 'decimal'}
      enterKeyHint="next"
      autoComplete="off"
      maxLength={isText ? 300 : 40}
    />
  );
}

interface ChoiceFieldProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
  readonly isLabelHidden?: boolean;
}

export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  isLabelHidden = false,
}: ChoiceFieldProps<T>) {
  return (
    <NativeSelect
      label={isLabelHidden ? undefined : label}
      aria-label={isLabelHidden ? label : undefined}
      value={value}
      onChange={(e) => onChange(e.currentTarget.value as T)}
      data={options.map(([id, name]) => ({ value: id, label: name }))}
    />
  );
}

/** Takes one of several out again. */
export const RemoveButton = ({
  name,
  onRemove,
}: {
  readonly name: string;
  readonly onRemove: () => void;
}) => (
  <button
    type="button"
    className={styles.remove}
    aria-label={sayWith('seatForm.remove', { name })}
    onClick={onRemove}
  >
    ×
  </button>
);

/** Buttons that are on or off. */
export function Chips<T extends string>({
  label,
  options,
  chosen,
  onToggle,
}: {
  readonly label: string;
  readonly options: readonly (readonly [T, string])[];
  readonly chosen: readonly T[];
  readonly onToggle: (id: T) => void;
}) {
  return (
    <div className={styles.chips} role="group" aria-label={label}>
      {options.map(([id, name]) => (
        <button
          key={id}
          type="button"
          className={styles.chip}
          aria-pressed={chosen.includes(id)}
          onClick={() => onToggle(id)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

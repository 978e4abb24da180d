import type { ReactNode } from 'react';
import parts from './parts.module.css';

interface Props {
  /** What the table is of, for those who hear it. */
  readonly name: string;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

/** Returns a table that moves sideways in its own frame where the page is too narrow for it, by touch and by keys. */
export function WideTable({ name, className = '', children }: Props) {
  return (
    <div className={parts.wideTable} role="region" aria-label={name} tabIndex={0}>
      <table className={`${parts.table} ${className}`}>{children}</table>
    </div>
  );
}

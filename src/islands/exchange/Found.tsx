/** What is wrong with a file, row by row, and who stands at its beginning. */
import Papa from 'papaparse';
import { defused } from '../../core/exchange/formula';
import type { PeopleFault } from '../../core/exchange/people';
import parts from '../../ui/parts.module.css';
import { sayWith, t, word } from '../../words';
import { sayPeopleFault } from '../../words/pages';
import type { PeopleFound } from '../../workers/people';
import styles from './exchange.module.css';

/** More are in the file of faults. */
const MOST_SHOWN = 100;
const SAMPLE = 8;

const isOfFile = ({ row }: PeopleFault): boolean => row === 0;

function FaultTable({ faults, why }: { readonly faults: readonly PeopleFault[]; readonly why: string }) {
  return (
    <table className={parts.table}>
      <thead>
        <tr>
          <th scope="col">{word('exchange.row')}</th>
          <th scope="col">{word('exchange.column')}</th>
          <th scope="col">{word('exchange.value')}</th>
          <th scope="col">{why}</th>
        </tr>
      </thead>
      <tbody>
        {faults.slice(0, MOST_SHOWN).map((fault, i) => (
          <tr key={i}>
            <td>{fault.row}</td>
            <td>{fault.column}</td>
            <td>{fault.reason === 'pair' ? '' : fault.value}</td>
            <td>{sayPeopleFault(fault)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** As a file: for whoever puts the rows right. */
const asCsv = (faults: readonly PeopleFault[]): string =>
  `data:text/csv;charset=utf-8,${encodeURIComponent(
    `\uFEFF${Papa.unparse({
      fields: ['exchange.row', 'exchange.column', 'exchange.value', 'exchange.why'].map((key) => t(key)),
      data: faults.map((f) => [f.row, defused(f.column), defused(f.value), sayPeopleFault(f)]),
    })}`,
  )}`;

export function Faults({ found }: { readonly found: PeopleFound }) {
  const { faults, faultCount, doubts } = found;
  return (
    <>
      {faults.filter(isOfFile).map((fault, i) => (
        <div key={i} className={parts.notice} data-tone="misfit" role="alert">
          {sayPeopleFault(fault)}
        </div>
      ))}
      {faults.some((f) => !isOfFile(f)) && (
        <section className={styles.faults} aria-label={word('exchange.why')}>
          <h3>{sayWith('exchange.faults', { n: faultCount })}</h3>
          {faults.length > MOST_SHOWN && (
            <p className={parts.soft}>
              {sayWith('exchange.faults.more', { n: MOST_SHOWN })}{' '}
              <a href={asCsv(faults)} download="faults.csv">
                {word('exchange.faults.file')}
              </a>
            </p>
          )}
          <FaultTable faults={faults.filter((f) => !isOfFile(f))} why={word('exchange.why')} />
        </section>
      )}
      {doubts.length > 0 && (
        <section className={styles.faults} aria-label={word('exchange.look')}>
          <h3>{sayWith('exchange.doubts', { n: doubts.length })}</h3>
          <p className={parts.soft}>{word('exchange.doubts.what')}</p>
          <FaultTable faults={doubts} why={word('exchange.look')} />
        </section>
      )}
    </>
  );
}

export function Sample({ found }: { readonly found: PeopleFound }) {
  return (
    <section className={styles.faults} aria-label={word('exchange.sample')}>
      <h3>{word('exchange.sample')}</h3>
      <table className={parts.table}>
        <thead>
          <tr>
            <th scope="col">{word('exchange.row')}</th>
            <th scope="col">{word('people.name')}</th>
            <th scope="col">{word('exchange.birthDate')}</th>
            <th scope="col">{word('exchange.readings')}</th>
          </tr>
        </thead>
        <tbody>
          {found.kept.slice(0, SAMPLE).map(({ row, name, birthDate, readings }) => (
            <tr key={row}>
              <td>{row}</td>
              <td>{name}</td>
              <td>{birthDate ?? ''}</td>
              <td>{readings}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

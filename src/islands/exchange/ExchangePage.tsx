import { Button } from '@mantine/core';
import { PEOPLE_SCHEMA_PATH } from '../../contract/schema-path';
import { Frame } from '../../ui/Frame';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import '../../words/pages';
import { ImportPanel } from './ImportPanel';
import styles from './exchange.module.css';

const OUT = [
  { id: 'csv', href: '/api/v1/people.csv' },
  { id: 'json', href: '/api/v1/people.json' },
] as const;

function TakeOut() {
  return (
    <section className={styles.panel} aria-label={word('exchange.out')}>
      <h2>{word('exchange.out')}</h2>
      {OUT.map(({ id, href }) => (
        <div key={id} className={styles.way}>
          <Button component="a" variant="default" href={href} download>
            {word(`exchange.out.${id}`)}
          </Button>
          <p className={parts.soft}>
            {word(`exchange.out.${id}.what`)}
            {id === 'json' && (
              <>
                {' '}
                <a href={PEOPLE_SCHEMA_PATH}>{word('exchange.out.schema')}</a>
              </>
            )}
          </p>
        </div>
      ))}
      <p className={parts.notice}>{word('exchange.out.caution')}</p>
    </section>
  );
}

export default function ExchangePage({ page }: { readonly page: PageProps }) {
  return (
    <Frame page={page} area="people">
      <div className={parts.head}>
        <h1>{word('exchange.title')}</h1>
        <a href="/people">{word('exchange.people')}</a>
      </div>
      <div className={styles.columns}>
        <ImportPanel today={page.today} />
        <TakeOut />
      </div>
    </Frame>
  );
}

import '../../words/pages';
import { word } from '../../words';
import styles from './practice.module.css';

const PAGES = [
  { id: 'tables', href: '/practice/tables' },
  { id: 'methods', href: '/practice/methods' },
  { id: 'fitters', href: '/practice/fitters' },
] as const;

/** What belongs to the practice as a whole. */
export function PracticeNav({ page }: { readonly page: (typeof PAGES)[number]['id'] }) {
  return (
    <nav className={styles.pages} aria-label={word('nav.practice')}>
      {PAGES.map(({ id, href }) => (
        <a key={id} href={href} aria-current={id === page ? 'page' : undefined}>
          {word(`${id}.title`)}
        </a>
      ))}
    </nav>
  );
}

import { useMantineColorScheme, type MantineColorScheme } from '@mantine/core';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { LENGTH_UNITS, type LengthUnit } from '../core/units';
import { sayWith, word } from '../words';
import { api } from './client';
import { DENSITIES, DENSITY_COOKIE, type Density } from './density';
import { FitterChoice } from './FitterChoice';
import { useInBrowser } from './in-browser';
import { useCommands, type Command } from './commands';
import { forgetKeptPages } from './kept-pages';
import { OutboxLine } from './OutboxLine';
import { Palette } from './Palette';
import { Providers } from './Providers';
import { ServerData } from './ServerData';
import { keep, type PageProps } from './preferences';
import { UndoBar } from './UndoBar';
import styles from './parts.module.css';
import { onDevice } from './device-storage';

export type Area = 'fittings' | 'people' | 'seats' | 'places' | 'practice';
const AREAS: readonly { readonly id: Area; readonly href: string }[] = [
  { id: 'fittings', href: '/' },
  { id: 'people', href: '/people' },
  { id: 'seats', href: '/seats' },
  { id: 'places', href: '/places' },
  { id: 'practice', href: '/practice/tables' },
];

const SCHEMES: readonly MantineColorScheme[] = ['auto', 'light', 'dark'];
const SCOPE_SEEN = 'velto-scope-seen';

function SchemeChoice() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  // The stored scheme is only known in the browser; until then the choice shows the default the server drew.
  const known = useInBrowser();
  return (
    <label className={styles.preference}>
      {word('pref.scheme')}
      <select
        value={known ? colorScheme : 'auto'}
        onChange={(e) => setColorScheme(e.currentTarget.value as MantineColorScheme)}
      >
        {SCHEMES.map((scheme) => (
          <option key={scheme} value={scheme}>
            {word(`pref.scheme.${scheme}`)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Small and close for work at a desk, large for work on the floor, or by the pointer of the device. */
function DensityChoice() {
  // The document carries it; until it can be read the choice shows what the server drew.
  const known = useInBrowser();
  const [chosen, setDensity] = useState<Density | null>(null);
  const density = chosen ?? (known ? (document.documentElement.dataset.density as Density) : 'auto');
  const choose = (next: Density) => {
    keep(DENSITY_COOKIE, next);
    setDensity(next);
    document.documentElement.dataset.density = next;
  };
  return (
    <label className={styles.preference}>
      {word('pref.density')}
      <select value={density} onChange={(e) => choose(e.currentTarget.value as Density)}>
        {DENSITIES.map((d) => (
          <option key={d} value={d}>
            {word(`pref.density.${d}`)}
          </option>
        ))}
      </select>
    </label>
  );
}

function SignOut() {
  const signOut = async () => {
    await api.signOut();
    await forgetKeptPages();
    window.location.href = '/sign-in';
  };
  return (
    <button type="button" className={styles.plainButton} onClick={() => void signOut()}>
      {word('signIn.out')}
    </button>
  );
}

function UnitChoice({
  length,
  onChange,
}: {
  readonly length: LengthUnit;
  readonly onChange: (unit: LengthUnit) => void;
}) {
  return (
    <label className={styles.preference}>
      {word('pref.units')}
      <select value={length} onChange={(e) => onChange(e.currentTarget.value as LengthUnit)}>
        {LENGTH_UNITS.map((unit) => (
          <option key={unit} value={unit}>
            {word(`pref.units.${unit}`)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What the tool is and is not, said once a device. */
function Scope() {
  const inBrowser = useInBrowser();
  const [accepted, setAccepted] = useState(false);
  if (!inBrowser || accepted || onDevice.get(SCOPE_SEEN) === '1') return null;
  const accept = () => {
    onDevice.set(SCOPE_SEEN, '1');
    setAccepted(true);
  };
  return (
    <div className={styles.scope} role="region" aria-label={word('card.cautions')}>
      <span>{word('app.scope')}</span>
      <button type="button" className={styles.plainButton} onClick={accept}>
        {word('app.scope.accept')}
      </button>
    </div>
  );
}

/** Where the page is secure, a service worker keeps what was opened for the time without a connection. */
function keepPagesForLostConnection(): void {
  if ('serviceWorker' in navigator) navigator.serviceWorker.register('/offline.js').catch(() => undefined);
}

/** The frame of every screen: areas, this device's choices, and one React root below. */
export function Frame({
  page,
  area,
  children,
}: {
  readonly page: PageProps;
  readonly area: Area;
  readonly children: ReactNode;
}) {
  const [reading, setReading] = useState(page.reading);
  const chooseUnits = (length: LengthUnit) => {
    keep('velto-units', length);
    setReading({ ...reading, length, mass: length === 'in' ? 'lb' : 'kg' });
  };
  useEffect(keepPagesForLostConnection, []);
  const commands = useMemo<readonly Command[]>(
    () => [
      ...AREAS.map(({ id, href }) => ({
        id: `area-${id}`,
        name: sayWith('command.go', { name: word(`nav.${id}`) }),
        run: () => {
          window.location.href = href;
        },
      })),
      {
        id: 'units',
        name: word('command.units'),
        keys: 'U',
        run: () => {
          const next = LENGTH_UNITS[(LENGTH_UNITS.indexOf(reading.length) + 1) % LENGTH_UNITS.length];
          chooseUnits(next ?? 'mm');
        },
      },
    ],
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [reading],
  );
  useCommands('frame', commands);
  return (
    <Providers reading={reading}>
      <ServerData>
        <div className={styles.frame}>
          <a className={styles.skip} href="#content">
            {word('app.skip')}
          </a>
          <header className={styles.bar}>
            <a className={styles.mark} href="/">
              <svg width="26" height="26" viewBox="0 0 32 32" aria-hidden="true">
                <path d="M16 3v26M3 29h26" stroke="var(--ink)" strokeWidth="2.5" fill="none" />
                <path d="M2 13h14" stroke="var(--sitter)" strokeWidth="4" />
                <path d="M16 13h14" stroke="var(--seat)" strokeWidth="4" />
              </svg>
              {word('app.name')}
            </a>
            <nav aria-label={word('nav.label')}>
              <ul className={styles.nav}>
                {AREAS.map(({ id, href }) => (
                  <li key={id}>
                    <a href={href} aria-current={id === area ? 'page' : undefined}>
                      {word(`nav.${id}`)}
                    </a>
                  </li>
                ))}
              </ul>
            </nav>
            <div className={styles.preferences}>
              <Palette />
              <FitterChoice page={page} />
              <UnitChoice length={reading.length} onChange={chooseUnits} />
              <SchemeChoice />
              <DensityChoice />
              {page.signsIn && <SignOut />}
            </div>
          </header>
          <OutboxLine />
          <Scope />
          <main id="content" className={styles.content}>
            <UndoBar />
            {children}
          </main>
        </div>
      </ServerData>
    </Providers>
  );
}

import { NativeSelect, useMantineColorScheme, type MantineColorScheme } from '@mantine/core';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
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
import { AskedContext } from './asked';
import { keep, type PageProps } from './preferences';
import { UndoBar } from './UndoBar';
import styles from './parts.module.css';

export type Area = 'fittings' | 'people' | 'seats' | 'places' | 'practice';
const AREAS: readonly { readonly id: Area; readonly href: string }[] = [
  { id: 'fittings', href: '/' },
  { id: 'people', href: '/people' },
  { id: 'seats', href: '/seats' },
  { id: 'places', href: '/places' },
  { id: 'practice', href: '/practice/tables' },
];

const SCHEMES: readonly MantineColorScheme[] = ['auto', 'light', 'dark'];

function SchemeChoice() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  // The stored scheme is only known in the browser; until then the choice shows the default the server drew.
  const known = useInBrowser();
  return (
    <NativeSelect
      label={word('pref.scheme')}
      value={known ? colorScheme : 'auto'}
      data={SCHEMES.map((scheme) => ({ value: scheme, label: word(`pref.scheme.${scheme}`) }))}
      onChange={(e) => setColorScheme(e.currentTarget.value as MantineColorScheme)}
    />
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
    <NativeSelect
      label={word('pref.density')}
      value={density}
      data={DENSITIES.map((d) => ({ value: d, label: word(`pref.density.${d}`) }))}
      onChange={(e) => choose(e.currentTarget.value as Density)}
    />
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

/** Units, colours and size, and on a phone the areas: one menu, closed by Escape or a press beside it. */
function Preferences({
  length,
  onLength,
  signsIn,
  areas,
}: {
  readonly length: LengthUnit;
  readonly onLength: (unit: LengthUnit) => void;
  readonly signsIn: boolean;
  readonly areas: ReactNode;
}) {
  const menu = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const close = (event: Event) => {
      if (menu.current && !menu.current.contains(event.target as Node)) menu.current.open = false;
    };
    document.addEventListener('pointerdown', close);
    return () => document.removeEventListener('pointerdown', close);
  }, []);
  const onKey = (event: KeyboardEvent<HTMLDetailsElement>) => {
    if (event.key !== 'Escape' || !menu.current?.open) return;
    menu.current.open = false;
    menu.current.querySelector('summary')?.focus();
  };
  return (
    <details ref={menu} className={styles.menu} onKeyDown={onKey}>
      <summary className={styles.headButton} aria-label={word('pref.title')} title={word('pref.title')}>
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path d="M2 5h16M2 10h16M2 15h16" stroke="currentColor" strokeWidth="2" />
          <path d="M6 3v4M13 8v4M8 13v4" stroke="currentColor" strokeWidth="3" />
        </svg>
      </summary>
      <div className={styles.preferences} role="group" aria-label={word('pref.title')}>
        {areas}
        <NativeSelect
          label={word('pref.units')}
          value={length}
          data={LENGTH_UNITS.map((unit) => ({ value: unit, label: word(`pref.units.${unit}`) }))}
          onChange={(e) => onLength(e.currentTarget.value as LengthUnit)}
        />
        <SchemeChoice />
        <DensityChoice />
        {signsIn && <SignOut />}
      </div>
    </details>
  );
}

/** What the tool is and is not, said once a device; the server's page already has it, so that nothing jumps. */
function Scope({ isSeen }: { readonly isSeen: boolean }) {
  const [accepted, setAccepted] = useState(isSeen);
  if (accepted) return null;
  const accept = () => {
    keep('velto-scope', '1');
    setAccepted(true);
  };
  return (
    <div className={styles.scope} role="region" aria-label={word('app.scope.title')}>
      <span>{word('app.scope')}</span>
      <button type="button" className={styles.plainButton} onClick={accept}>
        {word('app.scope.accept')}
      </button>
    </div>
  );
}

function Areas({ area }: { readonly area: Area }) {
  return (
    <ul className={styles.nav}>
      {AREAS.map(({ id, href }) => (
        <li key={id}>
          <a href={href} aria-current={id === area ? 'page' : undefined}>
            {word(`nav.${id}`)}
          </a>
        </li>
      ))}
    </ul>
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
              <span className={styles.markName}>{word('app.name')}</span>
            </a>
            <nav aria-label={word('nav.label')} className={styles.wideNav}>
              <Areas area={area} />
            </nav>
            <div className={styles.headTools}>
              <Palette />
              <FitterChoice page={page} />
              <Preferences
                length={reading.length}
                onLength={chooseUnits}
                signsIn={page.signsIn}
                areas={
                  <nav aria-label={word('nav.label')} className={styles.narrowNav}>
                    <Areas area={area} />
                  </nav>
                }
              />
            </div>
          </header>
          <OutboxLine />
          <Scope isSeen={page.isScopeSeen} />
          <main id="content" className={styles.content}>
            <UndoBar />
            <AskedContext value={page.asked}>{children}</AskedContext>
          </main>
        </div>
      </ServerData>
    </Providers>
  );
}

import { MantineProvider } from '@mantine/core';
import { useEffect, type ReactNode } from 'react';
import type { Reading } from '../words';
import { LIVE } from './early';
import { ReadingContext } from './preferences';
import { cssVariablesResolver, theme } from './theme';

export function Providers({
  reading,
  children,
}: {
  readonly reading: Reading;
  readonly children: ReactNode;
}) {
  // What is inside has begun to listen by now: the page can be used.
  useEffect(() => {
    document.documentElement.dataset.isLive = 'true';
    window.dispatchEvent(new Event(LIVE));
  }, []);
  return (
    <MantineProvider theme={theme} cssVariablesResolver={cssVariablesResolver} defaultColorScheme="auto">
      <ReadingContext value={reading}>{children}</ReadingContext>
    </MantineProvider>
  );
}

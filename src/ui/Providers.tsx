import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';
import type { Reading } from '../words';
import { ReadingContext } from './preferences';
import { cssVariablesResolver, theme } from './theme';

/** Server data is handed in with the page and kept fresh by the screen that changes it. */
const makeClient = () =>
  new QueryClient({
    defaultOptions: { queries: { staleTime: Infinity, retry: 1 }, mutations: { retry: false } },
  });

export function Providers({
  reading,
  children,
}: {
  readonly reading: Reading;
  readonly children: ReactNode;
}) {
  const [client] = useState(makeClient);
  // What is inside has begun to listen by now: the page can be used.
  useEffect(() => {
    document.documentElement.dataset.isLive = 'true';
  }, []);
  return (
    <MantineProvider theme={theme} cssVariablesResolver={cssVariablesResolver} defaultColorScheme="auto">
      <QueryClientProvider client={client}>
        <ReadingContext value={reading}>{children}</ReadingContext>
      </QueryClientProvider>
    </MantineProvider>
  );
}

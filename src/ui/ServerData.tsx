import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';

/** Server data is handed in with the page and kept fresh by the screen that changes it. */
const makeClient = () =>
  new QueryClient({
    defaultOptions: { queries: { staleTime: Infinity, retry: 1 }, mutations: { retry: false } },
  });

/** For pages that ask the server for more; those that do not are spared its weight. */
export function ServerData({ children }: { readonly children: ReactNode }) {
  const [client] = useState(makeClient);
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

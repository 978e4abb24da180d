import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False while the server draws and at the first paint, which must equal it; then true. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

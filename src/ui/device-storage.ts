/**
 * What a browser keeps at once, without waiting. Where site data is blocked, touching it throws: then it lives as long
 * as the page.
 */
export class DeviceStorage {
  private readonly spare = new Map<string, string>();

  /** @param open gives the browser's storage; it may throw */
  constructor(private readonly open: () => Storage) {}

  get(key: string): string | null {
    return this.try((storage) => storage.getItem(key)) ?? this.spare.get(key) ?? null;
  }

  set(key: string, value: string): void {
    const isKept = this.try((storage) => {
      storage.setItem(key, value);
      return true;
    });
    if (isKept) this.spare.delete(key);
    else this.spare.set(key, value);
  }

  remove(key: string): void {
    this.spare.delete(key);
    this.try((storage) => storage.removeItem(key));
  }

  private try<T>(act: (storage: Storage) => T): T | null {
    try {
      return act(this.open());
    } catch {
      return null;
    }
  }
}

/** Kept on this device. */
export const onDevice = new DeviceStorage(() => window.localStorage);
/** Kept as long as this tab is open. */
export const inTab = new DeviceStorage(() => window.sessionStorage);

import { type KeptEntry, readKept } from './entry';

export const PREFIX = 'jolf.out/';

export type BrowserStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/**
 * Where entries are kept: one key of the browser's storage each, so that two tabs add and remove
 * theirs without overwriting the other's.
 */
export class Shelf {
  /** Entries that the storage had no room for: kept while this page is open. */
  private readonly inMemory = new Map<string, KeptEntry>();

  constructor(private readonly storage: BrowserStorage) {}

  /** True when an entry would go with the page. */
  get isFull(): boolean {
    return this.inMemory.size > 0;
  }

  /** All entries of this browser in the order of entry. */
  all(): KeptEntry[] {
    const found: KeptEntry[] = [...this.inMemory.values()];
    for (let index = 0; index < this.storage.length; index += 1) {
      const key = this.storage.key(index);
      if (!key?.startsWith(PREFIX)) continue;
      const entry = readKept(this.storage.getItem(key));
      if (entry) found.push(entry);
    }
    return found.sort((a, b) => (a.place < b.place ? -1 : 1));
  }

  put(entry: KeptEntry): void {
    try {
      this.storage.setItem(keyOf(entry), JSON.stringify(entry));
      this.inMemory.delete(entry.clientKey);
    } catch {
      this.inMemory.set(entry.clientKey, entry);
    }
  }

  remove(entry: KeptEntry): void {
    this.inMemory.delete(entry.clientKey);
    this.storage.removeItem(keyOf(entry));
  }
}

function keyOf(entry: KeptEntry): string {
  return `${PREFIX}${entry.clientKey}`;
}

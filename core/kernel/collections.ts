/** A record with an entry for every key, made one by one. */
export function recordOf<K extends string, V>(
  keys: readonly K[],
  valueOf: (key: K) => V,
): Record<K, V> {
  return Object.fromEntries(keys.map((key) => [key, valueOf(key)])) as Record<K, V>;
}

/** The keys of a record that holds no others than its type says. */
export function keysOf<K extends string>(record: Readonly<Record<K, unknown>>): readonly K[] {
  return Object.keys(record) as K[];
}

/** The last of a list that holds at least one. */
export function lastOf<T>(list: readonly [...T[], T]): T {
  return list[list.length - 1] as T;
}

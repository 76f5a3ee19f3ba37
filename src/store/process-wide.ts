const held = globalThis as { arlentHeld?: Map<string, unknown> };

/**
 * What the whole process has one of, under a name: pages, routes and what begins the server are bundled apart, each with
 * modules of its own.
 */
export function processWide<T>(name: string, make: () => T): T {
  held.arlentHeld ??= new Map();
  const { arlentHeld: all } = held;
  if (!all.has(name)) all.set(name, make());
  return all.get(name) as T;
}

declare global {
  var arlentHeld: Map<string, unknown> | undefined;
}

/**
 * What the whole process has one of, under a name: pages, routes and what begins the server are bundled apart, each with
 * modules of its own.
 */
export function processWide<T>(name: string, make: () => T): T {
  globalThis.arlentHeld ??= new Map();
  const all = globalThis.arlentHeld;
  if (!all.has(name)) all.set(name, make());
  return all.get(name) as T;
}

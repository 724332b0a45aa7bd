const PROTOCOLS: ReadonlySet<string> = new Set(['redis:', 'rediss:']);

/** Returns why a text is no address of a Redis; undefined for an address. */
export function redisAddressRefused(text: string): string | undefined {
  if (URL.canParse(text) && PROTOCOLS.has(new URL(text).protocol) && new URL(text).hostname !== '') return undefined;
  return `STADION_REDIS is “${text}”: give the address of a Redis, for instance redis://localhost:6379.`;
}

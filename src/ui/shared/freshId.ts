/**
 * An id of its own (UUID, version 4, RFC 9562), for what a page begins. Over plain http, as tablets reach a shop's
 * server, browsers have no `crypto.randomUUID`.
 */
export const freshId = (): string =>
  '10000000-1000-4000-8000-100000000000'.replace(/[018]/g, (digit) =>
    (+digit ^ ((crypto.getRandomValues(new Uint8Array(1))[0] ?? 0) & (15 >> (+digit / 4)))).toString(16),
  );

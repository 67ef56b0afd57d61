import { describe, expect, it } from 'vitest';
import { presentUrl } from './formerAddresses';

describe('an address of an earlier version', () => {
  it.each([
    ['/api/do/signIn', '/api/commands/signIn'],
    ['/api/fitted', '/api/gap-history'],
    ['/api/turned?build=b1', '/api/torque-history?build=b1'],
    ['/api/copies/spatium-2026.db', '/api/backups/spatium-2026.db'],
    ['/api/aside', '/api/quarantine'],
    ['/api/builds/b1/aside', '/api/builds/b1/quarantine'],
    ['/drawer?came=1', '/archived?came=1'],
  ])('%s is %s', (former, now) => expect(presentUrl(former)).toBe(now));

  it.each([
    '/',
    '/api/do',
    '/api/do/',
    '/api/do/a/b',
    '/api/do/a/../b',
    '/drawer/',
    '/drawers',
    '//api/do/x',
    '/api/aside/x',
    '/API/do/x',
  ])('%s is left as it came', (url) => expect(presentUrl(url)).toBe(url));
});

import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fingerprintOf, ownCertificate } from './certificate';
import { directly } from './entriesFastPath';
import { type Asked, pageOf, refusalOf, segmentsOf } from './guard';
import { isLoopback, isOwnName, namesIn } from './hosts';
import { optionsOf } from './options';

const own = ['192.168.1.20', '[fd00::20]'];
const isOwn = (header: string | undefined, listens = '0.0.0.0', given: string[] = []) =>
  isOwnName(header, listens, given, () => own);

describe('the page that an address is of', () => {
  it.each([
    ['/new', '/new'],
    ['/new?_rsc=2Md0', '/new'],
    ['/new?_rsc=2Md0&from=x', '/new?from=x'],
    ['/builds/a/rings?at=1.top&_rsc=2Md0', '/builds/a/rings?at=1.top'],
    ['/builds/a/rings?at=1.top&_rsc=2Md0&view=set', '/builds/a/rings?at=1.top&view=set'],
    ['/?q=_rsc=1', '/?q=_rsc=1'],
  ])('%s is %s', (asked, page) => {
    expect(pageOf(asked)).toBe(page);
  });
});

describe('names that the server goes by', () => {
  it.each(['localhost', 'localhost:4400', '127.0.0.1:4400', '127.0.0.9', '[::1]:4400', 'LOCALHOST', 'localhost.'])(
    '%s is this machine',
    (name) => {
      expect(isOwn(name, '127.0.0.1')).toBe(true);
    },
  );

  it.each([
    undefined, '', 'evil.example', 'localhost.evil.example', '127.0.0.1.evil.example', 'evil.example:4400', 'a b', 'x@localhost', 'localhost/..', '::1', '192.168.1.20',
  ])('%s is not', (name) => {
    expect(isOwn(name, '127.0.0.1')).toBe(false);
  }); // oxfmt-ignore

  it('on the network, its own addresses too, and names that were given, with their port where one was', () => {
    expect(isOwn('192.168.1.20:4400')).toBe(true);
    expect(isOwn('[fd00::20]:4400')).toBe(true);
    expect(isOwn('192.168.1.21:4400')).toBe(false);
    expect(isOwn('192.168.1.21:4400', '192.168.1.21')).toBe(true);
    const given = namesIn(' Bench.local, shop.example:8443 ,');
    expect(given).toEqual(['bench.local', 'shop.example:8443']);
    expect(isOwn('bench.local:4400', '0.0.0.0', given)).toBe(true);
    expect(isOwn('shop.example:8443', '0.0.0.0', given)).toBe(true);
    expect(isOwn('shop.example:4400', '0.0.0.0', given)).toBe(false);
  });

  it('no name of another site is taken for one, whatever stands round ours (property)', () => {
    fc.assert(
      fc.property(fc.domain(), fc.constantFrom('', ':4400', ':80'), (domain, port) => {
        expect(isOwn(`${domain}${port}`)).toBe(false);
        expect(isOwn(`localhost.${domain}${port}`)).toBe(false);
        expect(isOwn(`127.0.0.1.${domain}${port}`)).toBe(false);
      }),
    );
  });

  it('0.0.0.0 is not this machine alone', () => {
    expect(['127.0.0.1', 'localhost', '::1'].every(isLoopback)).toBe(true);
    expect(['0.0.0.0', '192.168.1.20', '::', '128.0.0.1'].some(isLoopback)).toBe(false);
  });
});

describe('what is refused whoever asks', () => {
  const asked = (change: Partial<Asked>): Asked => ({
    ...{
      method: 'GET',
      url: '/',
      host: 'localhost:4400',
      origin: undefined,
      site: undefined,
      contentLength: undefined,
      routerState: undefined,
    },
    ...change,
  });
  const status = (change: Partial<Asked>): number =>
    refusalOf(asked(change), (host) => isOwn(host, '127.0.0.1'))?.status ?? 200;

  it.each<[string, Partial<Asked>, number]>([
    ['a page', {}, 200],
    ['a head', { method: 'HEAD' }, 200],
    [
      'an act of our own page',
      { method: 'POST', url: '/api/commands/x', origin: 'http://localhost:4400', site: 'same-origin' },
      200,
    ],
    ['a script without a browser', { method: 'POST', url: '/api/builds' }, 200],
    ['another name', { host: 'evil.example' }, 421],
    ['no name', { host: undefined }, 421],
    ['another name before anything else', { host: 'evil.example', method: 'TRACE', url: '*' }, 421],
    ['TRACE', { method: 'TRACE' }, 405],
    ['OPTIONS *', { method: 'OPTIONS', url: '*' }, 405],
    ['GET *', { url: '*' }, 400],
    ['a whole address', { url: 'http://evil.example/' }, 400],
    ['half a percent', { url: '/%E0%A4%A' }, 400],
    ['a lone percent', { url: '/builds/%' }, 400],
    ['a nothing in it', { url: '/builds/%00' }, 400],
    ['a backslash in it', { url: '/%5cevil.example' }, 400],
    ['two slashes', { url: '//evil.example/x' }, 400],
    ['a percent in what is asked, not in the path', { url: '/?q=%' }, 200],
    ['an endless address', { url: `/${'a'.repeat(9_000)}` }, 414],
    ['something sent to a page', { method: 'POST', url: '/builds/x' }, 405],
    ['another site’s page', { method: 'POST', url: '/api/commands/x', origin: 'http://evil.example' }, 403],
    ['a page without an address', { method: 'POST', url: '/api/commands/x', origin: 'null' }, 403],
    ['another port’s page', { method: 'POST', url: '/api/commands/x', origin: 'http://localhost:81' }, 403],
    ['another port, its origin hidden', { method: 'POST', url: '/api/commands/x', site: 'same-site' }, 403],
    ['another site, its origin hidden', { method: 'POST', url: '/api/commands/x', site: 'cross-site' }, 403],
    [
      'a page that says where it is',
      {
        routerState: encodeURIComponent(
          '["",{"children":["builds",{"children":[["id","x","d",null],{}]},null,"refetch"]},null,null,16]',
        ),
      },
      200,
    ],
    ['one that says nonsense', { routerState: '%5B%5D' }, 400],
    ['one whose fifth is no number', { routerState: '["",{},null,null,true]' }, 400],
    ['one of no such kind', { routerState: '["",{"children":[["id","x","e",null],{}]}]' }, 400],
    ['one with more than there is', { routerState: '["",{},null,null,1,"",""]' }, 400],
    ['one that says half', { routerState: '%5B%' }, 400],
    ['one nested without end', { routerState: `${'["",{"a":'.repeat(30)}${'}]'.repeat(30)}` }, 400],
    ['a gigabyte', { method: 'POST', url: '/api/builds', contentLength: '1000000000' }, 413],
  ])('%s: %j is answered %i', (_, change, answer) => {
    expect(status(change)).toBe(answer);
  });

  it('an address that is let through is what a URL parser makes of it, segment by segment (property)', () => {
    const piece = fc.oneof(
      fc.constantFrom(
        '..',
        '.',
        '%2e',
        '%2E%2e',
        '.%2e',
        '%2f',
        '%5c',
        '\\',
        '',
        'icons',
        'api',
        '%',
        '\t',
        '#',
        '?',
        ';',
      ),
      fc.webPath(),
      fc.string(),
      fc.string({ unit: 'binary' }),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 6 }), (pieces) => {
        const url = `/${pieces.join('/')}`;
        const segments = segmentsOf(url);
        if (segments === null) return;
        const parsed = new URL(url, 'http://spatium.invalid');
        expect(parsed.href).toBe(`http://spatium.invalid${url}`);
        expect(parsed.pathname.replace(/(?<=.)\/$/, '')).toBe(url.replace(/\?.*$/s, '').replace(/(?<=.)\/$/, ''));
        expect(decodeURIComponent(parsed.pathname).replace(/(?<=.)\/$/, '')).toBe(`/${segments.join('/')}`);
        expect(segments.filter((s) => s === '.' || s === '..')).toEqual([]);
      }),
    );
  });

  it.each(['/icons/../shop', '/icons/%2e%2e/shop', '/icons/.%2E/shop', '/builds/./x', '/icons/..%2fshop', '/a//b', '/x/%5c', '/x#y', '//x', '/x\ty', '/x/..', '/x/%2e'])(
    '%s is refused', (url) => {
      expect(segmentsOf(url)).toBeNull();
    },
  ); // oxfmt-ignore
  it.each([
    ['/', ['']],
    ['/?q=..', ['']],
    ['/shop/', ['shop']],
    ['/%73hop', ['shop']],
    ['/builds/a%20b/rings?at=1.top', ['builds', 'a b', 'rings']],
    ['/x/..%252f', ['x', '..%2f']],
  ])('%s is %j', (url, segments) => {
    expect(segmentsOf(url)).toEqual(segments);
  });
});

describe('what is answered without the framework', () => {
  it.each([
    ['GET', '/api/builds/x/entries', true],
    ['POST', '/api/builds/x/entries', true],
    ['HEAD', '/api/builds/x/entries', false],
    ['GET', '/api/builds/x/y/entries', false],
    ['GET', '/api/builds/entries', false],
    ['GET', '/api/builds/x/csv', false],
    ['GET', '/x/api/builds/x/entries', false],
  ])('%s %s: %s', (method, path, is) => {
    expect(directly(method, path.slice(1).split('/')) !== null).toBe(is);
  });
});

describe('how it is started', () => {
  it('for this machine unless said, on the network where told', () => {
    expect(optionsOf([], {})).toEqual({ host: '127.0.0.1', port: 4400, names: [], proxies: [], tls: null, copies: 14 });
    expect(optionsOf(['--lan', '--https'], { PORT: '80' })).toMatchObject({ host: '0.0.0.0', port: 80, tls: 'made' });
    expect(optionsOf([], { HOST: '192.168.1.20', ALLOWED_HOSTS: 'a,b', TRUSTED_PROXIES: '10.0.0.1' })).toMatchObject({
      ...{ host: '192.168.1.20', names: ['a', 'b'], proxies: ['10.0.0.1'] },
    });
  });

  it.each<[string[], Record<string, string>, RegExp]>([
    [['--lna'], {}, /--lna is not understood/],
    [[], { PORT: 'x' }, /PORT is x/],
    [[], { PORT: '70000' }, /PORT is 70000/],
    [[], { TLS_CERT: 'a.crt' }, /go together/],
    [[], { COPIES: '-1' }, /COPIES is -1/],
  ])('%j with %j is refused', (args, env, says) => {
    expect(() => optionsOf(args, env)).toThrow(says);
  });
});

describe('a certificate of the shop’s own', () => {
  it('is for its names and addresses, kept, and made anew for another name', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'spatium-tls-'));
    const made = await ownCertificate(folder, ['bench.local']);
    const read = new X509Certificate(made.cert);
    expect(read.checkHost('bench.local')).toBe('bench.local');
    expect(read.checkIP('127.0.0.1')).toBe('127.0.0.1');
    expect(read.checkHost('evil.example')).toBeUndefined();
    expect(read.ca).toBe(true);
    expect(await ownCertificate(folder, ['bench.local'])).toEqual(made);
    expect(readFileSync(join(folder, 'shop-certificate.crt'), 'utf8')).toBe(made.cert);
    const other = await ownCertificate(folder, ['other.local']);
    expect(fingerprintOf(other.cert)).not.toBe(fingerprintOf(made.cert));
    expect(fingerprintOf(made.cert)).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
    rmSync(folder, { recursive: true, force: true });
  });
});

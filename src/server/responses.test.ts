import { describe, expect, it } from 'vitest';
import { bodyWithin, fileName } from './responses';

const request = (body: BodyInit | null, headers: HeadersInit = {}): Request =>
  new Request('http://127.0.0.1/', {
    method: 'POST',
    body,
    headers,
    ...(body instanceof ReadableStream ? { duplex: 'half' } : {}),
  });

describe('reading a body', () => {
  it('reads it whole, also in pieces that cut a letter in two', async () => {
    const bytes = new TextEncoder().encode('bore ⌀ 82,5 µm');
    const pieces = new ReadableStream<Uint8Array>({
      start(controller) {
        for (const byte of bytes) controller.enqueue(Uint8Array.of(byte));
        controller.close();
      },
    });
    expect(await bodyWithin(request(pieces), 1_000)).toBe('bore ⌀ 82,5 µm');
    expect(await bodyWithin(request(null), 1_000)).toBe('');
  });

  it('stops at the limit, whatever length the sender claimed', async () => {
    let sent = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        sent += 1;
        controller.enqueue(new Uint8Array(1024));
      },
    });
    expect(await bodyWithin(request(endless), 10 * 1024)).toBeNull();
    expect(sent).toBeLessThan(20);
    expect(await bodyWithin(request('short', { 'content-length': '999999' }), 1000)).toBeNull();
  });
});

it.each([
  ['Tarn five', 'Tarn-five.csv'],
  ['../../etc/passwd', 'etc-passwd.csv'],
  ['"; rm -rf', 'rm-rf.csv'],
  ['Ölwanne', 'lwanne.csv'],
  ['', 'build.csv'],
  ['日本', 'build.csv'],
  ['x'.repeat(500), `${'x'.repeat(60)}.csv`],
])('names the file of %j %s', (name, file) => {
  expect(fileName(name, 'csv')).toBe(file);
});

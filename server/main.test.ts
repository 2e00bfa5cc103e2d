// The server as a browser meets it: headers, screens, files, and what is not there.
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { buildServer, portOf } from './main';

const folder = mkdtempSync(join(tmpdir(), 'velmo-server-'));
let server: FastifyInstance;
let origin: string;
beforeAll(async () => {
  for (const name of ['app/_expo', 'scenes', 'demo']) mkdirSync(join(folder, name), { recursive: true });
  writeFileSync(join(folder, 'app', 'index.html'), '<html>Velmo ½</html>');
  writeFileSync(join(folder, 'app', '_expo', 'entry-1.js'), 'x'.repeat(5000));
  for (const name of ['a.vsc', 'a.rho']) writeFileSync(join(folder, 'scenes', name), 'VSC1'.repeat(1000));
  writeFileSync(join(folder, 'demo', 'roll.json'), '[]');
  server = await buildServer({
    app: join(folder, 'app'),
    scenes: join(folder, 'scenes'),
    demo: join(folder, 'demo'),
  });
  origin = await server.listen({ port: 0, host: '127.0.0.1' });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});
async function get(url: string, method = 'GET') {
  const answer = await fetch(origin + url, { method });
  return { status: answer.status, headers: answer.headers, body: await answer.text() };
}

describe('the server', () => {
  it.each(['/', '/sheet', '/frame/0123abcd'])(
    'answers the screen %s with the page, in UTF-8',
    async (url) => {
      const answer = await get(url);
      expect(answer.status).toBe(200);
      expect(answer.headers.get('content-type')).toMatch(/text\/html; charset=utf-8/i);
      expect(answer.body).toContain('½');
      expect(answer.headers.get('cache-control')).toBe('no-cache');
    },
  );

  it('isolates the page and lets nothing in from outside', async () => {
    const { headers } = await get('/');
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('cross-origin-embedder-policy')).toBe('require-corp');
    expect(headers.get('content-security-policy')).toMatch(/default-src 'self'/);
    expect(headers.get('content-security-policy')).not.toMatch(/https?:/);
    expect(headers.get('strict-transport-security')).toBeNull();
  });

  it('keeps hashed files for good, and compresses them', async () => {
    const answer = await get('/_expo/entry-1.js');
    expect(answer.headers.get('cache-control')).toMatch(/immutable/);
    expect(answer.headers.get('content-encoding')).toMatch(/gzip|br|deflate/);
  });

  it('serves scenes and the demo roll', async () => {
    expect((await get('/scenes/a.vsc')).body).toMatch(/^VSC1/);
    expect((await get('/demo/roll.json')).headers.get('content-type')).toMatch(/json/);
  });

  it.each(['/missing.js', '/scenes/none.vsc', '/demo/none.dng', '/..%2f..%2fetc%2fpasswd.txt'])(
    'says that %s is not there instead of answering with the page',
    async (url) => {
      const answer = await get(url);
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(answer.body).not.toContain('Velmo');
    },
  );

  it.each(['/', '/sheet', '/_expo/entry-1.js', '/scenes/a.vsc', '/missing.js', '/scenes/none.vsc'])(
    'answers HEAD of %s as it does GET',
    async (url) => {
      const [head, full] = [await get(url, 'HEAD'), await get(url)];
      expect(head.status).toBe(full.status);
      expect(head.body).toBe('');
      for (const name of ['content-type', 'cache-control', 'etag', 'content-security-policy'])
        expect([name, head.headers.get(name)]).toEqual([name, full.headers.get(name)]);
    },
  );

  it.each(['/scenes/a.vsc', '/scenes/a.rho'])(
    'sends %s as it is, with its length, and validates what is kept',
    async (url) => {
      const answer = await fetch(origin + url, { headers: { 'accept-encoding': 'gzip, br' } });
      expect(answer.headers.get('content-encoding')).toBeNull();
      expect(Number(answer.headers.get('content-length'))).toBe((await answer.arrayBuffer()).byteLength);
      expect(answer.headers.get('cache-control')).toBe('no-cache');
      // As a browser asks: `fetch` here would ask past every cache.
      const headers = { 'if-none-match': answer.headers.get('etag')! };
      const status = await new Promise((done) =>
        request(origin + url, { headers }, (a) => done(a.resume().statusCode)).end(),
      );
      expect(status).toBe(304);
    },
  );

  it('lets the page run no code from text, but kernels', async () => {
    const policy = (await get('/')).headers.get('content-security-policy')!;
    expect(/script-src ([^;]*)/.exec(policy)![1]!.split(' ')).toEqual(["'self'", "'wasm-unsafe-eval'"]);
  });

  it.each(['/', '/sheet', '/_expo/entry-1.js'])(
    'says of %s that it comes packed in several ways',
    async (url) => {
      for (const encoding of ['br', 'gzip', 'identity']) {
        const headers = { 'accept-encoding': encoding };
        const vary = await new Promise((done) =>
          request(origin + url, { headers }, (a) => done(a.resume().headers.vary)).end(),
        );
        expect(vary).toMatch(/accept-encoding/i);
      }
    },
  );

  it('takes nothing but GET', async () => {
    expect((await get('/sheet', 'POST')).status).toBe(404);
  });
});

describe('a port', () => {
  it.each(['', 'abc', '-1', '65536', '99999999', '80.5', ' 80'])('is refused as %j', (text) =>
    expect(() => portOf(text)).toThrow(/--port needs a number from 0 to 65535/),
  );
  it('is a number', () => expect([portOf('0'), portOf('8787'), portOf('65535')]).toEqual([0, 8787, 65535]));

  it.each([
    [['--port', 'abc'], /--port needs a number/],
    [['--port'], /--port needs a number.*nothing/],
    [['--port=70000'], /--port needs a number/],
    [['--wat'], /does not know --wat/],
  ])('of the demo is looked at before anything is built: %j', (words, message) => {
    const { status, stderr } = spawnSync(process.execPath, ['tools/demo.mjs', ...words], {
      encoding: 'utf8',
      timeout: 20_000,
    });
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  });
});

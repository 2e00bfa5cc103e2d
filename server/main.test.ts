// The server as a browser meets it: headers, screens, files, and what is not there.
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { buildServer } from './main';

const folder = mkdtempSync(join(tmpdir(), 'velmo-server-'));
let server: FastifyInstance;
let origin: string;
beforeAll(async () => {
  for (const name of ['app/_expo', 'scenes', 'demo']) mkdirSync(join(folder, name), { recursive: true });
  writeFileSync(join(folder, 'app', 'index.html'), '<html>Velmo ½</html>');
  writeFileSync(join(folder, 'app', '_expo', 'entry-1.js'), 'x'.repeat(5000));
  writeFileSync(join(folder, 'scenes', 'a.vsc'), 'VSC1');
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
    expect((await get('/scenes/a.vsc')).body).toBe('VSC1');
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

  it('takes nothing but GET', async () => {
    expect((await get('/sheet', 'POST')).status).toBe(404);
  });
});

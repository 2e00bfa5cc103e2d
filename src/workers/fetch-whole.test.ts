// Fetching from a server that is there, is not, stops in the middle or never answers.
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fetchWhole } from './fetch-whole';

let server: Server;
let origin: string;
beforeAll(async () => {
  server = createServer((request, answer) => {
    if (request.url === '/whole') answer.setHeader('content-length', '6').end('abcdef');
    else if (request.url === '/half') {
      answer.setHeader('content-length', '6');
      answer.write('abc');
    } else if (request.url === '/cut') {
      answer.setHeader('content-length', '6');
      answer.write('abc', () => answer.destroy());
    } else if (request.url !== '/silent') answer.writeHead(404).end();
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

const options = { what: 'The scene' };
/** Of what never comes. Whatever comes has the time that it has in life: the machine may be busy. */
const STALL_MS = 150;

describe('a file fetched whole', () => {
  it('comes with its progress', async () => {
    const shares: number[] = [];
    const bytes = await fetchWhole(`${origin}/whole`, { ...options, onShare: (s) => shares.push(s) });
    expect(new TextDecoder().decode(bytes)).toBe('abcdef');
    expect(shares.at(-1)).toBe(1);
  });
  it.each([
    ['/none', /The scene did not load \(404\)/],
    ['/cut', /The scene did not load: the connection to the server broke/],
  ])('from %s is told in words', async (path, message) => {
    await expect(fetchWhole(origin + path, options)).rejects.toThrow(message);
  });
  it.each(['/half', '/silent'])('from %s is given up, and told in words', async (path) => {
    await expect(fetchWhole(origin + path, { ...options, stallMs: STALL_MS })).rejects.toThrow(
      /The scene does not come: nothing from the server/,
    );
  });
  it.each([
    [{}, 'default'],
    [{ anew: true }, 'reload'],
    // Two who ask at once for one that is too large for the cache would both wait for an answer that fails the second.
    [{ large: true }, 'no-store'],
    [{ large: true, anew: true }, 'no-store'],
  ] as const)('asked for with %o goes by the cache as %s', async (how, cache) => {
    const asked = jest.spyOn(globalThis, 'fetch');
    await fetchWhole(`${origin}/whole`, { ...options, ...how });
    expect(asked.mock.calls[0]![1]).toMatchObject({ cache });
    asked.mockRestore();
  });
  it('from nowhere is told in words', async () => {
    await expect(fetchWhole('http://127.0.0.1:1/x', options)).rejects.toThrow(
      /connection to the server broke/,
    );
  });
});

// Serves the built app, its scenes and the demo roll, with the headers that workers and privacy need.
import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import fastify, { type FastifyInstance } from 'fastify';
import { existsSync } from 'node:fs';
import { join } from 'node:path';

export interface ServerOptions {
  /** Folder of the built app. */
  readonly app: string;
  /** Folder of the packed scenes. */
  readonly scenes: string;
  /** Folder of the demo roll; may be absent. */
  readonly demo: string;
}

/** A port typed by a person; 0 takes a free one. @throws RangeError */
export function portOf(text: string): number {
  const port = /^\d{1,5}$/.test(text) ? Number(text) : NaN;
  if (!(port <= 65535))
    throw new RangeError(`--port needs a number from 0 to 65535, not ${text || 'nothing'}`);
  return port;
}

export async function buildServer({ app, scenes, demo }: ServerOptions): Promise<FastifyInstance> {
  const server = fastify();
  await server.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        // Kernels are WebAssembly, carried in the scripts.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        upgradeInsecureRequests: null,
      },
    },
    crossOriginOpenerPolicy: { policy: 'same-origin' },
    crossOriginEmbedderPolicy: { policy: 'require-corp' },
    strictTransportSecurity: false,
  });
  // What lies compressed is another answer to whoever does not unpack it.
  server.addHook('onRequest', async (_, reply) => void reply.header('vary', 'accept-encoding'));
  // Before compression: packed scenes are dense already, and go with their length, so that their progress can be told.
  await server.register(fastifyStatic, {
    root: scenes,
    prefix: '/scenes/',
    cacheControl: false,
    // Kept, and asked about each time: the answer is a few bytes while nothing has changed.
    setHeaders: (reply) => reply.setHeader('cache-control', 'no-cache'),
  });
  await server.register(compress, { global: true, threshold: 1024 });
  await server.register(fastifyStatic, {
    root: app,
    decorateReply: false,
    wildcard: false,
    // The build lays compressed ones beside its files: to make one of the page's script takes longer than to load it.
    preCompressed: true,
    cacheControl: false,
    // Built files carry a hash of their content in the name; the page itself must be asked for anew.
    setHeaders: (reply, path) => {
      const hashed = path.includes('_expo') || path.includes('/assets/');
      reply.setHeader('cache-control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  if (existsSync(demo)) {
    await server.register(fastifyStatic, { root: demo, prefix: '/demo/', decorateReply: false });
  }
  // Every other address is a screen of the app, unless it asks for a file.
  server.setNotFoundHandler((request, reply) => {
    const reads = request.method === 'GET' || request.method === 'HEAD';
    if (!reads || /\.\w+$/.test(request.url.split('?')[0] ?? '')) {
      return reply.code(404).send({ error: 'There is no such file' });
    }
    return reply
      .header('cache-control', 'no-cache')
      .type('text/html; charset=utf-8')
      .sendFile('index.html', app);
  });
  return server;
}

const root = join(__dirname, '..');

export const defaultFolders: ServerOptions = {
  app: join(root, 'dist'),
  scenes: join(root, 'assets', 'scenes'),
  demo: join(root, '.cache', 'demo'),
};

/** Started from the command line: `tsx server/main.ts PORT`. Prints one address. */
if (require.main === module) {
  let port = 0;
  try {
    port = portOf(process.argv[2] ?? '8787');
  } catch (error) {
    console.error((error as Error).message);
    process.exit(2);
  }
  void buildServer(defaultFolders)
    .then((server) => {
      for (const signal of ['SIGINT', 'SIGTERM'] as const) {
        process.on(signal, () => void server.close().then(() => process.exit(0)));
      }
      return server.listen({ port, host: '127.0.0.1' });
    })
    .then(
      (address) => console.log(`Velmo is at ${address}`),
      (error: NodeJS.ErrnoException) => {
        const taken = error.code === 'EADDRINUSE';
        console.error(taken ? `Port ${port} is in use: choose another with --port` : error.message);
        process.exit(1);
      },
    );
}

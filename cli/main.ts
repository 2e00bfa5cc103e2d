// Velmo from a terminal: the same core as the app. Exit code 0 done, 1 refused, 2 wrong use.
import { constants } from 'node:os';
import { releaseAll } from './files';
import { run } from './run';

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  // Whoever reads may have read enough.
  if (error.code === 'EPIPE') process.exit(0);
  console.error(
    `The answer could not be written: ${error.code === 'ENOSPC' ? 'no space left' : error.message}`,
  );
  process.exit(1);
});

// What was begun is not left lying about.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.on(signal, () => {
    releaseAll();
    process.exit(128 + constants.signals[signal]);
  });

void run(process.argv.slice(2)).then((code) => {
  process.exitCode = code;
});

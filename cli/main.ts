// Velmo from a terminal: the same core as the app. Exit code 0 done, 1 refused, 2 wrong use.
import { run } from './run';

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  // Whoever reads may have read enough.
  if (error.code === 'EPIPE') process.exit(0);
  console.error(
    `The answer could not be written: ${error.code === 'ENOSPC' ? 'no space left' : error.message}`,
  );
  process.exit(1);
});

void run(process.argv.slice(2)).then((code) => {
  process.exitCode = code;
});

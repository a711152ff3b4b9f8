import { runLean } from './lean/runLean.ts';

/** `npm run -s lean -- COMMAND FILE …`: what is computed, on files and without a database. */
const { stdout, stderr, status } = await runLean(process.argv.slice(2), process.stdin);
process.stdout.write(stdout);
process.stderr.write(stderr);
process.exitCode = status;

import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { root } from './settings.mjs';

/** `node scripts/bundleServer.mjs`: writes the programs of the house to `server/dist`, what they share beside them. */

const commands = readdirSync(join(root, 'server', 'commands'))
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .map((name) => `server/commands/${name}`);
const outdir = join(root, 'server', 'dist');

/** What is ours goes into the files; packages are loaded from where they lie. */
const ours = {
  name: 'ours',
  setup(work) {
    work.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@lean-mentor/') ? undefined : { path, external: true },
    );
    // Files that lie beside a source are looked for beside it, wherever its program is put.
    work.onLoad({ filter: /\.ts$/ }, ({ path }) => {
      const source = readFileSync(path, 'utf8');
      const here = { url: pathToFileURL(path).href, dirname: dirname(path) };
      return { loader: 'ts', contents: source.replace(/import\.meta\.(url|dirname)\b/g, (_, what) => JSON.stringify(here[what])) };
    });
  },
};

// What an earlier build left under names that this one does not use.
rmSync(outdir, { recursive: true, force: true });
await build({
  absWorkingDir: root,
  entryPoints: ['server/main.ts', 'server/jobsMain.ts', 'demo/writePractice.ts', ...commands],
  outdir,
  outbase: root,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: true,
  sourcesContent: false,
  logLevel: 'warning',
  plugins: [ours],
});

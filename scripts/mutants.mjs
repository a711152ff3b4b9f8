import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureNodeModules } from './nodeModules.mjs';
import { PlainFault, reportFault } from './plainFault.mjs';
import { root } from './settings.mjs';

/**
 * `npm run mutants [NAME]`: breaks the program in one place after another, each as a fault could break it that tests once let through,
 * and runs the tests that must notice. Every file is put back. The last line says how many were noticed; one that was not ends with 1.
 */
const mutants = [
  {
    name: 'a session keeps its id at sign-in',
    file: 'server/features/access/handlers.ts',
    from: 'await promisify(req.session.regenerate.bind(req.session))();\n    req.session.accountId',
    to: 'req.session.accountId',
    tests: ['server', 'server/features/access/access.test.ts'],
  },
  {
    name: 'an expired session is found until it is swept away',
    file: 'server/db/sessionTable.ts',
    from: 'WHERE sid = :sid AND expires > :now',
    to: 'WHERE sid = :sid',
    tests: ['server', 'server/features/access/access.test.ts'],
  },
  {
    name: 'the coaching side sees footage that was not let go',
    file: 'server/features/access/scope.ts',
    from: '(released && requestState',
    to: '(requestState',
    tests: ['server', 'server/features/requests/requests.test.ts'],
  },
  {
    name: 'nothing that an address names is held against the account',
    file: 'server/http/route.ts',
    from: "if (access !== 'anyone') await requireInScope(",
    to: "if (access === 'anyone') await requireInScope(",
    tests: ['server', 'server/http/matrix.test.ts'],
  },
  {
    name: 'an assistant changes the coach’s coding',
    file: 'server/features/desk/deskRules.ts',
    from: 'if (coding?.coderId !== account.id)',
    to: 'if (!coding)',
    tests: ['server', 'server/features/desk/deskRules.test.ts'],
  },
  {
    name: 'a coded bout is taken away by a save',
    file: 'server/features/bouts/editBouts.ts',
    from: 'if (isCoded(standing, row)) throw',
    to: 'if (!row) throw',
    tests: ['server', 'server/features/bouts/editBouts.test.ts'],
  },
  {
    name: 'interlaced footage keeps its combs',
    file: 'server/media/asShown.ts',
    from: 'bwdif=mode=send_frame:parity=auto:deint=interlaced,',
    to: '',
    tests: ['server', 'server/features/footage/phoneReality.test.ts'],
  },
  {
    name: 'late sound is heard early',
    file: 'server/media/reviewCopy.ts',
    from: 'aresample=async=1:first_pts=0',
    to: 'anull',
    tests: ['server', 'server/features/footage/phoneReality.test.ts'],
  },
  {
    name: 'a still lacks its drawings',
    file: 'server/media/still.ts',
    from: '.composite(drawings.length > 0 ?',
    to: '.composite(drawings.length < 0 ?',
    tests: ['server', 'server/media/still.test.ts'],
  },
  {
    name: 'a file that was cut off says nothing of it',
    file: 'server/media/readFootage.ts',
    from: 'if (missing < Math.max(',
    to: 'if (missing < 1e9 || missing < Math.max(',
    tests: ['server', 'server/media/hostileFiles.test.ts'],
  },
  {
    name: 'a file that decodes to hours of black is read',
    file: 'server/media/probe.ts',
    from: 'bitsPerPixel: 0.0012',
    to: 'bitsPerPixel: 0',
    tests: ['server', 'server/media/hostileFiles.test.ts'],
  },
  {
    name: 'a damaged clock is taken for the file’s own',
    file: 'core/footage/frameTable.ts',
    from: 'export function frameTableFault(',
    to: 'export function frameTableFault(..._: unknown[]): string | null {\n  return null;\n}\nexport function unused(',
    tests: ['unit', 'core/footage/frameTable.test.ts'],
  },
  {
    name: 'a tenth of new edits never reach the browser’s disk',
    file: 'web/features/desk/deskStore.ts',
    from: "for (const change of changes) void work.objectStore('outbox').add(",
    to: "for (const change of changes) if (Math.random() > 0.1) void work.objectStore('outbox').add(",
    tests: ['unit', 'web/features/desk/deskSaving.test.ts'],
  },
  {
    name: 'edits go out under another’s name',
    file: 'web/features/desk/deskStore.ts',
    from: 'return kept.filter(({ accountId }) => accountId === currentAccount());',
    to: 'return kept;',
    tests: ['unit', 'web/features/desk/leftoverEdits.test.ts'],
  },
  {
    name: 'a fall goes on with what was held before the tap',
    file: 'core/scoring/playedStretches.ts',
    from: "if (last && begun !== 'start' && same(last, piece))",
    to: 'if (last && same(last, piece))',
    tests: ['unit', 'core/scoring/falls.test.ts'],
  },
  {
    name: 'harm reaches over a tap',
    file: 'core/fixes/ownHarm.ts',
    from: 'return Math.min(endSeconds + after, tapAt >= atSeconds ? tapAt : Infinity);',
    to: 'return endSeconds + after;',
    tests: ['unit', 'core/fixes/ownHarm.test.ts'],
  },
  {
    name: 'a word stands only for itself in the search',
    file: 'server/features/search/repository.ts',
    from: '.filter((one) => isFormOf(one, word));',
    to: '.filter((one) => one === word);',
    tests: ['server', 'server/features/search/searchWords.test.ts'],
  },
  {
    name: 'a version that is taken back leaves the one before unread',
    file: 'server/features/critique/service.ts',
    from: 'readAt: earlier?.readAt ?? null }',
    to: 'readAt: null }',
    tests: ['server', 'server/features/critique/critique.test.ts'],
  },
  {
    name: 'a desk that was closed while the network was away forgets its edits',
    file: 'web/features/desk/useOpenedDesk.ts',
    from: 'const outbox = kept.map(({ change }) => change);',
    to: 'const outbox: never[] = kept.map(({ change }) => change as never).slice(0, 0);',
    tests: ['e2e', 'e2e/badWeather.e2e.ts'],
  },
  {
    name: 'what is edited last is lost on leaving',
    file: 'web/shared/keeping/useKept.ts',
    from: "removeEventListener('online', send);\n      send();",
    to: "removeEventListener('online', send);",
    tests: ['unit', 'web/shared/keeping/useKept.test.ts'],
  },
  {
    name: 'a database’s words are logged',
    file: 'server/http/requestLog.ts',
    from: '...(!tellsContent(error) && { message: error.message }),',
    to: '...{ message: error.message },',
    tests: ['server', 'server/http/redaction.test.ts'],
  },
  {
    name: 'a migration that was cut off begins anew',
    file: 'server/db/migrate.ts',
    from: 'let done = Number(row?.done ?? 0);',
    to: 'let done = row ? 0 : 1;',
    tests: ['server', 'server/db/migrate.test.ts'],
  },
  {
    name: 'what is linked leaves its harm with the notes before it',
    file: 'core/fixes/ownHarm.ts',
    from: 'const harm = effectAt(at, false) ?? lastBefore(at);',
    to: 'const harm = lastBefore(at);',
    tests: ['unit', 'core/fixes/ownHarm.test.ts'],
  },
  {
    name: 'a link that was turned round still carries harm',
    file: 'core/fixes/rankInput.ts',
    from: '(instants.get(id) ?? Infinity) <= one.requestSeconds + clockSlack',
    to: 'instants.has(id)',
    tests: ['unit', 'core/fixes/rankInput.test.ts'],
  },
  {
    name: 'a part whose starting script is gone goes on',
    file: 'server/house/onStop.ts',
    from: 'if (process.connected === false) once();',
    to: '',
    tests: ['server', 'server/house/onStop.test.ts'],
  },
  {
    name: 'an export does for a version that took the number of another',
    file: 'server/features/critique/export/repository.ts',
    from: ", state: ['waiting', 'ready'], askedAt: { [Op.gte]: sentAt } }",
    to: ", state: ['waiting', 'ready'] }",
    tests: ['server', 'server/features/critique/export/export.test.ts'],
  },
  {
    name: 'drawings on a clip come up with the frame before',
    file: 'server/media/drawnClip.ts',
    from: 'const begins = (seconds + (table.times[frame - 1] ?? seconds)) / 2;',
    to: 'const begins = table.times[frame - 1] ?? seconds;',
    tests: ['server', 'server/media/drawnClip.test.ts'],
  },
  {
    name: 'what was done in a cut of a take is forgotten',
    file: 'core/takes/withoutCuts.ts',
    from: 'const events = [...after, ...left].sort((a, b) => a.t - b.t);',
    to: 'const events = [...left].sort((a, b) => a.t - b.t);',
    tests: ['unit', 'core/takes/takes.test.ts'],
  },
  {
    name: 'pauses are cut while the stage moves',
    file: 'core/takes/pauses.ts',
    from: 'leftOf(silence, busy)',
    to: '[silence]',
    tests: ['unit', 'core/takes/takes.test.ts'],
  },
];

function run({ name, file, from, to, tests: [project, test] }) {
  const path = join(root, file);
  const whole = readFileSync(path, 'utf8');
  if (whole.split(from).length !== 2)
    throw new PlainFault(`${file} does not hold once what “${name}” breaks. Bring scripts/mutants.mjs up to date.`);
  const putBack = () => writeFileSync(path, whole);
  process.once('exit', putBack);
  try {
    writeFileSync(
      path,
      whole.replace(from, () => to),
    );
    const args = ['run', '--project', project, test, '--reporter=dot'];
    const { status } = spawnSync(join(root, 'node_modules', '.bin', 'vitest'), args, {
      cwd: root,
      stdio: 'ignore',
      env: { ...process.env, LEAN_LOG: 'silent' },
    });
    return status !== 0;
  } finally {
    putBack();
    process.removeListener('exit', putBack);
  }
}

for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
try {
  ensureNodeModules(root, console.log);
  const wanted = mutants.filter(({ name }) => name.includes(process.argv[2] ?? ''));
  let noticed = 0;
  for (const mutant of wanted) {
    const caught = run(mutant);
    noticed += Number(caught);
    console.log(`${caught ? 'noticed    ' : 'NOT NOTICED'}  ${mutant.name}`);
  }
  console.log(`${noticed} of ${wanted.length} mutants noticed`);
  process.exitCode = noticed === wanted.length ? 0 : 1;
} catch (error) {
  reportFault(error);
}

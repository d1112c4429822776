import { isIP } from 'node:net';
import { fileURLToPath } from 'node:url';
import { Command, InvalidArgumentError, Option } from 'commander';
import { PULLS, type PullKind } from '#core/devices/simulated/wrench';

/**
 * The command line: the same code as the server, for people without a browser at hand. What a command needs is loaded
 * when it runs.
 */
const USUAL_PORT = 4270;
const program = new Command('fukusa')
  .description('Pump teardown and reassembly instructions, checked')
  .showHelpAfterError();
const dataFolder = () => new Option('--data <folder>', 'where everything is kept').default('data/workshop');
const webFolder = fileURLToPath(new URL('../web', import.meta.url));

const port = (text: string) => {
  const number = Number(text);
  if (!Number.isInteger(number) || number < 0 || number > 65535)
    throw new InvalidArgumentError('A port is a number from 0 to 65535.');
  return number;
};
const publicUrl = (text: string) => {
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (!url || !/^https?:$/.test(url.protocol) || url.pathname !== '/')
    throw new InvalidArgumentError('Give the address people type, such as https://fukusa.example.');
  return url.origin;
};
const whole = (text: string) => {
  const number = Number(text);
  if (!Number.isInteger(number) || number < 0) throw new InvalidArgumentError('Give a whole number.');
  return number;
};
/** "12" is twelve good ones; "well,too-far" is one of each. */
const pulls = (text: string): PullKind[] => {
  if (/^\d{1,4}$/.test(text)) return Array.from({ length: Number(text) }, () => 'well' as const);
  return text.split(',').map((one) => {
    const known = PULLS.find((how) => how === one.trim());
    if (!known) throw new InvalidArgumentError(`"${one}" is none of ${PULLS.join(', ')}.`);
    return known;
  });
};
const NETWORKS = ['loopback', 'linklocal', 'uniquelocal'];
const proxies = (text: string) => {
  const named = text.split(',').map((one) => one.trim());
  const wrong = named.find((one) => !NETWORKS.includes(one) && isIP(one.split('/')[0] ?? '') === 0);
  if (wrong !== undefined)
    throw new InvalidArgumentError(`"${wrong}" is no address or network. Such as: loopback or 10.0.0.0/8.`);
  return named;
};

interface ServeArguments {
  readonly data: string;
  readonly port?: number;
  readonly host: string;
  readonly publicUrl?: string;
  readonly trustProxy?: string[];
  readonly backupEvery?: number;
  readonly backupKeep?: number;
  readonly demo?: boolean;
}

program
  .command('serve')
  .description('serve the web app')
  .addOption(dataFolder())
  .option('--port <number>', 'where to listen', port)
  .option('--host <address>', 'which network address to listen on; 0.0.0.0 for the whole workshop', '127.0.0.1')
  .option('--public-url <address>', 'the address people type, where a proxy stands in front', publicUrl)
  .option('--trust-proxy <addresses>', 'proxies whose word about the client is believed, such as loopback', proxies)
  .option('--backup-every <hours>', 'hours between backups into the data folder; 0 for none', whole)
  .option('--backup-keep <number>', 'how many of them are kept', whole)
  .option('--demo', 'start with the demo dealer')
  .action(async (options: ServeArguments) => {
    const { closeOnSignals, serve } = await import('./serve');
    const demo = options.demo ? (await import('#demo/demo')).openDemo() : undefined;
    const running = await serve({
      dataFolder: options.data,
      port: options.port ?? USUAL_PORT,
      seekPort: options.port === undefined,
      host: options.host,
      reach: { publicUrl: options.publicUrl, trustProxy: options.trustProxy },
      webFolder,
      // The demo is made up; there is nothing in it to lose.
      backups: { everyHours: options.backupEvery ?? (demo ? 0 : 24), keep: Math.max(options.backupKeep ?? 7, 1) },
      ...(demo && { demo: { people: demo.people }, seed: demo.seed }),
    });
    closeOnSignals(running);
    console.log(`\nFukusa is ready at  ${options.publicUrl ?? running.url}\n`);
    const { accounts, setupCode } = running.services;
    if (setupCode !== null && (await accounts.count()) === 0) {
      console.log(`There are no accounts yet. Whoever makes the first one needs the setup code:  ${setupCode}\n`);
    }
    if (demo) {
      console.log(
        'Demo people, by one click on the sign-in page or with the password shown (made up, like all the data):',
      );
      for (const { username, name, role, password } of demo.people) {
        console.log(`  ${username.padEnd(8)} ${name.padEnd(18)} ${role.padEnd(11)} ${password}`);
      }
      console.log('\nStop with Ctrl+C. Start over with: npm run demo -- --reset\n');
    }
  });

program
  .command('check')
  .description('check package files; exit 1 when something would stop a release')
  .argument('<file...>')
  .option('--json', 'findings as JSON')
  .action(async (files: string[], options: { json?: boolean }) => {
    const { checkFiles } = await import('./cli/packages');
    if (await checkFiles(files, options.json ?? false)) process.exitCode = 1;
  });

program
  .command('import')
  .description('take a package file onto the shelf of a data folder that no server is using')
  .argument('<file>')
  .addOption(dataFolder())
  .addOption(new Option('--as <how>').choices(['new', 'copy', 'replace']).default('new'))
  .action(async (file: string, options: { data: string; as: 'new' | 'copy' | 'replace' }) => {
    const { importFile } = await import('./cli/packages');
    await importFile(file, options.data, options.as);
  });

program
  .command('export')
  .description('write a series with its procedures as a package file')
  .argument('<code>', 'the code or id of the series')
  .argument('[file]', 'where to; printed when left out')
  .addOption(dataFolder())
  .action(async (code: string, file: string | undefined, options: { data: string }) => {
    const { exportSeries } = await import('./cli/packages');
    await exportSeries(code, file, options.data);
  });

program
  .command('backup')
  .description('write a backup of a data folder, also while a server is using it, and read it back')
  .argument('<file>')
  .addOption(dataFolder())
  .action(async (file: string, options: { data: string }) => {
    const { backUp } = await import('./cli/keeping');
    await backUp(file, options.data);
  });

program
  .command('restore')
  .description('restore a backup into a new or empty data folder')
  .argument('<file>')
  .addOption(dataFolder())
  .action(async (file: string, options: { data: string }) => {
    const { restore } = await import('./cli/keeping');
    await restore(file, options.data);
  });

program
  .command('check-backup')
  .description('check that a backup is intact and can be restored')
  .argument('<file>')
  .action(async (file: string) => {
    const { checkBackup } = await import('./cli/keeping');
    await checkBackup(file);
  });

program
  .command('wrench')
  .description('a stand-in for a connected torque wrench, for tests and for trying it out')
  .requiredOption('--code <code>', 'from the screen of the tablet')
  .option('--server <address>', 'where the server is', `http://localhost:${USUAL_PORT}`)
  .option('--number <number>', 'the number of the wrench')
  .option('--pulls <list>', `how often, or one after the other: ${PULLS.join(', ')}`, pulls, ['well' as const])
  .option('--pause <ms>', 'between two pulls', whole, 3000)
  .action(async (options: { code: string; server: string; number?: string; pulls: PullKind[]; pause: number }) => {
    const { runWrench } = await import('./cli/wrench');
    const { pause: pauseMs, ...rest } = options;
    await runWrench({ ...rest, pauseMs, tell: (line) => console.log(line) });
  });

program
  .command('verify')
  .description('check an exported record without a server; exit 1 when anything in it was changed')
  .argument('<file>')
  .option('--key <public key>', 'the key of the workshop that should have signed it, as printed on its records')
  .action(async (file: string, options: { key?: string }) => {
    const { verifyFile } = await import('./cli/verify');
    if (!(await verifyFile(file, options.key, (line) => console.log(line)))) process.exitCode = 1;
  });

const user = program.command('user').description('people of a workshop, also while a server is running');
user
  .command('list')
  .addOption(dataFolder())
  .action(async (options: { data: string }) => {
    const { listUsers } = await import('./cli/keeping');
    await listUsers(options.data);
  });
user
  .command('add')
  .argument('<username>')
  .requiredOption('--name <name>', 'as it stands in records')
  .addOption(new Option('--role <role>').choices(['lead', 'trainer', 'technician', 'apprentice']).makeOptionMandatory())
  .addOption(dataFolder())
  .action(async (username: string, options: { data: string; name: string; role: string }) => {
    const { addUser } = await import('./cli/keeping');
    await addUser(username, options.name, options.role, options.data);
  });
user
  .command('reset')
  .description('give somebody a new password')
  .argument('<username>')
  .addOption(dataFolder())
  .action(async (username: string, options: { data: string }) => {
    const { resetUser } = await import('./cli/keeping');
    await resetUser(username, options.data);
  });
user
  .command('deactivate')
  .description('deactivate an account')
  .argument('<username>')
  .addOption(dataFolder())
  .action(async (username: string, options: { data: string }) => {
    const { deactivateUser } = await import('./cli/keeping');
    await deactivateUser(username, options.data);
  });

try {
  await program.parseAsync();
} catch (error) {
  const { tell } = await import('./cli/tell');
  console.error(tell(error));
  process.exitCode = 2;
}

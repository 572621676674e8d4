import { openDatabase } from '../../storage/open-database.js';

// Opens a folder's workshop and closes it again, for a program that is to be killed on the way.
process.stdout.write('opening\n');
try {
  await (await openDatabase(process.argv[2] as string)).close();
} catch (reason) {
  process.stderr.write(`${(reason as Error).message}\n`);
  process.exitCode = 1;
}

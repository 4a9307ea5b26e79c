import { readConfig } from './config.ts';
import { connect, migrate } from './db/connect.ts';
import { runAsTool } from './explain.ts';
import { type Checked, checkBundles, faultWords } from './features/bundles/check.ts';

const say = ({ family, fault, mended }: Checked): void => {
  if (fault) console.log(`${family}: ${faultWords[fault]}${mended ? '; mended' : ''}`);
};

/** npm run check: whether what technicians get is what was published; `--mend` sets right what is not. */
await runAsTool(async () => {
  const mend = process.argv.includes('--mend');
  const db = connect(readConfig(process.env).database);
  try {
    await migrate(db);
    const all = await checkBundles({ db, now: () => new Date() }, { mend, onEach: say });
    const wrong = all.filter((c) => c.fault !== null);
    const left = wrong.filter((c) => !c.mended);
    console.log(
      wrong.length === 0
        ? `${all.length} bundles, each as its published revisions give it.`
        : `${all.length} bundles, ${wrong.length} wrong, ${wrong.length - left.length} mended.`,
    );
    if (left.length > 0 && !mend) console.log('Mend them with: npm run check -- --mend');
    return left.length > 0 ? 1 : 0;
  } finally {
    await db.destroy();
  }
});

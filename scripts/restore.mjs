// npm run restore -- FILE [--replace]: a backup into an empty installation, or in place of what is there.
import { holderOf } from './hold.mjs';
import { dataFolder, ownDatabase } from './local.mjs';
import { runTool } from './run-tool.mjs';

const running = ownDatabase ? await holderOf(dataFolder) : null;
if (running) {
  console.error(
    `Wire Trail runs${running.address ? ` at ${running.address}` : ''}. Stop it first: it would not see what changes.`,
  );
  process.exit(1);
}
await runTool('restore');

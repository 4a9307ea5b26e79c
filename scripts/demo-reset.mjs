// npm run demo:reset: drops the private database, and loads the demo anew.
import { ownDatabase } from './local.mjs';
import { runTool } from './run-tool.mjs';

if (!ownDatabase) {
  console.error('This resets the private demo database only; the environment names another one.');
  process.exit(1);
}
await runTool('demo-reset');

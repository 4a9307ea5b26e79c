// npm run backup -- FILE: everything there is into one file, while the server runs.
import { runTool } from './run-tool.mjs';

await runTool('backup');

// npm run check [-- --mend]: whether what technicians get is what was published, and to set right what is not.
import { runTool } from './run-tool.mjs';

await runTool('check');

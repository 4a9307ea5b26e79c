// npm run admin:create -- --sign-in NAME --name "Full name": the first admin of a production database; asks for the password.
import { runTool } from './run-tool.mjs';

await runTool('admin-create');

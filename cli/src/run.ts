import { parseArgs } from 'node:util';
import { type Output, runDecode, runExport, runImport, runLint } from './commands.ts';
import { UnusableInput } from './input.ts';

const usage = `wire-trail COMMAND … [--json]

  lint BUNDLE                             loose ends of a bundle file
  decode BUNDLE --readout ID --seen FILE  what a readout may be showing
  import BUNDLE [--publish]               bring a bundle into the running server's database
  export FAMILY                           print a family's published bundle

Exit status: 0 fine, 1 findings of severity error, 2 unusable input.`;

/** Where a command prints, and the environment it reads; the process itself, or a test's own. */
export type Surroundings = Readonly<{
  env: Readonly<Record<string, string | undefined>>;
  out: (text: string) => void;
  err: (text: string) => void;
}>;

/** Runs one command line; gives the exit status. */
export async function run(argv: readonly string[], { env, out, err }: Surroundings): Promise<number> {
  const json = argv.includes('--json');
  try {
    const { values, positionals } = parseArgs({
      args: [...argv],
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        readout: { type: 'string' },
        seen: { type: 'string' },
        publish: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    });
    const [command, file] = positionals;
    if (values.help || command === undefined) {
      out(usage);
      return command === undefined && !values.help ? 2 : 0;
    }
    if (file === undefined)
      throw new UnusableInput([{ file: command, path: [], reason: 'names no file or family; see --help' }]);
    const output = await dispatch(command, file, env, {
      readout: values.readout,
      seen: values.seen,
      publish: values.publish ? 'yes' : undefined,
    });
    out(json ? JSON.stringify(output.json) : output.lines.join('\n'));
    return output.errors ? 1 : 0;
  } catch (error) {
    const usable = error instanceof UnusableInput ? error : wrongArguments(error);
    if (json) out(JSON.stringify({ problems: usable.problems }));
    else err(usable.message);
    return 2;
  }
}

function dispatch(
  command: string,
  file: string,
  env: Surroundings['env'],
  options: Record<string, string | undefined>,
): Output | Promise<Output> {
  switch (command) {
    case 'lint':
      return runLint(file);
    case 'decode':
      return runDecode(file, options);
    case 'import':
      return runImport(file, options, env);
    case 'export':
      return runExport(file, env);
    default:
      throw new UnusableInput([{ file: command, path: [], reason: 'is no command; see --help' }]);
  }
}

/** Arguments Node could not read become unusable input; anything else is a fault of ours and goes on up. */
function wrongArguments(error: unknown): UnusableInput {
  const { code, message } = error as { code?: string; message: string };
  if (code?.startsWith('ERR_PARSE_ARGS')) return new UnusableInput([{ file: 'arguments', path: [], reason: message }]);
  if (code === 'ECONNREFUSED')
    return new UnusableInput([{ file: 'database', path: [], reason: 'does not answer; is the server running?' }]);
  throw error;
}

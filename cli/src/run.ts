import { parseArgs } from 'node:util';
import { runMeasure } from './chart-commands.ts';
import { runLockOut, runProve } from './code-commands.ts';
import { type Output, runExport, runImport, runLint } from './commands.ts';
import { runExchangeCsv, runExchangeMermaid, runExchangePdf } from './exchange-commands.ts';
import { UnusableInput } from './input.ts';
import { runCodesExport, runCodesImport, runFind, runResolve, runUnit } from './library-commands.ts';
import { runRename, runUses } from './name-commands.ts';
import { runDecode, runEncode, runLookAlikes, runRhythm } from './readout-commands.ts';
import { runAccounts, runExchangeScxml, runPlay, runScript, runSuccessRate, runTelling } from './route-commands.ts';
import { runWalk } from './walk-command.ts';

const usage = `wire-trail COMMAND … [--json]

  lint BUNDLE                             loose ends of a bundle file
  uses BUNDLE --thing KIND:ID             every place that names a control, a part, a step …
  rename BUNDLE --thing KIND:ID --to ID   the bundle with it called otherwise everywhere
  decode BUNDLE --readout ID --seen FILE | --said TEXT
                                          what a readout may be showing
  encode BUNDLE --readout ID --code C     what each sign does over time
  rhythm FILE [--bundle BUNDLE --readout ID]
                                          symbols of taps or brightness over time (CSV: time in ms, value …)
  lookalikes BUNDLE --readout ID          codes that one slip turns into others
  import BUNDLE [--publish]               bring a bundle into the running server's database
  export FAMILY                           print a family's published bundle
  find BUNDLE… --query TEXT               codes, symptoms and units for what somebody typed
  unit BUNDLE… --traits FILE              which unit it is, by what was seen of it
  resolve BUNDLE --model M --serial S --software V
                                          the variant of a plate, with its values and why
  codes import BUNDLE --csv FILE --map FILE --dry-run
                                          what a table of codes would change, row by row
  codes export BUNDLE                     codes and symptoms of a bundle as CSV
  play BUNDLE --route ID --events FILE [--memory FILE]
                                          what timed events come to: ended, mode, what was otherwise and by how
                                          much; with the codes in its memory
  odds BUNDLE --route ID [--hands bare|gloved|first] [--runs N] [--seed N]
                                          how likely a person is to hit a route (a model)
  prove BUNDLE --code ID [--variant ID]   how long a repair has to run before it is proven, and why
  lockout BUNDLE --code ID --attempts N   how long it has been in trouble, and until it locks out
  script print BUNDLE --route ID          a route as its script
  script parse BUNDLE --script FILE       a script as steps, with what is wrong in it
  telling BUNDLE [FILE] [--family ID] [--text FILE]
                                          draft routes of a telling, as text, captions or a chat (else on standard
                                          input); also called intake
  accounts FILE…                          tellings of one route side by side
  walk BUNDLE --chart ID --answers FILE [--code ID]
                                          a test chart followed through answers
  measure --thermistor r25=…,beta=… | a=…,b=…,c=… | table=°C:Ω,… [--ohm R] --at T
          --element watt=…,volt=…         what is good, and what a reading means
  exchange scxml BUNDLE [--family ID]     modes and routes as W3C SCXML
  exchange mermaid BUNDLE --chart ID [--bare]
                                          a chart as a Mermaid flowchart
  exchange mermaid TEXT                   a flowchart, outline or numbered list as a chart
  exchange csv WALK… [--bundle BUNDLE]    readings of walks
  exchange pdf BUNDLE [--chart ID] [--code ID] [--card] --out FILE
                                          a chart as a page, or as a card for the pocket

Exit status: 0 fine, 1 findings of severity error, 2 unusable input.`;

/** Commands of two words. */
const doubles: ReadonlySet<string> = new Set(['codes', 'script', 'exchange']);

/** An option's value may begin with a minus: `--at -18` is as good as `--at=-18`. */
const withSigned = (argv: readonly string[]): string[] =>
  argv.flatMap((arg, i) => {
    const next = argv[i + 1];
    if (/^-\d/.test(arg) && argv[i - 1]?.startsWith('--')) return [];
    return arg.startsWith('--') && next !== undefined && /^-\d/.test(next) ? [`${arg}=${next}`] : [arg];
  });

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
      args: withSigned(argv),
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        readout: { type: 'string' },
        thing: { type: 'string' },
        to: { type: 'string' },
        seen: { type: 'string' },
        said: { type: 'string' },
        code: { type: 'string' },
        bundle: { type: 'string' },
        publish: { type: 'boolean' },
        query: { type: 'string' },
        traits: { type: 'string' },
        model: { type: 'string' },
        serial: { type: 'string' },
        software: { type: 'string' },
        csv: { type: 'string' },
        map: { type: 'string' },
        'dry-run': { type: 'boolean' },
        all: { type: 'boolean' },
        route: { type: 'string' },
        events: { type: 'string' },
        memory: { type: 'string' },
        hands: { type: 'string' },
        runs: { type: 'string' },
        seed: { type: 'string' },
        script: { type: 'string' },
        text: { type: 'string' },
        family: { type: 'string' },
        chart: { type: 'string' },
        answers: { type: 'string' },
        thermistor: { type: 'string' },
        element: { type: 'string' },
        ohm: { type: 'string' },
        at: { type: 'string' },
        variant: { type: 'string' },
        attempts: { type: 'string' },
        accuracy: { type: 'string' },
        out: { type: 'string' },
        address: { type: 'string' },
        card: { type: 'boolean' },
        bare: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    });
    const isDouble = doubles.has(positionals[0] ?? '');
    const command = isDouble ? positionals.slice(0, 2).join(' ') : positionals[0];
    const files = positionals.slice(isDouble ? 2 : 1);
    const [file] = files;
    if (values.help || command === undefined) {
      out(usage);
      return command === undefined && !values.help ? 2 : 0;
    }
    if (file === undefined && command !== 'measure')
      throw new UnusableInput([{ file: command, path: [], reason: 'names no file or family; see --help' }]);
    const { json: _, help: __, 'dry-run': dryRun, ...named } = values;
    const flags = { ...named, dryRun };
    const options = Object.fromEntries(
      Object.entries(flags).map(([k, v]) => [k, typeof v === 'boolean' ? (v ? 'yes' : undefined) : v]),
    );
    const output = await dispatch({ command, file: file ?? '', files, env, options });
    out(json ? JSON.stringify(output.json) : output.lines.join('\n'));
    return output.errors ? 1 : 0;
  } catch (error) {
    const usable = error instanceof UnusableInput ? error : wrongArguments(error);
    if (json) out(JSON.stringify({ problems: usable.problems }));
    else err(usable.message);
    return 2;
  }
}

type Call = Readonly<{
  command: string;
  file: string;
  files: readonly string[];
  env: Surroundings['env'];
  options: Record<string, string | undefined>;
}>;

function dispatch({ command, file, files, env, options }: Call): Output | Promise<Output> {
  switch (command) {
    case 'lint':
      return runLint(file, options);
    case 'uses':
      return runUses(file, options);
    case 'rename':
      return runRename(file, options);
    case 'decode':
      return runDecode(file, options);
    case 'encode':
      return runEncode(file, options);
    case 'rhythm':
      return runRhythm(file, options);
    case 'lookalikes':
      return runLookAlikes(file, options);
    case 'import':
      return runImport(file, options, env);
    case 'export':
      return runExport(file, env);
    case 'find':
      return runFind(files, options);
    case 'unit':
      return runUnit(files, options);
    case 'resolve':
      return runResolve(file, options);
    case 'codes import':
      return runCodesImport(file, options);
    case 'codes export':
      return runCodesExport(file);
    case 'play':
      return runPlay(file, options);
    case 'odds':
      return runSuccessRate(file, options);
    case 'prove':
      return runProve(file, options);
    case 'lockout':
      return runLockOut(file, options);
    case 'script print':
      return runScript('print', file, options);
    case 'script parse':
      return runScript('parse', file, options);
    case 'telling':
    case 'intake':
      return runTelling(file, options, files[1]);
    case 'accounts':
      return runAccounts(files);
    case 'walk':
      return runWalk(file, options);
    case 'measure':
      return runMeasure(options);
    case 'exchange mermaid':
      return runExchangeMermaid(file, options);
    case 'exchange csv':
      return runExchangeCsv(files, options);
    case 'exchange pdf':
      return runExchangePdf(file, options);
    case 'exchange scxml':
      return runExchangeScxml(file, options);
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

/// <reference lib="dom" />
import type { Page } from '@playwright/test';
import { signedIn, withBuiltSchool } from './built-school.ts';
import { type Row, row } from './row.ts';

type Counted = Readonly<{ all: number; own: number; others: string[] }>;

/** Controls of the page as it stands, drawings left out: how many have a root of MUI's, and what the others are. */
const count = (page: Page): Promise<Counted> =>
  page.evaluate(() => {
    const roots =
      '.MuiButtonBase-root, .MuiInputBase-root, .MuiSlider-root, .MuiDataGrid-root, .MuiAccordionSummary-root, .MuiLink-root';
    const drawings = 'svg, .react-flow, .cm-editor, .hold-pad, .beat-card, .pad';
    const controls = [
      ...document.querySelectorAll<HTMLElement>(
        'button, input, select, textarea, summary, [role=button], [role=tab], [role=checkbox], [role=switch], [role=slider], [role=combobox]',
      ),
    ].filter((e) => !e.closest(drawings) && e.closest('[aria-hidden=true]') === null && e.getClientRects().length > 0);
    const others = controls.filter((e) => !e.closest(roots));
    return {
      all: controls.length,
      own: controls.length - others.length,
      others: others.map((e) => `${e.tagName.toLowerCase()}.${e.className} ${e.textContent?.trim().slice(0, 30)}`),
    };
  });

const technician: ReadonlyArray<readonly [string, (page: Page) => Promise<unknown>]> = [
  ['/trail', (page) => page.getByText('five lamps in an arc').first().waitFor()],
  ['/which', (page) => page.getByRole('heading', { level: 1 }).waitFor()],
  ['/shelf', (page) => page.getByText('Brindlewick G4').first().waitFor()],
  ['/shelf/brindlewick-g4', (page) => page.getByRole('tab', { name: 'Codes' }).waitFor()],
  ['/play/brindlewick-g4', (page) => page.getByText('Nothing yet.').waitFor()],
  ['/profile', (page) => page.getByText('Units', { exact: true }).waitFor()],
  ['/log', (page) => page.getByRole('heading', { name: 'Log' }).waitFor()],
];

/** A walk on a machine of its own, station by station. */
async function walked(page: Page, seen: () => Promise<void>): Promise<void> {
  const press = (name: string) => page.getByRole('button', { name, exact: true }).click();
  await page.locator('.unit-card', { hasText: 'Brindlewick' }).click();
  await page.getByLabel('Serial number').fill('BENCH-MUI');
  await page.getByLabel(/^Model/).fill('G4-20B');
  await page.getByLabel(/^Software/).fill('2.6');
  await seen();
  await press('This is the unit');
  await page.getByText('What can hurt here').waitFor();
  await seen();
  await press('I have read this');
  await page.getByRole('button', { name: 'Begin, hands free' }).waitFor();
  await seen();
  await press('Leave this station out …');
  await page.getByLabel('Why?').fill('it stands in that mode already');
  await press('Leave it out');
  await page.getByText(/By phone, or typed in words/).waitFor();
  await seen();
}

const unit = '/shelf/brindlewick-g4';
const trainer = [
  '/shelf',
  ...[
    'Panel',
    'Modes',
    'Readouts',
    'Codes',
    'Codes&as=table',
    'Routes',
    'Charts',
    'Settings',
    'Sources',
    'To%20fix',
  ].map((tab) => `${unit}?room=${tab}`),
  ...[
    'code/k19',
    'readout/lamps',
    'route/enter-memory',
    'chart/rinse-heat',
    'mode/memory',
    'family/brindlewick-g4',
  ].map((entry) => `${unit}/${entry}`),
  '/library',
  '/bench',
  '/log',
];

const share = (all: readonly Counted[]): number =>
  all.reduce((sum, c) => sum + c.own, 0) /
  Math.max(
    1,
    all.reduce((sum, c) => sum + c.all, 0),
  );

/** How much of the interface is MUI's, in the running application: of a technician's views, and of a trainer's. */
export async function benchInterface(): Promise<Row[]> {
  const { walks, rooms } = await withBuiltSchool(async (address) => {
    const field = await signedIn(address, 'technician', { width: 390, height: 844 });
    const walks: Counted[] = [];
    const seen = async () => void walks.push(await count(field.page));
    for (const [path, stands] of technician) {
      await field.page.goto(address + path);
      await stands(field.page);
      await seen();
      if (path === '/trail') {
        await walked(field.page, seen);
        await field.page.goto(address);
      }
    }
    await field.close();
    const desk = await signedIn(address, 'trainer', { width: 1280, height: 800 });
    const rooms: Counted[] = [];
    for (const path of trainer) {
      await desk.page.goto(address + path);
      await desk.page.getByRole('heading', { level: 1 }).first().waitFor();
      await desk.page.waitForLoadState('networkidle');
      rooms.push(await count(desk.page));
    }
    await desk.close();
    return { walks, rooms };
  });
  if (process.env.BENCH_SAY) console.error([...walks, ...rooms].flatMap((c) => c.others).join('\n'));
  const mine = share(walks);
  return [
    row('web.muiShare', mine, 'share', '≥ 0.97', mine >= 0.97),
    row('web.muiShareTrainer', share(rooms), 'share', '≥ 0.97', share(rooms) >= 0.97),
  ];
}

import { type Browser, type BrowserContext, test as base, expect, type Page, type TestInfo } from '@playwright/test';

export { expect };

/** Who has signed in once goes on from there in every later test. */
const signedIn = new Map<string, Awaited<ReturnType<BrowserContext['storageState']>>>();

const phone = { width: 390, height: 844 };
/** Nothing blinks or slides that no test looks at: what is drawn anew all the time takes the processor from the rest. */
const still = { reducedMotion: 'reduce' as const };
/** So many controls may lie before the one that is wanted. */
const mostTabs = 160;

/** Somebody at a screen. What goes wrong on the page itself fails the test at its end. */
export class Person {
  readonly page: Page;
  readonly context: BrowserContext;
  readonly complaints: string[] = [];
  constructor(page: Page, context: BrowserContext) {
    this.page = page;
    this.context = context;
    page.on('pageerror', (error) => this.complaints.push(error.message));
    page.on('console', (message) => {
      // a request that fails is told by the page; a broken policy or a fault in the code is not
      if (message.type() === 'error' && !/Failed to load resource|ERR_INTERNET_DISCONNECTED/.test(message.text()))
        this.complaints.push(message.text());
    });
  }

  async signIn(name: string): Promise<void> {
    await this.page.goto('/');
    if (!signedIn.has(name)) {
      await this.page.getByLabel('Name').fill(name);
      await this.page.getByLabel('Password').fill('orrimar-demo');
      await this.press('Sign in');
    }
    await expect(this.page.getByRole('navigation', { name: 'areas' })).toBeVisible();
    if (!signedIn.has(name)) {
      const { cookies, ...kept } = await this.context.storageState();
      // the next browser is a new one: nothing was ever kept there, and nothing cleared
      signedIn.set(name, { ...kept, cookies: cookies.filter((c) => c.name !== 'wire-trail-waits') });
    }
  }

  press = (name: string | RegExp) => this.page.getByRole('button', { name, exact: typeof name === 'string' }).click();
  type = (label: string | RegExp, text: string) => this.page.getByLabel(label).fill(text);
  goTo = (area: string) =>
    this.page.getByRole('navigation', { name: 'areas' }).getByRole('link', { name: area }).click();
  sees = (text: string | RegExp) => expect(this.page.getByText(text).filter({ visible: true }).first()).toBeVisible();
  /** What the camera saw too little of to be sure is watched once more, as the page offers. */
  async watchesUntil(text: string): Promise<void> {
    const again = this.page.getByRole('button', { name: 'Watch again' });
    const isMade = this.page.getByText(text).filter({ visible: true }).first();
    for (let n = 0; n < 3; n += 1) {
      await expect(isMade.or(again).first()).toBeVisible();
      if (await isMade.isVisible()) return;
      await again.click();
      await this.press('Start watching');
    }
    await expect(isMade).toBeVisible();
  }
  /** Goes from control to control until it stands on the one of this name. */
  async tabsTo(name: string | RegExp): Promise<void> {
    const passed: string[] = [];
    for (let i = 0; i < mostTabs; i++) {
      await this.page.keyboard.press('Tab');
      const own = await this.page.evaluate(() => {
        const at = document.activeElement as HTMLInputElement | null;
        const words = at?.getAttribute('aria-label') ?? at?.labels?.[0]?.textContent ?? at?.textContent ?? '';
        return words.replace(/\s+/g, ' ').trim();
      });
      if (typeof name === 'string' ? own === name : name.test(own)) return;
      passed.push(own.slice(0, 30));
    }
    throw new Error(`${name} is not reached by Tab, only ${[...new Set(passed)].join(', ')}`);
  }
  /** Adds an entry by its name, from whatever list it belongs to. */
  async adds(what: string, name: string): Promise<void> {
    await this.press(`Add ${what}`);
    const asked = this.page.getByRole('dialog', { name: `Add ${what}` });
    await asked.getByRole('textbox').fill(name);
    await asked.getByRole('button', { name: 'Add', exact: true }).click();
  }
  seesNot = (text: string | RegExp) => expect(this.page.getByText(text).filter({ visible: true })).toHaveCount(0);
}

export class Technician extends Person {
  #isJustIn = true;

  /** Opens the start page and waits until the library is kept on the device. */
  async opensTrail(): Promise<void> {
    // after signing in it stands there already
    if (!this.#isJustIn || new URL(this.page.url()).pathname !== '/trail') await this.page.goto('/trail');
    this.#isJustIn = false;
    await this.sees('five lamps in an arc');
  }

  /** Presses what takes the walk further, and waits until the device has kept it: only then may the page go. */
  async goesOnBy(name: string): Promise<void> {
    await this.press(name);
    await expect(this.page.getByRole('button', { name, exact: true })).toHaveCount(0);
  }

  picksUnit = (name: string | RegExp) => this.page.locator('.unit-card', { hasText: name }).click();

  async readsPlate(serial: string, model = '', software = ''): Promise<void> {
    await this.type('Serial number', serial);
    await this.type(/^Model/, model);
    await this.type(/^Software/, software);
  }

  /** From the unit to the lamps or the display, without what a test is not about. */
  async getsToTheLamps(serial: string, model = 'G4-20B', software = '2.6'): Promise<void> {
    await this.readsPlate(serial, model, software);
    await this.press('This is the unit');
    await this.press('I have read this');
    await this.goesAhead('Read', 'it stands in that mode already');
    await this.sees(/By phone, or typed in words|It may have been misread/);
  }

  /** From the start page to the first question of the chart of what was typed; the stations between are left out. */
  async isTesting(what: string, pick: RegExp, serial: string, has: 'code' | 'symptom' = 'code'): Promise<void> {
    await this.opensTrail();
    await this.page.getByRole('textbox').fill(what);
    await this.page.getByRole('button', { name: pick }).first().click();
    await this.readsPlate(serial, serial.startsWith('G4') ? 'G4-20B' : '', serial.startsWith('G4') ? '2.6' : '');
    await this.press('This is the unit');
    await this.press('I have read this');
    // without a code nothing is entered or read
    if (has === 'symptom') await this.sees(/the symptom leads/);
    else await this.goesAhead('Test', 'it shows at the front');
  }

  /** Taps ahead on the line, and says why what is between is left out. */
  async goesAhead(station: string, why: string): Promise<void> {
    await this.press(new RegExp(`^\\d ${station}`));
    await this.press(new RegExp(`^${why}$`, 'i'));
  }

  /** On a fresh machine of any family, up to the lamps or the display; the way into the mode is left out. */
  async isAtTheReadout(family: string, serial: string, model: string, software: string): Promise<void> {
    await this.opensTrail();
    await this.picksUnit(family);
    await this.getsToTheLamps(serial, model, software);
  }

  /** Taps along with a lamp: so many in each round, at its own tempo, with the pause between. */
  async tapsAlong(rounds: readonly number[]): Promise<void> {
    // the times are the page's own: a machine that is busy elsewhere taps no other rhythm
    await this.page.getByRole('button', { name: /^Tap here as it blinks/ }).evaluate(async (pad, counts) => {
      const real = performance.now.bind(performance);
      let ahead = 0;
      let frozen: number | null = real();
      performance.now = () => (frozen ?? real()) + ahead;
      const key = async (kind: 'keydown' | 'keyup', ms: number) => {
        ahead += ms;
        pad.dispatchEvent(new KeyboardEvent(kind, { key: ' ', bubbles: true, cancelable: true }));
        await new Promise((drawn) => requestAnimationFrame(drawn));
      };
      for (const [round, count] of counts.entries())
        for (let n = 0; n < count; n += 1) {
          await key('keydown', n > 0 ? 400 : round > 0 ? 1500 : 0);
          await key('keyup', 160);
        }
      ahead -= real() - (frozen ?? 0);
      frozen = null;
    }, rounds);
  }

  lamp = (name: string) => this.page.getByRole('button', { name: new RegExp(`^lamp ${name}\\b`) });

  /** Taps the lamps of a stage: each letter once more is one tap more. */
  async taps(stage: RegExp, letters: string): Promise<void> {
    await this.page.getByRole('tab', { name: stage }).click();
    for (const letter of letters) await this.lamp(letter).click();
  }

  /** The question that stands there now: the next one is waited for before anything is typed into it. */
  isAsked = (title: string) => expect(this.page.getByRole('heading', { level: 1, name: title })).toBeVisible();

  async measures(reading: string, temperature?: string): Promise<void> {
    if (temperature !== undefined) await this.type(/^Temperature of/, temperature);
    await this.type(/^What the meter shows/, reading);
  }

  /** Everything was sent and taken. */
  async hasSentAll(): Promise<void> {
    await expect(this.page.locator('[data-waiting]').first()).toHaveAttribute('data-waiting', '0');
  }
}

/** A device: what it can do, and whose sign-in it knows. */
type Device = Readonly<{ viewport?: { width: number; height: number }; hasTouch?: boolean }>;

/** Devices nobody stands at. What one has fetched and compiled it need not fetch and compile again. */
const idle = new Map<string, BrowserContext[]>();

/** A device as if it were new, with what somebody who has signed in there left behind. */
async function taken(browser: Browser, device: Device, name: string, origin: string): Promise<Person['context']> {
  const known = signedIn.get(name);
  const context = idle.get(JSON.stringify(device))?.pop();
  if (!context) return browser.newContext({ ...device, ...still, serviceWorkers: 'block', storageState: known });
  const page = await context.newPage();
  const wire = await context.newCDPSession(page);
  await wire.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await context.clearCookies();
  await context.addCookies(known?.cookies ?? []);
  const kept = known?.origins.find((o) => o.origin === origin)?.localStorage ?? [];
  if (kept.length > 0) {
    await page.goto('/api/v1/health');
    await page.evaluate((all) => {
      for (const { name, value } of all) localStorage.setItem(name, value);
    }, kept);
  }
  await page.close();
  return context;
}

async function left(context: BrowserContext, device: Device): Promise<void> {
  for (const page of context.pages()) await page.close();
  const key = JSON.stringify(device);
  idle.set(key, [...(idle.get(key) ?? []), context]);
}

/** What a test that fails leaves to be read: where each page stood, what it complained of, what was on it. */
async function toldOf(all: ReadonlyArray<{ person: Person }>, info: TestInfo): Promise<void> {
  if (info.errors.length === 0) return;
  for (const { person } of all) {
    const { page, complaints } = person;
    const shown = await page
      .locator('body')
      .innerText({ timeout: 5000 })
      .catch(() => 'the page does not answer');
    await info.attach('page-then', { contentType: 'text/plain', body: [page.url(), ...complaints, shown].join('\n') });
  }
}

type People = {
  /** Somebody at a desk; on a device of their own where the test changes more of it than is kept on it. */
  desk: (name: string, how?: 'own device') => Promise<Person>;
  field: (viewport?: { width: number; height: number }, how?: 'offline') => Promise<Technician>;
};

export const test = base.extend<People>({
  desk: async ({ browser, baseURL }, use, info) => {
    const all: Array<{ person: Person; isOwn: boolean }> = [];
    await use(async (name, how) => {
      const context =
        how === undefined
          ? await taken(browser, {}, name, baseURL ?? '')
          : await browser.newContext({ ...still, serviceWorkers: 'block', storageState: signedIn.get(name) });
      const person = new Person(await context.newPage(), context);
      all.push({ person, isOwn: how !== undefined });
      await person.signIn(name);
      return person;
    });
    await toldOf(all, info);
    for (const { person, isOwn } of all) {
      expect(person.complaints).toEqual([]);
      await (isOwn ? person.context.close() : left(person.context, {}));
    }
  },
  field: async ({ browser, baseURL }, use, info) => {
    const all: Array<{ person: Technician; device: Device; how: 'offline' | undefined }> = [];
    await use(async (viewport = phone, how) => {
      const device = { viewport, hasTouch: viewport.width < 600 };
      // the whole shell is fetched ahead only where a test goes on without a connection
      const context =
        how === undefined
          ? await taken(browser, device, 'technician', baseURL ?? '')
          : await browser.newContext({ ...device, ...still, storageState: signedIn.get('technician') });
      const person = new Technician(await context.newPage(), context);
      all.push({ person, device, how });
      await person.signIn('technician');
      return person;
    });
    await toldOf(all, info);
    for (const { person, device, how } of all) {
      expect(person.complaints).toEqual([]);
      await (how === undefined ? left(person.context, device) : person.context.close());
    }
  },
});

import type { Locator, Page } from '@playwright/test';

/** What a person’s hands did: clicks (keys like Enter and shortcuts count as such), fields filled, characters typed beside what was pasted. */
export type Hands = { clicks: number; fields: number; characters: number };

/** Somebody whose clicks, fields and characters are counted as they are made. */
export class Counted {
  readonly page: Page;
  readonly hands: Hands;
  constructor(page: Page, hands: Hands = { clicks: 0, fields: 0, characters: 0 }) {
    this.page = page;
    this.hands = hands;
  }
  private in = (within?: Locator) => within ?? this.page;

  async click(target: Locator): Promise<void> {
    this.hands.clicks += 1;
    await target.click();
  }
  press = (name: string | RegExp, within?: Locator) =>
    this.click(this.in(within).getByRole('button', { name, exact: typeof name === 'string' }));
  follow = (name: string | RegExp, within?: Locator) =>
    this.click(this.in(within).getByRole('link', { name, exact: typeof name === 'string' }));
  tick = (name: string | RegExp, within?: Locator) => this.click(this.in(within).getByRole('checkbox', { name }));
  step = (name: RegExp) => this.press(name, this.page.getByRole('navigation', { name: 'steps' }));

  async type(label: string | RegExp, text: string, within?: Locator): Promise<void> {
    this.hands.fields += 1;
    this.hands.characters += text.length;
    await this.in(within).getByLabel(label).first().fill(text);
  }
  /** Copied somewhere else and put in by the clipboard: a field, and the two keys of it as a click. */
  async paste(target: Locator, text: string): Promise<void> {
    this.hands.fields += 1;
    this.hands.clicks += 1;
    await target.focus();
    const isTaken = await target.evaluate((element, said) => {
      const data = new DataTransfer();
      data.setData('text/plain', said);
      return !element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    }, text);
    if (!isTaken) await target.fill(text);
  }
  async choose(label: string | RegExp, option: string, within?: Locator): Promise<void> {
    this.hands.fields += 1;
    this.hands.clicks += 1;
    await this.in(within).getByLabel(label).first().selectOption({ label: option });
  }
  async key(keys: string): Promise<void> {
    this.hands.clicks += 1;
    await this.page.keyboard.press(keys);
  }
}

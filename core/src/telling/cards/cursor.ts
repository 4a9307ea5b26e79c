/** A line that is read from its front, piece by piece; what does not fit leaves it where it was. */
export class Cursor {
  private text: string;

  constructor(text: string) {
    this.text = text;
  }

  get rest(): string {
    return this.text;
  }

  get isDone(): boolean {
    return this.text.trim() === '';
  }

  /** Takes what a pattern finds at the front, with its groups; null where it does not. */
  take(pattern: RegExp): RegExpExecArray | null {
    const m = new RegExp(`^(?:${pattern.source})`, pattern.flags).exec(this.text);
    if (m) this.text = this.text.slice(m[0].length);
    return m;
  }

  /** Takes the longest of some names that stands at the front and ends there: no letter or figure follows. */
  takeName<T>(names: ReadonlyArray<readonly [name: string, of: T]>): T | null {
    let found: readonly [string, T] | null = null;
    for (const entry of names) {
      const [name] = entry;
      if (name === '' || !this.text.startsWith(name) || (found && found[0].length >= name.length)) continue;
      if (/[\p{L}\p{N}]$/u.test(name) && /^[\p{L}\p{N}]/u.test(this.text.slice(name.length))) continue;
      found = entry;
    }
    if (!found) return null;
    this.text = this.text.slice(found[0].length);
    return found[1];
  }

  /** Does what may fail; where it comes to nothing the line stands as before. */
  tries<T>(read: () => T | null): T | null {
    const before = this.text;
    const got = read();
    if (got === null) this.text = before;
    return got;
  }
}

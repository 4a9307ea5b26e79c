import type { Path } from '../base/path.ts';
import type { Code, Symptom } from '../model/code.ts';
import type { Finding } from '../model/finding.ts';
import { numberWords } from '../spoken/numbers.ts';

/** A count in words or figures: “after the 3rd attempt”, “from three in a row on”. Lengths of time are none. */
const countIn = (text: string): number | null => {
  const found =
    /\b(\d{1,3}|one|two|three|four|five|six|seven|eight|nine|ten)(?:st|nd|rd|th)?\b(?!\s*(?:ms|s|sec|min|h|hours?|days?|°|v\b))/i.exec(
      text,
    )?.[1];
  return found === undefined ? null : (numberWords[found.toLowerCase()] ?? Number(found));
};

/** What is said of how a code is detected, held against itself: counters, attempts, and the signs that go with them. */
export function lintDetection(code: Code | Symptom, at: Path): Finding[] {
  const { detection: d } = code;
  const text = code.kind === 'code' ? code.text : code.title;
  const findings: Finding[] = [];
  const { warnsAfter, locksOutAfter } = d;
  if (warnsAfter !== undefined && locksOutAfter !== undefined && warnsAfter > locksOutAfter)
    findings.push({
      code: 'warns-after-lock-out',
      severity: 'error',
      at: [...at, 'detection', 'warnsAfter'],
      text,
      warns: warnsAfter,
      locksOut: locksOutAfter,
    });
  if (d.attempt && d.forMs !== undefined && d.attempt.runMs < d.forMs)
    findings.push({
      code: 'attempt-too-short',
      severity: 'warning',
      at: [...at, 'detection', 'attempt'],
      text,
      runMs: d.attempt.runMs,
      forMs: d.forMs,
    });
  const counters = [d.inARow, warnsAfter, locksOutAfter].filter((n) => n !== undefined);
  if (warnsAfter !== undefined || locksOutAfter !== undefined)
    code.signStages.forEach(({ when }, i) => {
      const said = countIn(when);
      const is = /lock/i.test(when) && locksOutAfter !== undefined ? [locksOutAfter] : counters;
      if (said !== null && !is.includes(said))
        findings.push({
          code: 'stages-disagree',
          severity: 'warning',
          at: [...at, 'signStages', i, 'when'],
          text,
          when,
          counters: is,
        });
    });
  return findings;
}

import { type Bundle, gestureStanding, type HandKind, planUnit, type SuccessRate, SuccessRun } from '@wire-trail/core';

export type SuccessQuestion = Readonly<{
  bundle: Bundle;
  route: string;
  hands: readonly HandKind[];
  runs: number;
  seed: number;
}>;
export type SuccessNews =
  | Readonly<{ kind: 'progress'; share: number }>
  | Readonly<{ kind: 'done'; rates: ReadonlyArray<readonly [HandKind, SuccessRate]> }>
  | Readonly<{ kind: 'cannot'; at: string }>;

const tell = (news: SuccessNews): void => self.postMessage(news);

/** SuccessRate of one route for several kinds of hands, with progress; whoever asked ends the worker to stop it. */
self.onmessage = ({ data }: MessageEvent<SuccessQuestion>) => {
  const plan = planUnit(data.bundle);
  const gesture = plan.gestures.find((g) => g.of.kind === 'route' && g.of.id === data.route);
  if (!gesture) {
    const refused = plan.refused.find((r) => r.of.kind === 'route' && r.of.id === data.route);
    tell({ kind: 'cannot', at: refused?.error.at ?? '' });
    return;
  }
  const rates = data.hands.map((hands, i): readonly [HandKind, SuccessRate] => {
    const run = new SuccessRun({
      program: gesture.program,
      facts: plan.facts,
      standing: gestureStanding(plan, gesture),
      hands,
      runs: data.runs,
      seed: data.seed,
    });
    while (!run.step(500)) tell({ kind: 'progress', share: (i + run.progress) / data.hands.length });
    return [hands, run.result()];
  });
  tell({ kind: 'done', rates });
};

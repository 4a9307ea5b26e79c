import type { Entry } from '@wire-trail/core';
import { assertNever } from '@wire-trail/core';
import { lazy, Suspense } from 'react';
import { Loading } from '../../parts/states/States.tsx';
import { Beside } from './Beside.tsx';
import { Fields } from './Fields.tsx';
import { MoreFields } from './MoreFields.tsx';
import { SchemaForm } from './SchemaForm.tsx';
import { SourceBeside } from './SourceBeside.tsx';
import { VariantsBeside } from './VariantsBeside.tsx';

const ChartStudio = lazy(() => import('./chart/ChartStudio.tsx').then((m) => ({ default: m.ChartStudio })));
const PanelStudio = lazy(() => import('./studio/PanelStudio.tsx').then((m) => ({ default: m.PanelStudio })));
const PictureEditor = lazy(() => import('./PictureEditor.tsx').then((m) => ({ default: m.PictureEditor })));

const ReadoutStudio = lazy(() => import('./readout/ReadoutStudio.tsx').then((m) => ({ default: m.ReadoutStudio })));
const RouteStudio = lazy(() => import('./route/RouteStudio.tsx').then((m) => ({ default: m.RouteStudio })));

/** Each kind of entry as it is best worked on; what has no editor of its own has the form of its schema. */
export function EntryView({ body, bodies, tab }: { body: Entry; bodies: { entries: Entry[] }; tab: string }) {
  switch (body.kind) {
    case 'panel':
      return (
        <Suspense fallback={<Loading what="the studio" />}>
          <PanelStudio body={body} bodies={bodies} />
        </Suspense>
      );
    case 'asset':
      return (
        <Suspense fallback={<Loading what="the picture" />}>
          <PictureEditor body={body} />
        </Suspense>
      );
    case 'route':
      return (
        <Suspense fallback={<Loading what="script and timeline" />}>
          <RouteStudio body={body} bodies={bodies} tab={tab} />
        </Suspense>
      );
    case 'readout':
      return (
        <Suspense fallback={<Loading what="the readout" />}>
          <ReadoutStudio body={body} bodies={bodies} tab={tab} />
        </Suspense>
      );
    case 'chart':
      return (
        <Suspense fallback={<Loading what="the chart" />}>
          <ChartStudio body={body} bodies={bodies} tab={tab} />
        </Suspense>
      );
    case 'code':
    case 'symptom':
      return (
        <div className="split">
          <Beside body={body} bodies={bodies} />
          <div className="stack">
            <Fields body={body} bodies={bodies} />
            <MoreFields body={body} bodies={bodies} />
          </div>
        </div>
      );
    case 'family':
      return (
        <div className="split">
          <VariantsBeside family={body} />
          <SchemaForm body={body} bodies={bodies} />
        </div>
      );
    case 'source':
      return (
        <div className="split">
          <SourceBeside source={body} bodies={bodies} />
          <SchemaForm body={body} bodies={bodies} />
        </div>
      );
    case 'access':
    case 'account':
    case 'hazard':
    case 'instrument':
    case 'meaning':
    case 'mode':
    case 'setting':
      return <SchemaForm body={body} bodies={bodies} />;
    default:
      return assertNever(body);
  }
}

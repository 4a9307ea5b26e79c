import { CompletionContext } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { describe, expect, it } from 'vitest';
import { completeScript, type ScriptNames } from './script-language.ts';

const names: ScriptNames = {
  controls: [
    {
      id: 'rocker',
      label: 'rocker',
      places: [
        { id: 'up', label: 'Up' },
        { id: 'down', label: 'Down' },
      ],
    },
    { id: 'green', label: 'go', places: [] },
  ],
  signs: [{ id: 'lamp-a', label: 'a', states: ['lit', 'dark', 'lit green'] }],
  modes: [{ id: 'memory', name: 'Fault memory' }],
  instruments: [{ id: 'link-box', name: 'Link box' }],
};
/** What is offered at the bar in a line. */
const offered = (line: string): string[] => {
  const at = line.indexOf('|');
  const state = EditorState.create({ doc: line.replace('|', '') });
  return completeScript(names)(new CompletionContext(state, at, true))?.options.map((o) => o.label) ?? [];
};

describe('completion', () => {
  it.each<[string, string[]]>([
    ['|', ['press', 'hold', 'within', 'reach']],
    ['press |', ['rocker', 'green', 'any']],
    ['let-go |', ['all', 'rocker']],
    ['hold rocker |', ['up', 'down', 'for', 'until']],
    ['hold rocker down until |', ['lamp-a', 'power-on']],
    ['see |', ['lamp-a']],
    ['see lamp-a |', ['lit', 'dark', 'lit green']],
    ['within 5 s of |', ['lamp-a', 'power-on', 'step-before']],
    ['from |', ['any', 'memory']],
    ['reach |', ['memory']],
    ['choose "Menu" with |', ['link-box']],
    ['turn green |', ['right', 'left']],
    ['  - |', ['why', 'caution', 'retry']],
  ])('%s', (line, some) => expect(offered(line)).toEqual(expect.arrayContaining(some)));

  it('offers nothing inside a note, and no place of another control', () => {
    expect(offered('  - why |')).toEqual([]);
    expect(offered('press green |')).not.toContain('up');
  });
});

import { autocompletion, completionKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, indentWithTab } from '@codemirror/commands';
import { indentUnit } from '@codemirror/language';
import { type Diagnostic, lintGutter, setDiagnostics } from '@codemirror/lint';
import { Annotation, EditorState, StateEffect, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, drawSelection, EditorView, keymap, lineNumbers } from '@codemirror/view';
import { useEffect, useRef } from 'react';
import './script.css';
import { completeScript, type ScriptNames, scriptLanguage } from './script-language.ts';

/** Something to be said at a place of the script; lines and columns count from 1. */
export type ScriptNote = Readonly<{
  line: number;
  column: number;
  length: number;
  severity: 'error' | 'warning' | 'hint';
  words: string;
}>;

type Props = Readonly<{
  text: string;
  names: ScriptNames;
  notes: readonly ScriptNote[];
  /** The line that is looked at. */
  line: number | null;
  onText: (text: string) => void;
  onLine: (line: number) => void;
}>;

/** A change that came from the timeline, the form or undo, not from the keyboard. */
const fromOutside = Annotation.define<boolean>();
const lineSet = StateEffect.define<number | null>();
const lineField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (shown, transaction) => {
    let next = shown.map(transaction.changes);
    for (const effect of transaction.effects)
      if (effect.is(lineSet)) {
        const { doc } = transaction.state;
        next =
          effect.value === null || effect.value > doc.lines
            ? Decoration.none
            : Decoration.set([Decoration.line({ class: 'script-picked' }).range(doc.line(effect.value).from)]);
      }
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** The script of a route: typed as short lines, completed, with what is wrong said in the line. Undo is the draft's own. */
export function ScriptEditor({ text, names, notes, line, onText, onLine }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const told = useRef({ onText, onLine, names });
  useEffect(() => {
    told.current = { onText, onLine, names };
  });
  const begin = useRef(text);
  useEffect(() => {
    if (!host.current) return;
    const made = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: begin.current,
        extensions: [
          lineNumbers(),
          drawSelection(),
          scriptLanguage,
          lineField,
          lintGutter(),
          indentUnit.of('  '),
          EditorState.tabSize.of(2),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': 'script' }),
          autocompletion({ override: [(context) => completeScript(told.current.names)(context)], icons: false }),
          keymap.of([...completionKeymap, indentWithTab, ...defaultKeymap]),
          EditorView.updateListener.of((update) => {
            if (update.docChanged && !update.transactions.some((t) => t.annotation(fromOutside)))
              told.current.onText(update.state.doc.toString());
            if (update.selectionSet || update.docChanged)
              if (update.view.hasFocus)
                told.current.onLine(update.state.doc.lineAt(update.state.selection.main.head).number);
          }),
        ],
      }),
    });
    view.current = made;
    return () => made.destroy();
  }, []);
  useEffect(() => {
    const editor = view.current;
    if (!editor || editor.state.doc.toString() === text) return;
    const head = Math.min(editor.state.selection.main.head, text.length);
    editor.dispatch({
      changes: { from: 0, to: editor.state.doc.length, insert: text },
      selection: { anchor: head },
      annotations: fromOutside.of(true),
    });
  }, [text]);
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const { doc } = editor.state;
    const marks = notes.flatMap((note): Diagnostic[] => {
      if (note.line < 1 || note.line > doc.lines) return [];
      const at = doc.line(note.line);
      const from = Math.min(at.to, at.from + note.column - 1);
      const severity = note.severity === 'hint' ? 'info' : note.severity;
      return [{ from, to: Math.min(at.to, from + Math.max(1, note.length)), severity, message: note.words }];
    });
    editor.dispatch(setDiagnostics(editor.state, marks));
  }, [notes]);
  useEffect(() => {
    view.current?.dispatch({ effects: lineSet.of(line) });
  }, [line]);
  return <div className="script" ref={host} data-testid="script" />;
}

import { type ChartNode, nodeHeadWords, type OutlineRow, type Severity } from '@wire-trail/core';
import { memo } from 'react';

/** Deeper than this, lines are not indented any further: they would leave the page. */
const mostIndent = 16;

/** Flat, so that a line whose words did not change is not drawn again. */
type RowProps = Readonly<{
  index: number;
  kind: OutlineRow['kind'];
  depth: number;
  answer: string;
  opens: boolean;
  links: boolean;
  node: ChartNode | undefined;
  leadsTo: string | undefined;
  ends: string;
  isHere: boolean;
  isPicked: boolean;
  severity: Severity | null;
  onHere: (index: number) => void;
}>;

/** One line of the outline: a step, an answer, or where it goes on. */
export const Row = memo(function Row(props: RowProps) {
  const { index, kind, depth, node, leadsTo, isHere, isPicked, onHere } = props;
  if (kind === 'apart') return <p className="outline-apart says doubt small">nothing leads here</p>;
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the tree has the keys of all its rows
    <div
      role="treeitem"
      tabIndex={isHere ? 0 : -1}
      aria-current={isHere}
      aria-selected={isPicked}
      aria-level={depth + 1}
      className={`row outline-row ${kind} ${isPicked ? 'picked' : ''}`}
      style={{ paddingInlineStart: `${0.4 + Math.min(depth, mostIndent) * 0.95}rem` }}
      onClick={() => onHere(index)}
    >
      {kind === 'step' && node && (
        <>
          <span className="small soft">{nodeHeadWords(node)}</span> <strong>{node.title}</strong>
          {props.ends !== '' &&
            props.ends.split(',').map((end) => (
              <span key={end} className="tag">
                {end}
              </span>
            ))}
          {props.severity && <span className={`flag ${props.severity}`} role="img" aria-label={props.severity} />}
        </>
      )}
      {kind === 'answer' && (
        <>
          <span className="outline-answer">{props.answer}</span>
          {props.links && <span className="soft">leads to “{leadsTo}”</span>}
          {props.opens && <span className="says bad">leads nowhere yet</span>}
        </>
      )}
      {kind === 'link' && <span className="soft">goes on at “{leadsTo}”</span>}
    </div>
  );
});

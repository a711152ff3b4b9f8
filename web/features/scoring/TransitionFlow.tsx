import { clockText } from '@lean-mentor/core/footage';
import { placeWords, sideNames, type Transition } from '@lean-mentor/core/scoring';
import { useMemo, useState } from 'react';
import { ResponsiveContainer, Sankey, type SankeyLinkProps, type SankeyNodeProps } from 'recharts';

interface TransitionFlowProps {
  transitions: readonly Transition[];
  /** Goes to an instance: seconds of that bout since its start. */
  onGo: (bout: number, atSeconds: number) => void;
}

/** More flows than this cannot be told apart. */
const mostFlows = 14;
const mostInstances = 24;
const rowHeight = 26;

const colourOf = (holder: Transition['from']['holder']): string =>
  holder === null ? 'var(--color-reed)' : holder === 'client' ? 'var(--color-client)' : 'var(--color-partner)';

/** What followed what: flows from positions on the left to those on the right, as wide as they are many; each opens its instances. */
export default function TransitionFlow({ transitions, onGo }: TransitionFlowProps) {
  const [picked, setPicked] = useState<number | null>(null);
  const shown = useMemo(() => transitions.slice(0, mostFlows), [transitions]);
  const data = useMemo(() => flowsOf(shown), [shown]);
  if (shown.length === 0) return <p className="text-small text-reed">Nothing has followed anything yet.</p>;
  const open = picked === null ? undefined : shown[picked];
  const words = ({ from, to, instances }: Transition): string =>
    `${placeWords(from, sideNames)} to ${placeWords(to, sideNames).replace(/^./, (letter) => letter.toLowerCase())}, ${instances.length}×`;
  const most = Math.max(data.nodes.filter(({ side }) => side === 'from').length, data.nodes.filter(({ side }) => side === 'to').length);
  return (
    <section aria-label="What followed what" className="text-small">
      <h3 className="mb-1 font-semibold">What followed what</h3>
      <ResponsiveContainer width="100%" height={Math.max(120, most * rowHeight)}>
        <Sankey
          data={data}
          nodeWidth={6}
          nodePadding={12}
          margin={{ left: 215, right: 215, top: 6, bottom: 6 }}
          node={(node: SankeyNodeProps) => <Place {...node} />}
          link={(link: SankeyLinkProps) => (
            <Flow
              {...link}
              colour={colourOf(shown[link.index]!.to.holder)}
              words={words(shown[link.index]!)}
              isPicked={picked === link.index}
              onPick={() => setPicked(picked === link.index ? null : link.index)}
            />
          )}
        />
      </ResponsiveContainer>
      {transitions.length > shown.length && (
        <p className="text-reed">
          The {shown.length} that came most often, of {transitions.length}.
        </p>
      )}
      {open ? (
        <p className="flex flex-wrap items-baseline gap-2" aria-live="polite">
          <span className="font-semibold">{words(open)}:</span>
          {open.instances.slice(0, mostInstances).map(({ bout, at }) => (
            <button key={`${bout} ${at}`} type="button" className="time linked" onClick={() => onGo(bout, at)}>
              {clockText(at)}
            </button>
          ))}
        </p>
      ) : (
        <p className="text-reed">A flow opens each time it happened.</p>
      )}
    </section>
  );
}

interface FlowNode {
  name: string;
  side: 'from' | 'to';
  holder: Transition['from']['holder'];
}

/** A position stands once on each side, so that flows never run back. */
function flowsOf(transitions: readonly Transition[]): { nodes: FlowNode[]; links: { source: number; target: number; value: number }[] } {
  const nodes: FlowNode[] = [];
  const nodeOf = (place: Transition['from'], side: FlowNode['side']): number => {
    const name = placeWords(place, sideNames);
    const there = nodes.findIndex((node) => node.name === name && node.side === side);
    return there >= 0 ? there : nodes.push({ name, side, holder: place.holder }) - 1;
  };
  const links = transitions.map(({ from, to, instances }) => ({
    source: nodeOf(from, 'from'),
    target: nodeOf(to, 'to'),
    value: instances.length,
  }));
  return { nodes, links };
}

function Place({ x, y, width, height, payload }: SankeyNodeProps) {
  const { name, side, holder } = payload as unknown as FlowNode;
  const left = side === 'from';
  return (
    <g>
      <rect x={x} y={y} width={width} height={Math.max(height, 1)} fill={colourOf(holder)} />
      <text x={left ? x - 6 : x + width + 6} y={y + height / 2 + 4} textAnchor={left ? 'end' : 'start'} className="fill-ink text-small">
        {name}
      </text>
    </g>
  );
}

interface FlowProps extends SankeyLinkProps {
  colour: string;
  words: string;
  isPicked: boolean;
  onPick: () => void;
}

function Flow({
  sourceX,
  sourceY,
  sourceControlX,
  targetX,
  targetY,
  targetControlX,
  linkWidth,
  colour,
  words,
  isPicked,
  onPick,
}: FlowProps) {
  return (
    <path
      d={`M${sourceX},${sourceY}C${sourceControlX},${sourceY} ${targetControlX},${targetY} ${targetX},${targetY}`}
      fill="none"
      stroke={colour}
      strokeWidth={Math.max(2, linkWidth)}
      strokeOpacity={isPicked ? 0.8 : 0.35}
      role="button"
      tabIndex={0}
      aria-label={words}
      aria-pressed={isPicked}
      className="cursor-pointer outline-offset-2 hover:[stroke-opacity:0.6]"
      onClick={onPick}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        event.stopPropagation();
        onPick();
      }}
    >
      <title>{words}</title>
    </path>
  );
}

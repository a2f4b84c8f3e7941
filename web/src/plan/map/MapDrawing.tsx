import { type KeyboardEvent, type Ref, useState } from 'react';
import { useTranslations } from 'use-intl';
import { BeadShape } from '../../ui/Glyphs';
import { tone } from '../../ui/tone';
import { type Followed, isOn, leads, type MapNode, type NodeKey } from './graph';
import { HEAD, heightOf, type Placed, type PlacedEdge, ROW, rowAt, WIDTH } from './layout';
import type { Standing } from './standing';

interface Props {
  placed: Placed;
  standings: Map<NodeKey, Standing>;
  selected: string | null;
  /** What is followed; nothing, where all is as clear as the rest. */
  followed: Followed | undefined;
  scale: number;
  title: string;
  onSelect: (key: NodeKey) => void;
  onFold: (module: number) => void;
  drawing: Ref<SVGSVGElement>;
}

const MARGIN = 16;
const ROUND = 7;

/** The map as a drawing: one stop of the Tab key, arrow keys inside, Enter selects, F folds. */
export function MapDrawing({
  placed,
  standings,
  selected,
  followed,
  scale,
  title,
  onSelect,
  onFold,
  drawing,
}: Props) {
  const t = useTranslations();
  const { graph } = placed;
  const on = (key: NodeKey) => !followed || isOn(followed, key);
  const order = graph.nodes.flatMap((n) => [n.key, ...n.steps.map((s) => s.key)]);
  const [focus, setFocus] = useState<NodeKey | undefined>();
  const stop =
    [focus, selected ?? undefined].find((k) => k !== undefined && order.includes(k)) ?? order[0];
  const nodeOf = (key: NodeKey) =>
    graph.nodes.find((n) => n.key === key || n.steps.some((s) => s.key === key));
  const go = (from: SVGElement, key: NodeKey | undefined) => {
    if (!key) return;
    setFocus(key);
    from.ownerSVGElement?.querySelector<SVGElement>(`[data-key="${key}"]`)?.focus();
  };
  const keys = (event: KeyboardEvent<SVGElement>, key: NodeKey) => {
    const at = order.indexOf(key);
    const node = nodeOf(key);
    const home = node ? graph.nodes.indexOf(node) : -1;
    const to: Record<string, () => void> = {
      ArrowDown: () => go(event.currentTarget, order[at + 1]),
      ArrowUp: () => go(event.currentTarget, order[at - 1]),
      ArrowRight: () => go(event.currentTarget, graph.nodes[home + 1]?.key),
      ArrowLeft: () => go(event.currentTarget, graph.nodes[home - 1]?.key),
      Enter: () => onSelect(key),
      ' ': () => onSelect(key),
      f: () => fold(node),
    };
    const act = to[event.key];
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  const fold = (node: MapNode | undefined) => {
    if (node?.kind === 'module') onFold(Number(node.key.split('-')[1]));
  };
  const said = (key: NodeKey, name: string) => {
    const standing = standings.get(key);
    const counted = standing
      ? t('map.done', { done: standing.done, of: standing.of })
      : t('map.nobody');
    const before = graph.edges.filter((e) => e.to === key).length;
    const after = graph.edges.filter((e) => e.from === key).length;
    return `${name}. ${counted} ${t('map.ways', { before, after })}`;
  };
  const opacity = (key: NodeKey) => (on(key) ? 1 : 0.35);
  // drawn over what is seen: its name says more than there is room for
  const button = (key: NodeKey, name: string) => ({
    'aria-label': said(key, name),
    role: 'button',
    tabIndex: key === stop ? 0 : -1,
    'data-key': key,
    'aria-pressed': key === selected,
    style: { cursor: 'pointer' },
    onClick: () => {
      setFocus(key);
      onSelect(key);
    },
    onFocus: () => setFocus(key),
    onKeyDown: (event: KeyboardEvent<SVGElement>) => keys(event, key),
  });
  const width = placed.width + 2 * MARGIN;
  const height = placed.height + 2 * MARGIN;
  return (
    <svg
      ref={drawing}
      width={width * scale}
      height={height * scale}
      viewBox={`${-MARGIN} ${-MARGIN} ${width} ${height}`}
      role="group"
      aria-label={title}
      fontFamily="inherit"
      style={{ display: 'block' }}
    >
      <title>{title}</title>
      <defs>
        {(['slate', 'indigo'] as const).map((colour) => (
          <marker
            key={colour}
            id={`map-arrow-${colour}`}
            viewBox="0 0 10 10"
            refX={9}
            refY={5}
            markerWidth={9}
            markerHeight={9}
            markerUnits="userSpaceOnUse"
            orient="auto"
          >
            <path d="M0 0 L10 5 L0 10 z" fill={tone(colour)} />
          </marker>
        ))}
      </defs>
      {placed.edges.map((edge) => (
        <Edge
          key={`${edge.from} ${edge.to}`}
          edge={edge}
          lit={followed !== undefined && leads(followed, edge)}
          faded={followed !== undefined && !leads(followed, edge)}
        />
      ))}
      {graph.nodes.map((node) => {
        const at = placed.at.get(node.key);
        if (!at) return null;
        return (
          <g key={node.key} transform={`translate(${at.x} ${at.y})`}>
            <rect
              width={WIDTH}
              height={heightOf(node)}
              rx={4}
              fill={tone('panel')}
              stroke={tone(node.key === selected ? 'indigo' : 'hairline')}
              strokeWidth={node.key === selected ? 2 : 1}
              strokeDasharray={node.published ? undefined : '5 4'}
            />
            <g opacity={opacity(node.key)}>
              <Name x={34} y={25} width={WIDTH - 64} text={node.name} weight={700} />
              {node.kind !== 'module' && <Sign kind={node.kind} />}
              <Count x={WIDTH - 14} y={25} standing={standings.get(node.key)} />
            </g>
            <rect width={WIDTH} height={HEAD} fill="transparent" {...button(node.key, node.name)}>
              <title>{said(node.key, node.name)}</title>
            </rect>
            {node.kind === 'module' && (
              <g
                role="button"
                tabIndex={-1}
                aria-label={t(node.folded ? 'map.unfold' : 'map.fold', { module: node.name })}
                aria-expanded={!node.folded}
                onClick={() => fold(node)}
                onKeyDown={(event) => event.key === 'Enter' && fold(node)}
                style={{ cursor: 'pointer' }}
                data-fold={node.key}
              >
                <title>{t(node.folded ? 'map.unfold' : 'map.fold', { module: node.name })}</title>
                <rect x={6} y={8} width={24} height={24} fill="transparent" />
                <path
                  d={node.folded ? 'M14 14 L20 20 L14 26' : 'M12 17 L18 23 L24 17'}
                  fill="none"
                  stroke={tone('slate')}
                  strokeWidth={2}
                />
              </g>
            )}
            {node.steps.map((step, n) => {
              const standing = standings.get(step.key);
              const chosen = step.key === selected;
              return (
                <g
                  key={step.key}
                  transform={`translate(8 ${rowAt(n)})`}
                  opacity={opacity(step.key)}
                >
                  <rect
                    width={WIDTH - 16}
                    height={ROW}
                    rx={3}
                    fill={tone(chosen ? 'indigoWash' : 'ground')}
                    stroke={tone(chosen ? 'indigo' : 'hairline')}
                    strokeWidth={chosen ? 2 : 1}
                    strokeDasharray={step.published ? undefined : '4 3'}
                  />
                  {standing?.most && (
                    <g transform={`translate(16 ${ROW / 2})`}>
                      <BeadShape {...standing.most} />
                    </g>
                  )}
                  <Name x={30} y={22} width={WIDTH - 74} text={step.name} weight={400} />
                  <Count x={WIDTH - 26} y={22} standing={standing} />
                  <rect
                    width={WIDTH - 16}
                    height={ROW}
                    fill="transparent"
                    {...button(step.key, step.name)}
                  >
                    <title>{said(step.key, step.name)}</title>
                  </rect>
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}

const LETTER = 6.3;

/** A name as far as there is room. */
function Name({
  x,
  y,
  width,
  text,
  weight,
}: {
  x: number;
  y: number;
  width: number;
  text: string;
  weight: number;
}) {
  const most = Math.floor(width / (weight > 400 ? LETTER * 1.06 : LETTER));
  return (
    <text x={x} y={y} fontSize={13} fontWeight={weight} fill={tone('ink')}>
      {text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text}
    </text>
  );
}

function Count({ x, y, standing }: { x: number; y: number; standing: Standing | undefined }) {
  if (!standing) return null;
  return (
    <text x={x} y={y} fontSize={12} fontWeight={700} textAnchor="end" fill={tone('soft')}>
      {standing.done}
    </text>
  );
}

/** An outcome, a badge and the end of the course, each by a shape of its own. */
function Sign({ kind }: { kind: MapNode['kind'] }) {
  const shape = {
    outcome: 'M12 26 L18 14 L24 26 Z',
    badge: 'M18 13 L25 20 L18 27 L11 20 Z',
    course: 'M13 13 V27 M13 14 H24 L21 18 L24 22 H13',
    module: '',
  }[kind];
  return (
    <path
      d={shape}
      fill="none"
      stroke={tone(kind === 'outcome' ? 'indigo' : 'ink')}
      strokeWidth={2}
    />
  );
}

function Edge({ edge, lit, faded }: { edge: PlacedEdge; lit: boolean; faded: boolean }) {
  const colour = lit ? 'indigo' : 'slate';
  const { label } = edge;
  return (
    <g opacity={faded ? 0.25 : 1}>
      <path
        d={rounded(edge.points)}
        fill="none"
        stroke={tone(colour)}
        strokeWidth={lit ? 2 : 1.2}
        markerEnd={`url(#map-arrow-${colour})`}
      />
      {label && (
        <g>
          <title>{edge.says.join(', ')}</title>
          <rect x={label.x} y={label.y} width={label.width} height={16} fill={tone('ground')} />
          <text
            x={label.x + label.width / 2}
            y={label.y + 12}
            fontSize={11.5}
            fontWeight={600}
            textAnchor="middle"
            fill={tone(lit ? 'indigo' : 'soft')}
          >
            {label.text}
          </text>
        </g>
      )}
    </g>
  );
}

/** A way with its corners rounded. */
function rounded(points: { x: number; y: number }[]): string {
  return points
    .map((p, n) => {
      const before = points[n - 1];
      const after = points[n + 1];
      if (!before) return `M${p.x} ${p.y}`;
      if (!after) return `L${p.x} ${p.y}`;
      const towards = (q: { x: number; y: number }) => {
        const far = Math.hypot(q.x - p.x, q.y - p.y) || 1;
        const by = Math.min(ROUND, far / 2) / far;
        return `${p.x + (q.x - p.x) * by} ${p.y + (q.y - p.y) * by}`;
      };
      return `L${towards(before)} Q${p.x} ${p.y} ${towards(after)}`;
    })
    .join(' ');
}

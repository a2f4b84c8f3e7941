import type { ELK, ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api';
import type { MapEdge, MapGraph, MapNode, NodeKey } from './graph';

export const WIDTH = 226;
export const HEAD = 40;
export const ROW = 34;
export const GAP = 8;
const LABEL = { height: 16, letter: 6.3, most: 30 };

export interface Point {
  x: number;
  y: number;
}

export interface PlacedEdge extends MapEdge {
  points: Point[];
  label?: Point & { text: string; width: number };
}

export interface Placed {
  graph: MapGraph;
  width: number;
  height: number;
  at: Map<NodeKey, Point & { width: number; height: number }>;
  edges: PlacedEdge[];
}

export const heightOf = (node: MapNode) =>
  HEAD + (node.steps.length ? node.steps.length * (ROW + GAP) : 0);

/** Where the middle of a step's row is, from the top of its module. */
export const rowAt = (n: number) => HEAD + n * (ROW + GAP);

const short = (text: string) =>
  text.length > LABEL.most ? `${text.slice(0, LABEL.most - 1)}…` : text;

const labelOf = (edge: MapEdge): string => {
  const [first, ...more] = edge.says;
  if (first === undefined) return '';
  return more.length > 0 ? `${short(first)} +${more.length}` : short(first);
};

/** The graph as the layout engine takes it: each row of a module has a door on either side. */
export function toLayOut(graph: MapGraph): ElkNode {
  const owner = new Map<NodeKey, { node: NodeKey; y: number }>();
  for (const node of graph.nodes) {
    owner.set(node.key, { node: node.key, y: HEAD / 2 });
    node.steps.forEach((s, n) => {
      owner.set(s.key, { node: node.key, y: rowAt(n) + ROW / 2 });
    });
  }
  const ports = (node: MapNode) =>
    [node.key, ...node.steps.map((s) => s.key)].flatMap((key) => {
      const y = owner.get(key)?.y ?? 0;
      return [
        { id: `${key}>in`, x: 0, y, width: 0, height: 0 },
        { id: `${key}>out`, x: WIDTH, y: y - 4, width: 0, height: 0 },
        // what stays inside a module goes along its side
        { id: `${key}>back`, x: WIDTH, y: y + 6, width: 0, height: 0 },
      ].map((p) => ({
        ...p,
        layoutOptions: { 'elk.port.side': p.x === 0 ? 'WEST' : 'EAST' },
      }));
    });
  return {
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.layered.spacing.nodeNodeBetweenLayers': '54',
      'elk.spacing.nodeNode': '28',
      'elk.spacing.edgeNode': '16',
      'elk.spacing.edgeEdge': '10',
      'elk.spacing.edgeLabel': '3',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
      'elk.layered.nodePlacement.strategy': 'BRANDES_KOEPF',
      'elk.layered.nodePlacement.favorStraightEdges': 'true',
      'elk.layered.feedbackEdges': 'true',
      'elk.edgeLabels.inline': 'true',
      'elk.layered.edgeLabels.sideSelection': 'ALWAYS_UP',
    },
    children: graph.nodes.map((node) => ({
      id: node.key,
      width: WIDTH,
      height: heightOf(node),
      ports: ports(node),
      layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
    })),
    edges: graph.edges.map((edge, n) => {
      const text = labelOf(edge);
      return {
        id: `${n}`,
        sources: [`${edge.from}>out`],
        targets: [
          owner.get(edge.from)?.node === owner.get(edge.to)?.node
            ? `${edge.to}>back`
            : `${edge.to}>in`,
        ],
        labels: text
          ? [{ id: `l${n}`, text, width: text.length * LABEL.letter + 6, height: LABEL.height }]
          : [],
      };
    }),
  };
}

/** What the engine made of it. */
export function placed(graph: MapGraph, laid: ElkNode): Placed {
  const at: Placed['at'] = new Map();
  for (const node of laid.children ?? []) {
    const { x = 0, y = 0, width = 0, height = 0 } = node;
    at.set(node.id, { x, y, width, height });
    graph.nodes
      .find((n) => n.key === node.id)
      ?.steps.forEach((s, n) => {
        at.set(s.key, { x: x + 8, y: y + rowAt(n), width: width - 16, height: ROW });
      });
  }
  const edges = graph.edges.map((edge, n): PlacedEdge => {
    const drawn = laid.edges?.[n] as ElkExtendedEdge | undefined;
    const points = (drawn?.sections ?? []).flatMap((s) => [
      s.startPoint,
      ...(s.bendPoints ?? []),
      s.endPoint,
    ]);
    const label = drawn?.labels?.[0];
    if (!label) return { ...edge, points };
    const { x = 0, y = 0, width = 0, text = '' } = label;
    return { ...edge, points, label: { x, y, width, text } };
  });
  return { graph, width: laid.width ?? 0, height: laid.height ?? 0, at, edges };
}

/** The engine in a thread of its own, started once: that takes longer than most maps. */
let engine: Promise<ELK> | undefined;

async function start(): Promise<ELK> {
  const [{ default: Elk }, { default: workerUrl }] = await Promise.all([
    import('elkjs/lib/elk-api'),
    import('elkjs/lib/elk-worker.min.js?url'),
  ]);
  return new Elk({ workerUrl });
}

export async function layOut(graph: MapGraph): Promise<Placed> {
  engine ??= start();
  try {
    return placed(graph, await (await engine).layout(toLayOut(graph)));
  } catch (e) {
    // what could not be fetched is fetched anew the next time
    engine = undefined;
    throw e;
  }
}
